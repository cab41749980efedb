import { createWriteStream } from 'node:fs'
import { finished } from 'node:stream/promises'
import type { List } from '@/core/book'
import { makeReady } from '@/core/reports'
import {
  documentsWork,
  dropEdition,
  editionNow,
  editionFile,
  laidEdition,
  handOut,
  startEdition,
  type Writings,
} from '@/server/reports'
import type { BenchBook } from './book'

const many = 1000
const together = 500

/** Letters, one page each: when the first is there, how long all take, how quickly they are a PDF, and handing them out. */
export async function benchLetters({ db, live, id: book, account, plain }: BenchBook): Promise<void> {
  await plain.query(
    `INSERT INTO premises (premises_number, address, town) SELECT CONCAT('P-', LPAD(seq, 4, '0')), CONCAT(seq, ' Quay Lane'), ELT(1 + seq MOD 4, 'Otterby', 'Saltmere', 'Quenby', 'Netherweir') FROM seq_1_to_400`,
  )
  await plain.query(
    `INSERT INTO visit (visit_code, premises, booked_for, state) SELECT CONCAT('V-', LPAD(seq, 6, '0')), CONCAT('P-', LPAD(1 + seq MOD 400, 4, '0')), DATE_ADD('2024-01-01', INTERVAL seq HOUR), 'booked' FROM seq_1_to_${many}`,
  )
  const list: List = {
    id: 'bench',
    table: 'visit',
    columns: [{ id: 'key', shows: { kind: 'field', place: { way: [], field: 'visit__key' } } }],
    asks: [],
    order: [{ column: 'key' }],
  }
  const writings: Writings = {
    reads: { db, live },
    template: makeReady(live.book, 'visit', 'letter', 'bench'),
    answers: { given: {}, now: { moment: '2027-03-12T10:00' }, lists: [list] },
    of: { list },
    letterhead: { name: 'Emberly Flue Care', lines: '4 Ferry Lane\nOtterby' },
    who: 'Bench',
  }
  const work = documentsWork(writings)
  if ('problem' in work) throw new Error('The letter cannot be written.')
  const began = performance.now()
  const { id } = await startEdition('bench', 'bench', () => work)
  const until = async (isSo: () => boolean) => {
    while (!isSo()) await new Promise((later) => setTimeout(later, 5))
    return performance.now() - began
  }
  const first = await until(() => (editionNow(id, 'bench', 'bench')?.pages ?? 0) > 0)
  const all = await until(() => editionNow(id, 'bench', 'bench')?.laid !== undefined)
  const { pages } = editionNow(id, 'bench', 'bench')!
  const written = performance.now()
  await finished(editionFile(laidEdition(id, 'bench', 'bench')!, 'pdf', 'Bench').pipe(createWriteStream('/dev/null')))
  const took = performance.now() - written
  await dropEdition(id, 'bench')
  const template = { ...writings.template, handed: { numbered: { prefix: 'L-', width: 4 } } }
  const handing = performance.now()
  const handed = await handOut({
    db,
    book,
    account,
    writings: { ...writings, template, of: { list: { ...list, first: together } } },
  })
  const tookHanding = performance.now() - handing
  process.stdout.write(
    `${many} letters on ${pages} pages: the first after ${Math.round(first)} ms, all after ${Math.round(all)} ms; as a PDF ${Math.round((pages * 1000) / took)} pages a second; ${together} handed out, each a PDF with its number, in ${Math.round(tookHanding)} ms${handed.ok ? '' : `, refused: ${handed.problem.kind}`}\n`,
  )
}
