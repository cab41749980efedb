/** Runs pieces of work turn by turn, so that both meet the same machine; the median time of each in milliseconds. */
export async function turnByTurn<Name extends string>(
  rounds: number,
  works: Record<Name, () => Promise<unknown>>,
): Promise<Record<Name, number>> {
  const names = Object.keys(works) as Name[]
  const times = Object.fromEntries(names.map((name) => [name, [] as number[]])) as Record<Name, number[]>
  for (let round = 0; round <= rounds; round++) {
    for (const name of names) {
      const started = performance.now()
      await works[name]()
      // The first round warms caches and is not counted.
      if (round > 0) times[name].push(performance.now() - started)
    }
  }
  return Object.fromEntries(names.map((name) => [name, median(times[name])])) as Record<Name, number>
}

const median = (times: readonly number[]) => [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)]!

export interface Figure {
  readonly what: string
  readonly ours: number
  readonly plain: number
  /** The ratio aimed at. */
  readonly aim: number
}

export function tell(figures: readonly Figure[]): void {
  for (const { what, ours, plain, aim } of figures) {
    const ratio = ours / plain
    process.stdout.write(
      `${what.padEnd(46)} ours ${ours.toFixed(2).padStart(9)} ms   plain SQL ${plain.toFixed(2).padStart(9)} ms   ratio ${ratio.toFixed(2)}   (aim ${aim}${ratio <= aim ? '' : ', missed'})\n`,
    )
  }
}
