import { splitNeeds } from '@/core/needs'
import { plainReading, readNeeds } from '@/core/reading'
import { type Brief, briefsIn } from '@/tests/briefs/brief'
import { aspects, f1, score, type Scores, sum } from '@/tests/briefs/score'

/** How well and how fast needs are read: on the briefs worked with, and on those held back. */
export function benchNeeds(): void {
  for (const folder of ['texts', 'held-back'] as const) {
    const all = briefsIn(folder).map(scored)
    tell(folder === 'texts' ? 'briefs worked with' : 'briefs held back', sum(all), all.length)
  }
  const words = briefsIn('texts')
    .flatMap((brief) => splitNeeds(brief.text))
    .join('\n')
  // Another reading of the same words would find them classed already: each round ends lines otherwise.
  const texts = Array.from({ length: 5 }, (_, round) =>
    splitNeeds(`${words}\n${words}`).map((line) => `${line}${' '.repeat(round)}`),
  )
  const times = texts.map((needs) => {
    const started = performance.now()
    readNeeds(needs)
    return performance.now() - started
  })
  const count = texts[0]!.join(' ').split(/\s+/).length
  process.stdout.write(
    `reading ${count} words of needs, cold then warm    ${times.map((time) => time.toFixed(0)).join(', ')} ms\n`,
  )
}

function scored(brief: Brief): Scores {
  const reading = readNeeds(splitNeeds(brief.text))
  // What other programs are given must be plain JSON.
  JSON.stringify(plainReading(reading))
  return score(brief, reading).scores
}

function tell(what: string, total: Scores, briefs: number): void {
  process.stdout.write(`${what} (${briefs})\n`)
  for (const aspect of aspects) {
    const { right, found, wanted } = total[aspect]
    process.stdout.write(
      `  ${aspect.padEnd(12)} F1 ${f1(total[aspect]).toFixed(2)}   precision ${(right / (found || 1)).toFixed(2)}   recall ${(right / (wanted || 1)).toFixed(2)}   of ${wanted}\n`,
    )
  }
}
