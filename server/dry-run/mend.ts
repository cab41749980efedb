import { fieldOf, isUnique } from '@/core/book'
import { isTyped, type Value } from '@/core/kinds'
import type { MakeUp } from '@/core/made-up'
import type { Catalogue } from '../catalogue'
import { violationsOf, violatedRules, type Live, readRecord, saveRecord } from '../live'

const mostRecords = 60
const tries = 6

/**
 * Made-up records that break a rule together with others, which chance doesn't know: what the rule says of the record
 * itself is made up anew, until it is kept or was tried often enough. Links and what must be different stay.
 */
export async function mend(db: Catalogue, live: Live, makeUp: MakeUp): Promise<void> {
  for (const { own } of await violatedRules({ db, live })) {
    const { table, rule } = own
    const fields = own.fields
      .map((id) => fieldOf(table, id))
      .filter((field) => isTyped(field) && field.kind !== 'link' && !isUnique(table, field))
    if (fields.length === 0 || table.key.length === 0) continue
    const broken = await violationsOf({ db, live }, live.book, rule.id, mostRecords)
    for (const { ref } of broken?.first ?? []) {
      for (let attempt = 0; attempt < tries; attempt++) {
        const values: Record<string, Value> = Object.fromEntries(
          fields.map((field) => [field.id, makeUp(table, field)]),
        )
        if (await isSaved(db, live, table.id, ref, values)) break
      }
    }
  }
}

async function isSaved(db: Catalogue, live: Live, table: string, ref: string, values: Record<string, Value>) {
  const record = await readRecord({ db, live }, table, ref)
  if (!record.ok) return true
  const outcome = await saveRecord(
    { db, live, who: 'Dry run' },
    { table, ref, rev: record.value.row.rev, values, children: [] },
  )
  return outcome.kind === 'saved'
}
