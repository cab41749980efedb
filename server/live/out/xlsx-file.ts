import { createReadStream, createWriteStream } from 'node:fs'
import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import type { Readable } from 'node:stream'
import ExcelJS from 'exceljs'

export type Workbook = InstanceType<typeof ExcelJS.stream.xlsx.WorkbookWriter>

/**
 * A spreadsheet that is written to a file first, so that a million rows need no more memory than a thousand, and what
 * goes wrong is known before anything is sent.
 */
export async function xlsxFile(write: (workbook: Workbook) => Promise<void>): Promise<Readable> {
  const folder = await mkdtemp(path.join(tmpdir(), 'hearth-list-'))
  try {
    const file = path.join(folder, 'list.xlsx')
    const out = createWriteStream(file)
    const workbook = new ExcelJS.stream.xlsx.WorkbookWriter({ stream: out, useStyles: true })
    await write(workbook)
    await workbook.commit()
    const sent = createReadStream(file)
    await new Promise<void>((opened, failed) => sent.once('open', () => opened()).once('error', failed))
    return sent
  } finally {
    // What is open can be read to its end.
    await rm(folder, { recursive: true, force: true })
  }
}

/** A name that a sheet can have: 31 letters, none of those that addresses are made of. */
export function sheetName(name: string, count: number): string {
  const plain = name.replace(/[[\]:*?/\\]/g, ' ').replace(/^'+|'+$/g, '')
  const end = count > 1 ? ` ${count}` : ''
  return `${plain.slice(0, 31 - end.length).trim() || 'List'}${end}`
}
