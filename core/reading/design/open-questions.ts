import { aOrAn, capital, plural } from '../../words'
import type { OpenQuestion, ReadTable, ReadTie } from '../../needs'
import type { Pair } from './ties'

/** What the words leave open, asked in the office's own nouns. */
export function openQuestions(
  tables: readonly ReadTable[],
  ties: readonly ReadTie[],
  pairs: readonly Pair[],
): OpenQuestion[] {
  const open: OpenQuestion[] = []
  for (const tie of ties) {
    const pair = pairs.find(
      (one) => (one.a === tie.from && one.b === tie.to) || (one.a === tie.to && one.b === tie.from),
    )
    if (!pair || tie.from === tie.to) continue
    const about = [capital(tie.from), capital(tie.to)]
    const [perFrom, perTo] = pair.a === tie.from ? [pair.perA, pair.perB] : [pair.perB, pair.perA]
    if (tie.kind === 'n-n' && (perFrom.loose || perTo.several === undefined))
      open.push({ text: `Can one ${tie.to} come up with more than one ${tie.from}?`, about })
    if (tie.kind === '1-n' && perTo.several === undefined)
      open.push({ text: `Can one ${tie.to} have more than one ${tie.from}?`, about })
    if (tie.kind === '1-n' && perFrom.several === undefined)
      open.push({ text: `Can one ${tie.from} have more than one ${tie.to}?`, about })
    if (tie.kind === '1-n' && perTo.least === undefined)
      open.push({ text: `May ${aOrAn(tie.to)} have no ${tie.from} yet?`, about })
  }
  for (const table of tables)
    if (table.fields.length === 0)
      open.push({ text: `What is to be kept about ${plural(table.name)}?`, about: [capital(table.name)] })
  return open
}
