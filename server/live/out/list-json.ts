import type { Book } from '@/core/book'
import { displayOf } from '@/core/expressions'
import { kindOf } from '@/core/kinds'
import { isTogether, type Cell, type ReadColumn } from '@/core/lists'
import type { Json } from '@/core/words'
import { type Walk, walkList } from './walk-list'

/**
 * A list as JSON (RFC 8259): one object for each record, its values by their headings. Numbers are numbers, days and
 * moments as ISO 8601 has them, ticks true or false; what may be several is an array; what isn't there is null.
 */
export async function* jsonOfList(walk: Walk): AsyncGenerator<string> {
  const { columns, groups } = walk.read
  const { book } = walk.reads.live
  const names = apart([...groups, ...columns].map(({ heading }) => heading))
  yield '['
  let between = '\n'
  for await (const page of walkList(walk)) {
    const before = page.groups.map((words, at): [string, Json] => [names[at] ?? '', words])
    for (const { cells } of page.lines) {
      const values = columns.map((column, at): [string, Json] => [
        names[groups.length + at] ?? column.heading,
        jsonOf(book, column, cells[column.id] ?? null),
      ])
      // By hand, as an object would put names that are numbers first.
      const parts = [...before, ...values].map(([name, value]) => `${JSON.stringify(name)}:${JSON.stringify(value)}`)
      yield `${between}{${parts.join(',')}}`
      between = ',\n'
    }
  }
  yield '\n]\n'
}

/** Headings that are alike are counted, as an object has each name once. */
function apart(headings: readonly string[]): string[] {
  const taken = new Set<string>()
  return headings.map((heading) => {
    let name = heading
    for (let count = 2; taken.has(name); count++) name = `${heading} ${count}`
    taken.add(name)
    return name
  })
}

function jsonOf(book: Book, column: ReadColumn, cell: Cell | readonly Cell[]): Json {
  if (isTogether(cell)) return cell.map((one) => jsonOf(book, column, one))
  if (cell === null) return null
  if (typeof cell === 'object') return cell.label
  const { control, align } = kindOf(displayOf(book, column.face).kind)
  if (control === 'tick') return cell === '1'
  return align === 'end' && isSafe(cell) ? Number(cell) : cell
}

/** Whether a number comes back from JSON as it went in. */
const isSafe = (text: string) => text.replace(/^-|\.|^-?0+(?=\d)/g, '').length <= 15 && /^-?\d+(\.\d+)?$/.test(text)
