import { type Book, type Edit, freeName, limits, numberName } from '../book'
import { hintedKind } from '../kinds'
import { isPlainNumber, type Proposal, tableCalled } from './proposals'
import type { ReadField, ReadTie } from './reading'

interface MadeTable {
  readonly id: string
  readonly name: string
  /** Its fields' ids by their names in small letters. */
  readonly fields: Map<string, string>
}

/**
 * The edits that take proposals into the book and tie them to their needs. What a proposal can't stand
 * without comes too: a field's table, a tie's two ends. `freshId` gives a new id at each call.
 */
export function acceptEdits(book: Book, chosen: readonly Proposal[], freshId: () => string): Edit[] {
  const edits: Edit[] = []
  const keyed: { readonly table: string; readonly edit: Edit }[] = []
  const made = new Map<string, MadeTable>()
  const numbers = new Map<string, string>()
  const tie = (needs: readonly number[], part: string) => {
    for (const at of needs) {
      const need = book.needs[at]
      if (need && !need.metBy.includes(part)) edits.push({ kind: 'tieNeed', need: need.id, part, met: true })
    }
  }
  const tableFor = (name: string): MadeTable => {
    const known = made.get(name.toLowerCase())
    if (known) return known
    const here = tableCalled(book, name)
    const table = here
      ? { ...here, fields: new Map(here.fields.map((field) => [field.name.toLowerCase(), field.id])) }
      : { id: freshId(), name, fields: new Map<string, string>() }
    if (!here) {
      const keyField = freshId()
      edits.push({ kind: 'addTable', id: table.id, name, keyField })
      table.fields.set(numberName(name).toLowerCase(), keyField)
      numbers.set(keyField, name)
    }
    made.set(name.toLowerCase(), table)
    return table
  }
  const field = (name: string, read: ReadField, needs: readonly number[]) => {
    const table = tableFor(name)
    const known =
      table.fields.get(read.name.toLowerCase()) ??
      (isPlainNumber(read) ? table.fields.get(numberName(table.name).toLowerCase()) : undefined)
    const id = known ?? freshId()
    if (!known) {
      table.fields.set(read.name.toLowerCase(), id)
      edits.push({ kind: 'addField', table: table.id, id, name: read.name, holds: read.kind })
      const to = {
        ...(read.choices?.length && { choices: read.choices.map((word) => ({ id: freshId(), word })) }),
        ...(read.must && { must: true }),
        ...(read.unit && ['whole', 'exact', 'measured'].includes(read.kind) && { unit: read.unit }),
      }
      if (Object.keys(to).length > 0) edits.push({ kind: 'changeField', field: id, to })
    }
    const of = numbers.get(id)
    const holds = of && numberHolds(of, read)
    if (holds) keyed.push({ table: table.id, edit: { kind: 'changeField', field: id, to: { kind: holds } } })
    numbers.delete(id)
    tie(needs, id)
    return id
  }
  const order = { table: 0, field: 1, tie: 2 } as const
  const joinings = new Map<string, { table: string; links: [string, string]; what: ReadTie }>()
  const tieCards = new Set(
    chosen.flatMap((one) => (one.kind === 'tie' && one.what.kind === 'n-n' && !one.part ? [one.table] : [])),
  )
  const sorted = [...chosen].sort((a, b) => order[a.kind] - order[b.kind])
  for (const proposal of sorted) {
    if (proposal.kind === 'table') tie(proposal.needs, tableFor(proposal.table).id)
    else if (proposal.kind === 'field' && !tieCards.has(proposal.table))
      field(proposal.table, proposal.what, proposal.needs)
    else if (proposal.kind === 'tie' && proposal.part) tie(proposal.needs, proposal.part)
    else if (proposal.kind === 'tie') {
      const { what } = proposal
      const [from, to] = [tableFor(what.from), tableFor(what.to)]
      const ids = {
        table: freshId(),
        links: [freshId(), freshId()] as [string, string],
        fields: [freshId(), freshId()] as [string, string],
      }
      const joined = what.kind === 'n-n'
      edits.push({
        kind: 'answerPairing',
        a: from.id,
        b: to.id,
        aHasSeveral: what.kind !== '1-1',
        bHasSeveral: joined,
        aMust: what.least,
        bMust: joined ? false : what.must,
        ...(joined && { name: freeName(proposal.table, book.tables) }),
        ids,
      })
      if (joined) {
        joinings.set(proposal.table, { table: ids.table, links: ids.links, what })
        made.set(proposal.table.toLowerCase(), { id: ids.table, name: proposal.table, fields: new Map() })
      }
      tie(proposal.needs, joined ? ids.table : ids.links[0])
      const { limit } = what
      const per = limit && (limit.per === what.from ? ids.links[0] : joined ? ids.links[1] : undefined)
      if (limit && per) edits.push({ kind: 'limitLink', link: per, limits: [{ id: freshId(), most: limit.most }] })
      // Rows that hold what something has several of are part of it.
      const rows = chosen.some((one) => one.kind === 'table' && one.what.rowsOf === what.from && one.table === what.to)
      const says = joined ? undefined : what.says
      const more = {
        ...(rows && { onRemove: 'remove' as const }),
        ...readsAs(says?.there, 'label'),
        ...readsAs(says?.back, 'back'),
      }
      if (Object.keys(more).length > 0) edits.push({ kind: 'changeLink', link: ids.links[0], ...more })
    }
  }
  for (const proposal of sorted) {
    if (proposal.kind !== 'field' || !tieCards.has(proposal.table)) continue
    const id = field(proposal.table, proposal.what, proposal.needs)
    const joining = joinings.get(proposal.table)
    const { limit } = proposal.what
    if (!joining || !limit) continue
    const link = joining.links[limit.per === joining.what.from ? 0 : 1]
    const all = joining.what.limit?.per === limit.per ? [{ id: freshId(), most: joining.what.limit.most }] : []
    edits.push({
      kind: 'limitLink',
      link,
      limits: [...all, { id: freshId(), most: limit.most, when: { field: id, is: '1' } }],
    })
  }
  // What bears a number is known by it, or by its name; the book's numbers give way to the first words there are.
  for (const { table, edit } of keyed) {
    const hasName = edits.some((one) => one.kind === 'addField' && one.table === table && properName.test(one.name))
    const from = edits.findIndex((one) => one.kind === 'addTable' && one.id === table)
    edits.splice(hasName ? edits.length : from + 1, 0, edit)
  }
  return edits
}

