import { inWords, type ReadColumn, type ReadFigure } from '@/core/lists'
import { displayOf } from '@/core/expressions'
import { kindOf } from '@/core/kinds'
import { nth } from '@/core/words'
import type { ListLine } from '../read/ask-list'
import { type ReportPiece, reportPieces, type ReportWalk } from './report-parts'
import { spread } from './walk-list'

/** What stands around the rows of a page for the web. */
export interface HtmlWords {
  readonly title: string
  readonly asked: readonly string[]
  readonly opening?: string | undefined
  readonly closing?: string | undefined
  /** The office, and its address a line each. */
  readonly office?: string | undefined
  readonly letterhead: readonly string[]
  /** What its headings and lines are shown in, as CSS writes colours. */
  readonly colours?: { readonly words?: string | undefined; readonly lines?: string | undefined } | undefined
  readonly foot: string
  /** Said in place of rows where there are none. */
  readonly none: string
}

const escapes: Readonly<Record<string, string>> = { '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' }
const text = (words: string): string => words.replace(/[&<>"]/g, (letter) => nth([escapes[letter] ?? letter], 0))
const passage = (words: string): string => text(words).replaceAll('\n', '<br>')

const style = `body{font:16px/1.45 system-ui,sans-serif;color:#1d2422;background:#fff;margin:2rem auto;max-width:70rem;padding:0 1rem}
header p{margin:0}h1{font-size:1.6rem;margin:1.2rem 0 .3rem}.asked,footer{color:#465049;font-size:.9rem}
table{border-collapse:collapse;width:100%;margin:1rem 0}th,td{text-align:left;vertical-align:top;padding:.3rem .7rem .3rem 0;border-top:1px solid #c1c8c1}
thead th{border-top:0;border-bottom:2px solid #465049;color:#465049}.n{text-align:right;font-variant-numeric:tabular-nums;white-space:nowrap}
.group th{font-size:1.1rem;border-top:0;padding-top:1rem}.note td{color:#465049;font-size:.9rem;border-top:0}.sum td,.sum th{font-weight:700;border-top:2px solid #1d2422}
@media print{body{margin:0;max-width:none}thead{display:table-header-group}tr{break-inside:avoid}}`

/** A report as one page for the web (HTML), with nothing from outside it: written as it is read. */
export async function* htmlOfReport(walk: ReportWalk, words: HtmlWords): AsyncGenerator<string> {
  const { read, shown, reads } = walk
  const columns = shown.map((place) => nth(read.columns, place))
  const isNumber = columns.map(
    ({ kind, face }) => kind !== 'several' && kindOf(displayOf(reads.live.book, face).kind).align === 'end',
  )
  const cell = (tag: 'td' | 'th', at: number, said: string, more = '') =>
    `<${tag}${isNumber[at] ? ' class="n"' : ''}${more}>${passage(said)}</${tag}>`
  yield begin(words)
  yield `<table><thead><tr>${columns.map(({ heading }, at) => cell('th', at, heading, ' scope="col"')).join('')}</tr></thead><tbody>\n`
  let rows = 0
  for await (const piece of reportPieces(walk)) {
    if (piece.kind === 'lines') rows += piece.lines.length
    yield pieceHtml(walk, columns, piece, cell)
  }
  if (rows === 0) yield `<tr><td colspan="${columns.length}">${text(words.none)}</td></tr>`
  yield '</tbody></table>\n'
  if (words.closing) yield `<p>${passage(words.closing)}</p>\n`
  yield `<footer><p>${passage(words.foot)}</p></footer>\n</body></html>\n`
}

const own = ({ words, lines }: NonNullable<HtmlWords['colours']>): string =>
  (words ? `h1,.office,.group th{color:${words}}` : '') + (lines ? `thead th{border-bottom-color:${lines}}` : '')

const begin = ({ title, office, letterhead, colours = {}, asked, opening }: HtmlWords): string => `<!doctype html>
<html lang="en-GB"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>${text(title)}</title><style>${style}${own(colours)}</style></head><body>
<header>${office ? `<p class="office">${text(office)}</p>` : ''}${letterhead.map((line) => `<p>${text(line)}</p>`).join('')}</header>
<h1>${text(title)}</h1>
${asked.map((line) => `<p class="asked">${text(line)}</p>`).join('\n')}
${opening ? `<p>${passage(opening)}</p>` : ''}
`

type Cell = (tag: 'td' | 'th', at: number, said: string) => string

function pieceHtml(walk: ReportWalk, columns: readonly ReadColumn[], piece: ReportPiece, cell: Cell): string {
  const { book } = walk.reads.live
  switch (piece.kind) {
    case 'group':
      return `<tr class="group"><th colspan="${columns.length}" scope="rowgroup">${text(piece.words)}</th></tr>\n`
    case 'lines':
      return piece.lines.map((line) => lineHtml(walk, columns, line, cell)).join('')
    case 'sum': {
      const figures = columns.map(({ id }): string => {
        const figure: ReadFigure | undefined = walk.read.figures.find(({ column }) => column.id === id)
        return figure ? inWords(book, figure, piece.of.figures[id] ?? null) : ''
      })
      return `<tr class="sum"><th colspan="${columns.length}">${text(piece.words)}</th></tr>\n${
        figures.some(Boolean)
          ? `<tr class="sum">${figures.map((said, at) => cell('td', at, said)).join('')}</tr>\n`
          : ''
      }${piece.notes.map((note) => `<tr class="note"><td colspan="${columns.length}">${text(note)}</td></tr>\n`).join('')}`
    }
  }
}

const lineHtml = (walk: ReportWalk, columns: readonly ReadColumn[], line: ListLine, cell: Cell): string =>
  spread(columns, line)
    .map(
      (cells) =>
        `<tr>${columns.map((column, at) => cell('td', at, inWords(walk.reads.live.book, column, cells[at] ?? null))).join('')}</tr>\n`,
    )
    .join('')
