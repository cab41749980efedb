import { type Book, findTable } from '../book'
import { counted } from '../words'
import { foldedTables, type MapReading } from './cards'
import { dependencies, type Dependency, type MadeFromKind, madeFromKinds, tableOfField } from './depends'
import { type LinkLine, linkLines, type MapLine } from './lines'

/** Everything in one table that is made from another, or bound to it, as one line with a direction. */
export interface Stream extends MapLine {
  readonly of: readonly Dependency[]
  /** How many fields go that way. */
  readonly width: number
}

/** A stream for each two tables of which one has something that is made from the other, in these ways. */
function streams(book: Book, { sense }: MapReading, kinds: ReadonlySet<MadeFromKind>): Stream[] {
  const folded = new Set(sense === 'logical' ? foldedTables(book).map(({ id }) => id) : [])
  const found = new Map<string, { one: string; many: string; of: Dependency[] }>()
  for (const dependency of dependencies(book)) {
    if (dependency.kind === 'link' || !kinds.has(dependency.kind)) continue
    const [one, many] = [tableOfField(book, dependency.from), tableOfField(book, dependency.to)]
    if (!one || !many || one === many || folded.has(one) || folded.has(many)) continue
    const id = streamId(one, many)
    found.set(id, { one, many, of: [...(found.get(id)?.of ?? []), dependency] })
  }
  return [...found].map(([id, { one, many, of }]) => {
    const width = new Set(of.map(({ to, kind, words }) => (kind === 'rule' ? words : to))).size
    return { id, one, many, of, width, label: width > 1 ? String(width) : '', back: '' }
  })
}

const streamId = (from: string, to: string) => `stream ${from} ${to}`

/** "Visit from Work line: 2 fields". */
export const sayStream = (book: Book, { one, many, width, of }: Stream): string =>
  `${findTable(book, many)?.name ?? ''} from ${findTable(book, one)?.name ?? ''}: ${of.every(({ kind }) => kind === 'rule') ? counted(width, 'rule') : counted(width, 'field')}`

export type AnyLine = LinkLine | Stream
export const isStream = (line: AnyLine): line is Stream => 'of' in line

const every: ReadonlySet<MadeFromKind> = new Set(madeFromKinds)

/** The lines that the reading shows between the cards; of streams those of the kinds that are asked for. */
export const mapLines = (book: Book, reading: MapReading, kinds = every): readonly AnyLine[] =>
  reading.view === 'links' ? linkLines(book, reading) : streams(book, reading, kinds)

/** How many fields, and rules, there are of each kind. */
export function countsOf(book: Book): Readonly<Record<MadeFromKind, number>> {
  const of = (kind: MadeFromKind) =>
    new Set(
      dependencies(book).flatMap((one) => (one.kind === kind ? [kind === 'rule' ? one.id.split(' ')[1] : one.to] : [])),
    ).size
  return {
    borrowed: of('borrowed'),
    copied: of('copied'),
    gathered: of('gathered'),
    workedOut: of('workedOut'),
    rule: of('rule'),
  }
}