const properName = /\b(name|title)$/i

/** How a tie reads, where a book takes words that long. */
const readsAs = (words: string | undefined, as: 'label' | 'back') =>
  words && words.length <= limits.nameLength ? { [as]: words } : {}

/** "A plot has a number": what plots are told apart by, typed as it stands on the plot. A document's the book gives. */
function numberHolds(table: string, read: ReadField): 'code' | 'whole' | undefined {
  const name = numberName(table)
  const kind = hintedKind(name) === 'running' || !name.startsWith(table) ? 'running' : read.kind
  return kind === 'code' || kind === 'whole' ? kind : undefined
}

/** What must be accepted along: nothing stands without its table or its two ends. */
export function withWhatTheyNeed(all: readonly Proposal[], chosen: readonly Proposal[]): Proposal[] {
  const wanted = new Set(chosen.map((one) => one.id))
  for (const one of chosen) {
    const tables = one.kind === 'tie' ? [one.what.from, one.what.to] : [one.table]
    for (const table of tables) {
      const found = all.find((other) => other.kind === 'table' && other.table === table)
      if (found && found.state !== 'here') wanted.add(found.id)
    }
    // A fact of a tie needs the tie, and its two ends.
    const tie = one.kind === 'field' ? tieOf(all, one.table) : undefined
    if (tie && tie.state !== 'here') for (const id of [tie.id, ...endsOf(all, tie)]) wanted.add(id)
  }
  return all.filter((one) => wanted.has(one.id))
}

type TieProposal = Extract<Proposal, { kind: 'tie' }>

const tieOf = (all: readonly Proposal[], card: string) =>
  all.find((one): one is TieProposal => one.kind === 'tie' && one.what.kind === 'n-n' && one.table === card)

const endsOf = (all: readonly Proposal[], { what }: TieProposal) =>
  all
    .filter((one) => one.kind === 'table' && one.state !== 'here' && [what.from, what.to].includes(one.table))
    .map((one) => one.id)
