import { emberlyDesign } from '@/demo/emberly/design'
import { tableOf } from '@/core/book'
import { compile, type Facts, readExpression } from '@/core/expressions'
import { wordProblem } from '@/core/words'

const times = 1_000_000

/** A simple row rule computed a million times, and reading it once. */
export function benchExpressions(): void {
  const { book } = emberlyDesign()
  const now = { moment: '2027-03-12T09:30' }
  for (const [what, source] of [
    ['two numbers compared', '"Ladder height" <= 14'],
    ['two facts compared, or blank', '"Booked for" >= TIMESTAMP \'2020-01-01 08:00\' OR "Ladder height" IS NULL'],
    ['a choice and a number', 'State = \'booked\' AND "Ladder height" * 1.5 < 30'],
  ] as const) {
    const started = performance.now()
    const read = readExpression(book, tableOf(book, 'visit'), source)
    if ('problem' in read) throw new Error(wordProblem(read.problem))
    const reading = performance.now() - started
    const compute = compile(read.tree)
    const rows: Facts[] = Array.from({ length: 64 }, (_, at) => {
      const values: Record<string, string | null> = {
        'visit__ladder-height': at % 9 === 0 ? null : `${at % 15}.5`,
        'visit__booked-for': `2026-0${(at % 9) + 1}-12T09:30`,
        visit__state: at % 2 ? 'booked' : 'done',
      }
      return { value: (field) => values[field] ?? null, linked: () => undefined, rows: () => [] }
    })
    const begun = performance.now()
    let held = 0
    for (let at = 0; at < times; at++) if (compute(rows[at % 64]!, now) === true) held++
    const each = performance.now() - begun
    process.stdout.write(
      `${what.padEnd(32)} ${(times / each / 1000).toFixed(2)} million a second (aim 1; ${((100 * held) / times).toFixed(0)} % held), read in ${reading.toFixed(1)} ms\n`,
    )
  }
}
