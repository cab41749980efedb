import type { Template } from '@/core/book'
import { Designing } from './derived-design'
import { field, tie } from './edits'

/** Jobs with lines, whose total freezes once they are billed; a job that isn't ready may not be billed. */
const jobs = new Designing().do(
  { kind: 'addTable', id: 'job', name: 'Job', keyField: 'job-key' },
  ...field('job', 'email', 'Address', 'email'),
  ...field('job', 'ready', 'Ready on', 'date'),
  ...field('job', 'billed', 'Billed on', 'date'),
  { kind: 'addTable', id: 'line', name: 'Line', keyField: 'line-key' },
  ...field('line', 'amount', 'Amount', 'money'),
  tie('job', 'line', { link: 'line-job', field: 'line__job' }),
)
jobs
  .derived('job', 'work', 'Work', 'gathered', 'SUM(Line.Amount)')
  .derived('job', 'total', 'Total', 'workedOut', 'COALESCE(Work, 0)', '"Billed on" IS NOT NULL')
  .do({
    kind: 'addRule',
    id: 'ready-first',
    table: 'job',
    says: { kind: 'holds', tree: jobs.tree('job', '"Billed on" IS NULL OR "Ready on" IS NOT NULL') },
    words: 'A job is billed when it is ready.',
  })

export const billedJobs = jobs.edits

const own = (id: string, name: string) => ({
  id,
  shows: { kind: 'field' as const, place: { way: [], field: name } },
})
/** What is noted in “Billed on”, with the lines that it is of. */
export const jobBill: Template = {
  id: 'bill',
  table: 'job',
  name: 'Bill',
  paper: { size: 'a4', margin: 20 },
  letters: 10,
  handed: { numbered: { prefix: 'B-', width: 3 }, notes: 'billed' },
  columns: [own('total', 'total'), own('billed', 'billed'), own('mail', 'email')],
  blocks: [
    { kind: 'fields', across: 1, columns: ['total', 'billed'] },
    {
      kind: 'rows',
      id: 'lines',
      way: [{ to: 'rows', link: 'line-job' }],
      columns: [own('amount', 'amount')],
      order: [],
      figures: [{ column: 'amount', name: 'total' }],
    },
  ],
  mail: { to: 'mail', subject: [{ kind: 'text', words: 'Bill' }], message: [[{ kind: 'text', words: 'Good day' }]] },
}
