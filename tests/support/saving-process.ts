import { addDays } from '@/core/kinds'
import { catalogue } from '@/server/catalogue'
import { findBook } from '@/server/books'
import { liveOf, saveRecord } from '@/server/live'

// Saves visits one after another and says the reference of each once it was acknowledged, until it is killed.
const [bookId, premises, link, firstDay, ...items] = process.argv.slice(2) as [
  string,
  string,
  string,
  string,
  ...string[],
]
const db = await catalogue()
const live = liveOf((await findBook(db, bookId))!)
if (!live.ok) throw new Error('Expected an open book.')
const rows = items.map((item) => ({
  ref: null,
  rev: null,
  values: { 'work-line__service-item': item, 'work-line__quantity': '1' },
}))
// No two visits to one premises may overlap: each is a day later.
let day = firstDay
const moment = () => `${(day = addDays(day, 1))}T09:30`
for (;;) {
  const outcome = await saveRecord(
    { db, live: live.value, who: 'Process' },
    {
      table: 'visit',
      ref: null,
      rev: null,
      values: { visit__premises: premises, 'visit__booked-for': moment(), visit__state: 'booked' },
      children: [{ link, rows }],
    },
  )
  if (outcome.kind !== 'saved') throw new Error(JSON.stringify(outcome))
  process.stdout.write(`${outcome.record.row.ref}\n`)
}
