import { parse } from 'papaparse'

/** The cells of a block as spreadsheets put it on the clipboard: tabs between cells, quotes around those with lines in them. */
export const cellsOfText = (text: string): readonly (readonly string[])[] =>
  parse<string[]>(text.replace(/\r\n?/g, '\n').replace(/\n+$/, ''), { delimiter: '\t', newline: '\n' }).data

/** The cells of the first table of a page that was copied; none where there is none. */
export function cellsOfPage(page: string): readonly (readonly string[])[] | undefined {
  const table = new DOMParser().parseFromString(page, 'text/html').querySelector('table')
  if (!table) return undefined
  return [...table.rows].map((row) =>
    [...row.cells].flatMap((cell) => [(cell.textContent ?? '').trim(), ...Array<string>(cell.colSpan - 1).fill('')]),
  )
}

/** A block of cells as spreadsheets take it. */
export const textOfCells = (cells: readonly (readonly string[])[]): string =>
  cells
    .map((line) => line.map((text) => (/[\t\n"]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text)).join('\t'))
    .join('\n')
