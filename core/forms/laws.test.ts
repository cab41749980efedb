import * as fc from 'fast-check'
import { expect, test } from 'vitest'
import { billing } from '@/tests/support/derived-design'
import { field } from '@/tests/support/edits'
import { made } from '@/tests/support/made'
import { aimed, dice } from '@/tests/support/random-edits'
import { runs } from '@/tests/support/runs'
import { applyEdit, emptyBook, Form, formColumns, type FormLines, type FormPart, type PlainPart } from '../book'
import { plainLook } from '../kinds'
import { formLayout } from '../records'
import { wordProblem } from '../words'
import {
  columnsOf,
  conditionFaults,
  laidAfresh,
  leastSpan,
  movePart,
  onForm,
  partConditions,
  partsInOrder,
  placePart,
  shownLines,
  takeOut,
  usualLines,
  widenPart,
} from '.'

const kinds = ['field', 'rows', 'words', 'line', 'totals', 'linked'] as const

const plainPart = (id: string, kind: (typeof kinds)[number], span: number): PlainPart => {
  const place = { id, span: Math.max(span, leastSpan[kind]) }
  switch (kind) {
    case 'words':
      return { kind, ...place, words: 'Said.' }
    case 'totals':
      return { kind, ...place, fields: [`${id}-sum`] }
    case 'linked':
      return { kind, ...place, link: 'l', field: 'f' }
    default:
      return { kind, ...place }
  }
}

/** Parts laid one after the other into lines, a new one where there is no room or where it is wished. */
function inLines<Part extends FormPart>(parts: readonly Part[], turns: readonly boolean[]): Part[][] {
  const lines: Part[][] = []
  for (const [at, part] of parts.entries()) {
    const line = lines.at(-1)
    if (line && !turns[at % turns.length] && columnsOf([...line, part]) <= formColumns) line.push(part)
    else lines.push([part])
  }
  return lines
}

const somePart = fc.record({ kind: fc.constantFrom(...kinds), span: fc.integer({ min: 1, max: 12 }) })
const turns = fc.array(fc.boolean(), { minLength: 1, maxLength: 5 })
const someLines: fc.Arbitrary<FormLines> = fc
  .tuple(fc.array(fc.tuple(somePart, fc.array(somePart, { maxLength: 4 }), fc.boolean()), { maxLength: 10 }), turns)
  .map(([all, breaks]) => {
    const parts = all.map(([{ kind, span }, inner, isGroup], at): FormPart => {
      if (!isGroup) return plainPart(`p${at}`, kind, span)
      const within = inner.map((one, no) => plainPart(`p${at}-${no}`, one.kind, one.span))
      return { kind: 'group', id: `p${at}`, span: Math.max(span, leastSpan.group), lines: inLines(within, breaks) }
    })
    return inLines(parts, breaks)
  })

type Move = (lines: FormLines) => FormLines
const pick = (lines: FormLines, at: number) => {
  const all = partsInOrder(lines)
  return all[at % Math.max(1, all.length)]?.id ?? 'nobody'
}
const someMove: fc.Arbitrary<Move> = fc.oneof(
  fc.tuple(fc.nat(40), fc.constantFrom('left', 'right', 'up', 'down')).map(
    ([at, way]) =>
      (lines: FormLines) =>
        movePart(lines, pick(lines, at), way),
  ),
  fc.tuple(fc.nat(40), fc.integer({ min: -12, max: 12 })).map(
    ([at, by]) =>
      (lines: FormLines) =>
        widenPart(lines, pick(lines, at), by),
  ),
  fc
    .tuple(fc.nat(40), fc.nat(12), fc.option(fc.nat(8), { nil: undefined }), fc.option(fc.nat(40), { nil: undefined }))
    .map(([at, line, place, group]) => (lines: FormLines) => {
      const into = group === undefined ? undefined : lines.flat().find(({ id }) => id === pick(lines, group))
      return placePart(lines, pick(lines, at), {
        ...{ line, at: place },
        group: into?.kind === 'group' ? into.id : undefined,
      })
    }),
)

/** A part apart from where it stands and how wide it is. */
const ownOf = (part: FormPart) => {
  const { span: _span, gap: _gap, ...rest } = part
  return JSON.stringify(rest.kind === 'group' ? { ...rest, lines: [] } : rest)
}
const isForm = (lines: FormLines) => Form.safeParse({ id: 'f', table: 't', name: 'Form', lines, without: [] }).success

test('however parts are moved about, none is lost or doubled and no line holds more than it can', () => {
  fc.assert(
    fc.property(someLines, fc.array(someMove, { maxLength: 30 }), (lines, moves) => {
      const before = partsInOrder(lines).map(ownOf).sort()
      let now = lines
      for (const move of moves) {
        now = move(now)
        expect(isForm(now)).toBe(true)
        expect(partsInOrder(now).every(({ kind, span }) => span >= leastSpan[kind])).toBe(true)
      }
      expect(partsInOrder(now).map(ownOf).sort()).toEqual(before)
    }),
  )
})

