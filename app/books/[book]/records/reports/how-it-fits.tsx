'use client'

import type { Report } from '@/core/book'
import { type Fitted, leastLetters, sayPaper } from '@/core/reports'
import { counted, listed, numberInWords } from '@/core/words'
import type { EditionNow, Laid, Otherwise } from '@/server/reports'
import { Note, WordButton } from '@/ui/kit'

interface Props {
  readonly report: Report
  readonly edition: EditionNow<Laid>
  readonly onChange: (to: Partial<Report>) => void
}

/** What came of making everything fit, and what would come of doing it otherwise. */
export function HowItFits({ report, edition: { laid, pages }, onChange }: Props) {
  if (!laid)
    return (
      <Note mark="info" head="The pages are being laid">
        {pages === 0 ? 'The first comes in a moment.' : `${counted(pages, 'page')} so far.`}
      </Note>
    )
  const { fitted, otherwise } = laid
  return (
    <>
      <Note mark="fine" head="Nothing is cut off">
        {sayFitted(report, fitted)}
      </Note>
      {fitted.lacking.length > 0 && (
        <Note mark="look" head="Some letters have no shape here">
          {listed(fitted.lacking)}: the typefaces on paper don’t have them. Each is an empty box.
        </Note>
      )}
      {fitted.smaller > 0 && (
        <Note mark="look" head={`${counted(fitted.smaller, 'number')} set smaller`}>
          {fitted.smaller === 1 ? 'It is' : 'They are'} wider than the column is. Turn the paper, or leave a column out.
        </Note>
      )}
      {otherwise.map((other) => {
        const head = sayOtherwise(report, other, fitted, pages)
        if (!head) return null
        const { press, change } = ways[other.what]
        return (
          <Note
            key={other.what}
            mark="info"
            head={head}
            actions={<WordButton onClick={() => onChange(change(report))}>{press}</WordButton>}
          >
            {counted(other.pages, 'page')} rather than {pages}.
          </Note>
        )
      })}
    </>
  )
}

export function turned({ paper: { turned: was, ...paper } }: Report): Partial<Report> {
  return { paper: was ? paper : { ...paper, turned: true } }
}

const rowsWrapped = ({ wrapped }: Fitted) => Object.values(wrapped).reduce((sum, one) => sum + one, 0)

function sayFitted({ paper, letters }: Report, fitted: Fitted): string {
  const { headings } = fitted
  const what = headings.length > 0 ? counted(headings.length, 'column') : 'The chart alone'
  const on = `${what} on ${sayPaper(paper)}, letters of ${letters} points.`
  const most = Object.entries(fitted.wrapped)
    .sort(([, a], [, b]) => b - a)
    .slice(0, 3)
    .map(([at, rows]) => `${headings[Number(at)] ?? ''} in ${rows.toLocaleString('en-GB')}`)
  const of = `of ${counted(fitted.rows, 'row')}`
  const wrapped =
    most.length > 0
      ? ` More than one line: ${listed(most)} ${of}.`
      : fitted.rows > 0 && fitted.folded.lines === 1
        ? ` Each of ${counted(fitted.rows, 'row')} takes one line.`
        : ''
  const beside = fitted.beside > 1 ? ` Columns go on over ${fitted.beside} pages side by side.` : ''
  return on + sayFolded(fitted) + wrapped + beside
}

function sayFolded({ folded: { lines, isWished } }: Fitted): string {
  if (lines > 1) return ` Each row stands in ${numberInWords(String(lines))} lines.`
  return isWished ? ' The paper is too small for two lines a row.' : ''
}

interface Way {
  readonly how: (report: Report) => string
  readonly press: string
  readonly change: (report: Report) => Partial<Report>
}

const ways: Readonly<Record<Otherwise['what'], Way>> = {
  turned: {
    how: ({ paper }) => (paper.turned ? 'Upright' : 'On its side'),
    press: 'Turn the paper',
    change: turned,
  },
  smaller: {
    how: () => 'With smaller letters',
    press: 'Make letters smaller',
    change: ({ letters }) => ({ letters: Math.max(leastLetters, letters - 1) }),
  },
  folded: { how: () => 'In two lines a row', press: 'Two lines a row', change: () => ({ folded: true }) },
  unfolded: { how: () => 'In one line a row', press: 'One line a row', change: () => ({ folded: undefined }) },
}

/** What is better otherwise; nothing where nothing is. */
function sayOtherwise(
  report: Report,
  { what, fitted: other, pages: otherPages }: Otherwise,
  now: Fitted,
  pages: number,
): string | undefined {
  const how =
    what === 'folded' && other.folded.lines > 2
      ? `In ${numberInWords(String(other.folded.lines))} lines a row`
      : ways[what].how(report)
  if (other.beside < now.beside)
    return `${how}, ${other.beside === 1 ? 'all columns stand on one page' : 'fewer pages stand side by side'}`
  if (other.beside > now.beside) return undefined
  if (what === 'folded' || what === 'unfolded') return otherPages < pages ? `${how}, there are fewer pages` : undefined
  const [before, after] = [rowsWrapped(now), rowsWrapped(other)]
  if (after === 0 && before > 0) return `${how}, each row takes one line`
  return after < before * 0.6 ? `${how}, fewer rows take more than a line` : undefined
}
