import { createWriteStream } from 'node:fs'
import { finished } from 'node:stream/promises'
import type { List, Report } from '@/core/book'
import { dropEdition, editionFile, editionNow, laidEdition, reportWork, startEdition } from '@/server/reports'
import type { BenchBook } from './book'

const many = 100_000

/** Many visits on paper: when the first page is there, how long all of them take, and how quickly they become a PDF. */
export async function benchReports({ db, live, plain }: BenchBook): Promise<void> {
  await plain.query(
    `INSERT INTO premises (premises_number, address, town) SELECT CONCAT('P-', LPAD(seq, 4, '0')), CONCAT(seq, ' Quay Lane'), ELT(1 + seq MOD 4, 'Otterby', 'Saltmere', 'Quenby', 'Netherweir') FROM seq_1_to_400`,
  )
  await plain.query(
    `INSERT INTO visit (visit_code, premises, booked_for, state, ladder_height, note) SELECT CONCAT('V-', LPAD(seq, 6, '0')), CONCAT('P-', LPAD(1 + seq MOD 400, 4, '0')), DATE_ADD('2024-01-01', INTERVAL seq HOUR), 'booked', 6.5, IF(seq MOD 9 = 0, 'Ring twice, the bell is hard to hear in the yard', NULL) FROM seq_1_to_${many}`,
  )
  const premises = [{ to: 'one' as const, field: 'visit__premises' }]
  const field = (id: string, way: typeof premises = []) => ({
    id,
    shows: { kind: 'field' as const, place: { way, field: id } },
  })
  const list: List = {
    id: 'bench',
    table: 'visit',
    name: 'All visits',
    columns: [
      field('visit__key'),
      field('visit__booked-for'),
      field('premises__address', premises),
      field('premises__town', premises),
      field('visit__state'),
      field('visit__note'),
      field('visit__ladder-height'),
    ],
    asks: [],
    order: [{ column: 'visit__key' }],
  }
  const report: Report = {
    id: 'report',
    list: 'bench',
    paper: { size: 'a4', margin: 18 },
    letters: 8,
    rows: 'lines',
    room: 'usual',
  }
  const answers = { given: {}, now: { moment: '2027-03-12T10:00' }, lists: [list] }
  const began = performance.now()
  const { id } = await startEdition('bench', 'bench', () =>
    reportWork({ reads: { db, live }, list, report, answers, who: 'Bench' }),
  )
  const until = async (isSo: () => boolean) => {
    while (!isSo()) await new Promise((later) => setTimeout(later, 5))
    return performance.now() - began
  }
  const now = () => editionNow(id, 'bench', 'bench')
  const first = await until(() => (now()?.pages ?? 0) > 0)
  const all = await until(() => now()?.laid !== undefined)
  const pages = now()!.pages
  process.stdout.write(
    `${many} rows by seven columns on ${pages} pages: the first after ${Math.round(first)} ms, all after ${Math.round(all)} ms\n`,
  )
  for (const count of [1000, pages]) {
    const written = performance.now()
    const made = editionFile({ ...laidEdition(id, 'bench', 'bench')!, count }, 'pdf', 'Bench')
    let most = 0
    const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 50)
    await finished(made.pipe(createWriteStream('/dev/null')))
    clearInterval(watch)
    const took = performance.now() - written
    process.stdout.write(
      `${count} of them as a PDF: ${Math.round((count * 1000) / took)} pages a second, at most ${Math.round(most / 1e6)} MB\n`,
    )
  }
  await dropEdition(id, 'bench')
}
