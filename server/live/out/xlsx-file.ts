import { createWriteStream } from 'node:fs'
import type { Readable } from 'node:stream'
import ExcelJS from 'exceljs'
import { writtenFile } from './written-file'

export type Workbook = InstanceType<typeof ExcelJS.stream.xlsx.WorkbookWriter>

/** A spreadsheet, written before it is sent. */
export const xlsxFile = (write: (workbook: Workbook) => Promise<void>): Promise<Readable> =>
  writtenFile(async (file) => {
    const workbook = new ExcelJS.stream.xlsx.WorkbookWriter({ stream: createWriteStream(file), useStyles: true })
    await write(workbook)
    await workbook.commit()
  })

/** A name that a sheet can have: 31 letters, none of those that addresses are made of. */
export function sheetName(name: string, count: number): string {
  const plain = name.replace(/[[\]:*?/\\]/g, ' ').replace(/^'+|'+$/g, '')
  const end = count > 1 ? ` ${count}` : ''
  return `${plain.slice(0, 31 - end.length).trim() || 'List'}${end}`
}
