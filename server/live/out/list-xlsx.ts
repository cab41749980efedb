import type { Readable } from 'node:stream'
import type ExcelJS from 'exceljs'
import { inWords, nameOf, type ReadFigure, sayList } from '@/core/lists'
import { askGroups } from '../read/ask-groups'
import { spread, type Walk, type WalkedPage, walkList } from './walk-list'
import { numberFormat, xlsxValue } from './xlsx-cells'
import { sheetName, type Workbook, xlsxFile } from './xlsx-file'

/** As many rows as a sheet of the standard (ECMA-376) can have, its heading among them; what is more goes on another. */
const mostRows = 1_048_576

const widest = 60

/**
 * A list as a spreadsheet (OOXML): numbers, days and ticks as such, what stands beneath the columns in the last row, and
 * a sheet that says what was asked.
 */
export const xlsxOfList = (walk: Walk, rowsOfSheet = mostRows): Promise<Readable> =>
  xlsxFile((workbook) => writeSheets(workbook, walk, rowsOfSheet))

async function writeSheets(workbook: Workbook, walk: Walk, rowsOfSheet: number): Promise<void> {
  const { read, list, reads, answers } = walk
  const { book } = reads.live
  const name = nameOf({ ...book, lists: answers.lists ?? [] }, list)
  let sheet: ExcelJS.Worksheet | undefined
  let [rows, sheets] = [0, 0]
  for await (const page of walkList(walk)) {
    for (const line of page.lines.flatMap((one) => spread(read.columns, one))) {
      if (rows === rowsOfSheet) {
        sheet?.commit()
        sheet = undefined
      }
      if (!sheet) {
        sheet = begin(workbook, walk, sheetName(name, ++sheets), page)
        rows = 1
      }
      const values = read.columns.map((column, at) => xlsxValue(book, column, line[at] ?? null))
      sheet.addRow([...page.groups, ...values]).commit()
      rows++
    }
  }
  sheet ??= begin(workbook, walk, sheetName(name, ++sheets), { groups: [], lines: [] })
  await writeFigures(sheet, walk, { rows, whole: sheets === 1 })
  sheet.commit()
  const about = workbook.addWorksheet('About')
  about.getColumn(1).width = 100
  for (const words of [
    name,
    sayList({ ...book, lists: answers.lists ?? [] }, list),
    `Read ${answers.now.moment.replace('T', ' ')}`,
  ])
    about.addRow([words])
  about.commit()
}

/** A sheet with its headings, its columns as wide as the first of what stands in them. */
function begin(workbook: Workbook, { read, reads }: Walk, name: string, page: WalkedPage): ExcelJS.Worksheet {
  const { book } = reads.live
  const sheet = workbook.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] })
  const first = page.lines.slice(0, 200).flatMap((line) => spread(read.columns, line))
  const longest = (heading: string, words: readonly string[]) =>
    Math.min(widest, Math.max(...[heading, ...words].map((one) => one.length)) + 2)
  sheet.columns = [
    ...read.groups.map(({ heading }, at) => ({ header: heading, width: longest(heading, [page.groups[at] ?? '']) })),
    ...read.columns.map((column, at) => {
      const format = numberFormat(book, column.face)
      return {
        header: column.heading,
        width: longest(
          column.heading,
          first.map((cells) => inWords(book, column, cells[at] ?? null)),
        ),
        style: format && column.kind !== 'several' ? { numFmt: format } : {},
      }
    }),
  ]
  const head = sheet.getRow(1)
  head.font = { bold: true }
  head.commit()
  return sheet
}

/** What all records come to; a plain total is a sum of the column above it, so that it follows what is changed there. */
async function writeFigures(
  sheet: ExcelJS.Worksheet,
  walk: Walk,
  { rows, whole }: { readonly rows: number; readonly whole: boolean },
): Promise<void> {
  const { read, reads, list, answers } = walk
  if (read.figures.length === 0) return
  const found = await askGroups(reads, list, answers, { by: [] })
  const all = 'faults' in found ? undefined : found.groups[0]
  if (!all) return
  const values = read.columns.map((column, at) => {
    const figure = read.figures.find((one) => one.column.id === column.id)
    if (!figure) return null
    const result = xlsxValue(reads.live.book, figure, all.figures[column.id] ?? null)
    const letter = sheet.getColumn(read.groups.length + at + 1).letter
    return whole && rows > 1 && isSumOfColumn(walk, figure)
      ? { formula: `SUM(${letter}2:${letter}${rows})`, result: result as number }
      : result
  })
  const named = read.groups.length > 0 || values[0] === null
  const row = sheet.addRow(['', ...read.groups.slice(1).map(() => ''), ...values].slice(read.groups.length > 0 ? 0 : 1))
  if (named) row.getCell(1).value = 'All'
  row.font = { bold: true }
  for (const [at, column] of read.columns.entries()) {
    const figure = read.figures.find((one) => one.column.id === column.id)
    const format = figure && numberFormat(reads.live.book, figure.face)
    if (format) row.getCell(read.groups.length + at + 1).numFmt = format
  }
  row.commit()
}

/** Whether every record stands there once and with a number of its own, all of them in sight. */
const isSumOfColumn = ({ read }: Walk, { name, column, way }: ReadFigure): boolean =>
  name === 'total' &&
  column.kind === 'field' &&
  way.length === 0 &&
  read.first === undefined &&
  read.groups.every(({ first }) => first === undefined)
