import { evenWidth } from './letters'
import { breaksOf, endings } from './wrap'

/** A stretch of a text in one weight. */
export interface Run {
  readonly words: string
  readonly bold?: boolean | undefined
}

/** A line of several runs, each with how far in it begins. */
export interface RunLine {
  readonly runs: readonly (Run & { readonly x: number })[]
  readonly width: number
}

const graphemes = new Intl.Segmenter('en', { granularity: 'grapheme' })
const isSpace = (letter: string) => /\s/.test(letter)

/** Runs of one weight next to each other are one. */
const joined = (runs: readonly Run[]): Run[] =>
  runs.reduce<Run[]>((all, run) => {
    const last = all.at(-1)
    if (!last || (last.bold ?? false) !== (run.bold ?? false)) return [...all, run]
    return [...all.slice(0, -1), { ...last, words: last.words + run.words }]
  }, [])

/** So much wider than the room a line may come out, of rounding alone. */
const hair = 0.01

/**
 * A text of several weights as lines that are no wider than some room; a word that is wider is cut. Nothing is lost but
 * spaces at the ends of lines, which hang over.
 */
export function wrapRuns(parts: readonly Run[], width: number, size: number): RunLine[] {
  const runs = joined(parts)
  const text = runs.map(({ words }) => words).join('')
  const starts: number[] = []
  runs.reduce((at, { words }) => (starts.push(at), at + words.length), 0)
  const within = (from: number, until: number) =>
    runs.flatMap((run, at) => {
      const [begin, end] = [starts[at] ?? 0, (starts[at] ?? 0) + run.words.length]
      const words = text.slice(Math.max(from, begin), Math.min(until, end))
      return end > from && begin < until && words ? [{ words, bold: run.bold }] : []
    })
  const widthOf = (from: number, until: number) =>
    within(from, until).reduce((sum, { words, bold }) => sum + evenWidth(words, size, bold ? 'bold' : 'regular'), 0)
  const bare = (from: number, until: number) => {
    let end = until
    while (end > from && isSpace(text.charAt(end - 1))) end--
    return end
  }
  const fits = (from: number, until: number) => widthOf(from, bare(from, until)) <= width + hair
  const lines: RunLine[] = []
  let from = 0
  let end = 0
  const close = (next: number) => {
    const until = bare(from, end)
    let x = 0
    const set = within(from, until).map((run) => {
      const here = { ...run, x }
      x += evenWidth(run.words, size, run.bold ? 'bold' : 'regular')
      return here
    })
    lines.push({ runs: set, width: x })
    from = next
    end = next
  }
  /** A word that is wider than a line goes on in the next, letter by letter. */
  const cut = (until: number) => {
    const begin = from
    for (const { segment, index } of graphemes.segment(text.slice(begin, until))) {
      const at = begin + index
      if (at > from && widthOf(from, at + segment.length) > width + hair) {
        end = at
        close(at)
      }
    }
  }
  for (const { position, required } of breaksOf(text)) {
    if (!fits(from, position) && end > from) close(end)
    if (!fits(from, position)) cut(bare(from, position))
    end = position
    if (required) close(position)
  }
  if (text.slice(from, end).replace(endings, '') !== '' || lines.length === 0) close(end)
  return lines
}