test('a part taken out leaves all others, in their order', () => {
  fc.assert(
    fc.property(someLines, fc.nat(40), (lines, at) => {
      const id = pick(lines, at)
      const gone = partsInOrder(lines).find((part) => part.id === id)
      const within = gone?.kind === 'group' ? gone.lines.flat().map((part) => part.id) : []
      const ids = (of: FormLines) => partsInOrder(of).map((part) => part.id)
      const left = ids(lines).filter((one) => one !== id && !within.includes(one))
      expect(ids(takeOut(lines, id))).toEqual(left)
    }),
  )
})

test('a part goes left and back again to where it was', () => {
  fc.assert(
    fc.property(someLines, fc.nat(40), (lines, at) => {
      const id = pick(lines, at)
      const left = movePart(lines, id, 'left')
      if (left !== lines && JSON.stringify(left) !== JSON.stringify(lines))
        expect(movePart(left, id, 'right')).toEqual(lines)
    }),
  )
})

const bills = billing().book
const groupOf = (lines: FormLines): FormLines => [[{ kind: 'group', id: 'g', span: 12, lines: [] }], ...lines]
/** A form of bills that somebody arranged, and what they left out of it. */
const arranged = fc
  .tuple(fc.boolean(), fc.array(someMove, { maxLength: 20 }), fc.array(fc.nat(40), { maxLength: 4 }))
  .map(([grouped, moves, gone]): Form => {
    const usual = usualLines(bills, 'bill')
    let lines = moves.reduce((now, move) => move(now), grouped ? groupOf(usual) : usual)
    const without: string[] = []
    for (const at of gone) {
      const before = onForm(lines)
      lines = takeOut(lines, pick(lines, at))
      const after = onForm(lines)
      without.push(...[...before].filter((id) => !after.has(id)))
    }
    return { id: 'f', table: 'bill', name: 'Form', lines, without: without.filter((id) => id !== 'g') }
  })

test('whatever comes and goes in the table, a form has each of its fields and rows once, or leaves it out', () => {
  const later = made(
    bills,
    ...field('bill', 'new', 'New', 'line'),
    { kind: 'removeField', field: 'state' },
    { kind: 'removeTable', table: 'line' },
  )
  fc.assert(
    fc.property(arranged, fc.constantFrom(bills, later), (form, book) => {
      const lines = shownLines(book, 'bill', form)
      const { rows, insets, foot } = formLayout(book, 'bill')
      const all = [
        ...rows.flat().map((one) => one.field.id),
        ...foot.map(({ id }) => id),
        ...insets.map(({ link }) => link.id),
      ]
      const there = partsInOrder(lines).flatMap((part) => (part.kind === 'totals' ? part.fields : [part.id]))
      expect(isForm(lines)).toBe(true)
      expect(there.filter((id) => id !== 'g').sort()).toEqual(all.filter((id) => !form.without.includes(id)).sort())
    }),
  )
})

test('laid afresh, a form has the same parts in the same order; laid by the program it stays as it is', () => {
  expect(laidAfresh(bills, 'bill', usualLines(bills, 'bill'))).toEqual(usualLines(bills, 'bill'))
  fc.assert(
    fc.property(arranged, ({ lines }) => {
      const afresh = laidAfresh(bills, 'bill', lines)
      expect(isForm(afresh)).toBe(true)
      expect(partsInOrder(afresh).map(ownOf)).toEqual(partsInOrder(lines).map(ownOf))
      expect(laidAfresh(bills, 'bill', afresh)).toEqual(afresh)
    }),
  )
})

test('whatever becomes of a book, each of its forms still has every box once, or leaves it out', () => {
  let shown = 0
  fc.assert(
    fc.property(fc.array(dice, { minLength: 20, maxLength: 80, size: 'max' }), (throws) => {
      const begun = made(
        emptyBook('Test', plainLook),
        ...['visit', 'part', 'order'].map((id) => ({ kind: 'addTable' as const, id, name: id, keyField: `${id}-key` })),
      )
      const book = throws.reduce((before, thrown, turn) => {
        const result = applyEdit(before, aimed(before, thrown, turn))
        return result.ok ? result.value.book : before
      }, begun)
      for (const form of book.forms) {
        shown++
        const lines = shownLines(book, form.table, form)
        const { rows, insets, foot } = formLayout(book, form.table)
        const all = [...rows.flat().map(({ field: one }) => one), ...foot, ...insets.map(({ link }) => link)]
        const there = onForm(lines)
        expect(partsInOrder(lines).length).toBe(new Set(partsInOrder(lines).map(({ id }) => id)).size)
        for (const { id } of all) expect([id, there.has(id)]).toEqual([id, !form.without.includes(id)])
        for (const { problem } of conditionFaults(book, { table: form.table, lines })) wordProblem(problem)
        partConditions(book, form.table, lines)
      }
    }),
    runs(60),
  )
  expect(shown).toBeGreaterThan(20)
})
