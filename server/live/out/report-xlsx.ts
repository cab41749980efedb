import type ExcelJS from 'exceljs'
import type { Report } from '@/core/book'
import type { ReadColumn, ReadFigure } from '@/core/lists'
import { nth } from '@/core/words'
import { reportPieces, type ReportPiece, type ReportWalk } from './report-parts'
import { spread } from './walk-list'
import { numberFormat, xlsxValue } from './xlsx-cells'
import { sheetName, type Workbook, xlsxFile } from './xlsx-file'

/** Paper by the numbers that the standard has for it (ECMA-376, ST_PaperSize). */
const paperNumbers: Readonly<Record<string, number>> = { letter: 1, legal: 5, a4: 9, a5: 11 }
const points = 72 / 25.4

/** As many rows as a sheet of the standard can have. */
const mostRows = 1_048_576

/**
 * A report as a spreadsheet (OOXML): groups as levels of an outline, what they come to as sums of the rows above where it
 * is that, and the paper that the report is for.
 */
export const xlsxOfReport = (walk: ReportWalk, report: Report, title: string) =>
  xlsxFile(async (workbook) => {
    const sheet = begin(workbook, walk, report, title)
    const writer = new Writer(sheet, walk)
    for await (const piece of reportPieces(walk)) writer.piece(piece)
    sheet.commit()
  })

function begin(workbook: Workbook, { read, shown }: ReportWalk, { paper }: Report, title: string): ExcelJS.Worksheet {
  const size = typeof paper.size === 'string' ? paperNumbers[paper.size] : undefined
  const margin = (paper.margin * points) / 72
  const sheet = workbook.addWorksheet(sheetName(title, 1), {
    views: [{ state: 'frozen', ySplit: 1 }],
    properties: { outlineLevelRow: read.groups.length },
    pageSetup: {
      ...(size && { paperSize: size as ExcelJS.PaperSize }),
      orientation: paper.turned ? 'landscape' : 'portrait',
      fitToPage: true,
      fitToWidth: 1,
      fitToHeight: 0,
      printTitlesRow: '1:1',
      margins: { left: margin, right: margin, top: margin, bottom: margin, header: 0.3, footer: 0.3 },
    },
    headerFooter: { oddFooter: '&L&A&RPage &P of &N' },
  })
  sheet.columns = shown.map((place) => {
    const { heading } = nth(read.columns, place)
    return { header: heading, width: Math.min(60, Math.max(12, heading.length + 2)) }
  })
  const head = sheet.getRow(1)
  head.font = { bold: true }
  head.commit()
  return sheet
}

/** Writes rows as they come; how far up a sum reaches is where its group began. */
class Writer {
  private row = 1
  private readonly begun: number[] = []
  constructor(
    private readonly sheet: ExcelJS.Worksheet,
    private readonly walk: ReportWalk,
  ) {}

  piece(piece: ReportPiece): void {
    switch (piece.kind) {
      case 'group':
        this.begun[piece.level] = this.row + 1
        return this.write([piece.words], piece.level, true)
      case 'lines':
        for (const line of piece.lines)
          for (const cells of spread(this.walk.read.columns, line))
            this.write(
              this.walk.shown.map((place) => xlsxValue(this.book, this.column(place), cells[place] ?? null)),
              this.walk.read.groups.length,
              false,
            )
        return
      case 'sum':
        return this.sum(piece)
    }
  }

  private get book() {
    return this.walk.reads.live.book
  }

  private column(place: number): ReadColumn {
    return nth(this.walk.read.columns, place)
  }

  private sum({ level, words, of }: Extract<ReportPiece, { kind: 'sum' }>): void {
    const { read, shown } = this.walk
    const from = level === undefined ? 2 : (this.begun[level] ?? 2)
    const cells = shown.map((place, at) => {
      const { id } = this.column(place)
      const figure = read.figures.find((one) => one.column.id === id)
      if (!figure) return at === 0 ? words : null
      const result = xlsxValue(this.book, figure, of.figures[id] ?? null)
      const letter = this.sheet.getColumn(at + 1).letter
      // SUBTOTAL leaves out what is a subtotal itself.
      return isPlainSum(read, figure) && this.row > from
        ? { formula: `SUBTOTAL(9,${letter}${from}:${letter}${this.row})`, result: result as number }
        : result
    })
    const isNamed = cells[0] === words
    if (!isNamed) this.write([words], level ?? 0, true)
    this.write(cells, level ?? 0, true)
  }

  private write(values: readonly unknown[], level: number, bold: boolean): void {
    this.row++
    if (this.row > mostRows) throw new Error('A report is longer than a sheet.')
    const row = this.sheet.addRow([...values])
    if (level > 0) row.outlineLevel = level
    if (bold) row.font = { bold: true }
    for (const [at, place] of this.walk.shown.entries()) {
      const format = numberFormat(this.book, this.column(place).face)
      if (format && typeof row.getCell(at + 1).value !== 'string') row.getCell(at + 1).numFmt = format
    }
    row.commit()
  }
}

/** A total of what stands in the rows themselves, each of them once, and all of them in sight. */
const isPlainSum = ({ first, groups }: ReportWalk['read'], { name, column, way }: ReadFigure): boolean =>
  name === 'total' &&
  column.kind === 'field' &&
  way.length === 0 &&
  first === undefined &&
  groups.every((group) => group.first === undefined)
