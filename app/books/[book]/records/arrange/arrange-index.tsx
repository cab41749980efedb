'use client'

import { fieldOf, type FormLines, type FormPart, linkOf, tableOf } from '@/core/book'
import { findPart, leftOut, partNameOf, partsInOrder, putIn } from '@/core/forms'
import { kindOf } from '@/core/kinds'
import { formLayout } from '@/core/records'
import { freshId } from '@/ui/ids'
import { Menu, MenuHead, MenuItem, WordButton } from '@/ui/kit'
import { IndexHead, IndexRow } from '@/ui/shell/room'
import { useRecords } from '../records-context'
import type { Arranging } from './arranging'

type Props = Pick<Arranging, 'tableId' | 'lines' | 'chosen' | 'choose' | 'change'>

/** The parts of a form in the order of the Tab key, what it leaves out, and what else can be put in. */
export function ArrangeIndex({ tableId, lines, chosen, choose, change }: Props) {
  const { book } = useRecords()
  const missing = leftOut(book, tableId, lines)
  const inGroups = new Set(
    lines.flat().flatMap((part) => (part.kind === 'group' ? part.lines.flat().map(({ id }) => id) : [])),
  )
  const put = (part: FormPart) => {
    change(putIn(lines, part, spotBehind(lines, part, chosen)))
    choose(part.id)
  }
  return (
    <>
      <IndexHead>In the order of the Tab key</IndexHead>
      {partsInOrder(lines).map((part) => (
        <IndexRow key={part.id} here={part.id === chosen} onPick={() => choose(part.id)}>
          <span className={inGroups.has(part.id) ? 'pl-3' : undefined}>{partNameOf(book, tableId, part)}</span>
        </IndexRow>
      ))}
      {missing.length > 0 && (
        <>
          <IndexHead>Left out</IndexHead>
          <ul>
            {missing.map(({ id, name, kind }) => (
              <li key={id} className="flex items-center justify-between gap-2 py-0.5 pr-2 pl-[26px]">
                <span className="min-w-0 text-ash-6 [overflow-wrap:anywhere]">{name}</span>
                <WordButton onClick={() => put(kind === 'rows' ? rowsPart(id) : fieldPart(book, tableId, id))}>
                  Add<span className="sr-only"> {name}</span>
                </WordButton>
              </li>
            ))}
          </ul>
        </>
      )}
      <IndexHead>Put in</IndexHead>
      <div className="flex flex-col items-start pl-[22px]">
        {Object.entries(others).map(([words, make]) => (
          <WordButton key={words} onClick={() => put(make(freshId()))}>
            {words}
          </WordButton>
        ))}
        <LinkedMenu tableId={tableId} onPut={put} />
      </div>
    </>
  )
}

/** Beneath what is chosen, in the same group; at the end where nothing is. */
function spotBehind(lines: FormLines, { kind }: FormPart, chosen: string | undefined) {
  const within = chosen === undefined ? undefined : findPart(lines, chosen)
  // A group comes behind the group that what is chosen is in.
  const found = kind === 'group' && within?.group ? findPart(lines, within.group.id) : within
  return found ? { group: found.group?.id, line: found.line + 1 } : { line: lines.length }
}

const others: Readonly<Record<string, (id: string) => FormPart>> = {
  Group: (id) => ({ kind: 'group', id, span: 12, heading: 'Heading', lines: [] }),
  Heading: (id) => ({ kind: 'words', id, span: 12, words: 'Heading', look: 'heading' }),
  'A few words': (id) => ({ kind: 'words', id, span: 12, words: 'A few words for whoever fills this in.' }),
  'A line across': (id) => ({ kind: 'line', id, span: 12 }),
}

const rowsPart = (id: string): FormPart => ({ kind: 'rows', id, span: 12 })

const fieldPart = (book: ReturnType<typeof useRecords>['book'], tableId: string, id: string): FormPart => {
  const usual = formLayout(book, tableId)
    .rows.flat()
    .find(({ field }) => field.id === id)
  return { kind: 'field', id, span: usual?.span ?? 4 }
}

/** Values of linked records, to stand beside the link. */
function LinkedMenu({ tableId, onPut }: { readonly tableId: string; readonly onPut: (part: FormPart) => void }) {
  const { book } = useRecords()
  const links = tableOf(book, tableId).fields.filter(({ kind }) => kind === 'link')
  if (links.length === 0) return null
  return (
    <Menu trigger={<WordButton>A value of a linked record</WordButton>}>
      {links.map((link) => {
        const target = tableOf(book, linkOf(book, link.id).one)
        const fields = target.fields.filter(
          ({ kind }) => kind !== 'link' && kind !== 'file' && kindOf(kind).control !== 'given',
        )
        return (
          <div key={link.id}>
            <MenuHead>{link.name}</MenuHead>
            {fields.map((field) => (
              <MenuItem
                key={field.id}
                onSelect={() =>
                  onPut({ kind: 'linked', id: freshId(), span: 6, link: link.id, field: fieldOf(target, field.id).id })
                }
              >
                {field.name}
              </MenuItem>
            ))}
          </div>
        )
      })}
    </Menu>
  )
}
