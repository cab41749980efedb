import type { Block, Letterhead } from '../../book'
import { asPrinted, clipped, evenWidth, wrapRuns } from '../../letters'
import { baseline } from '../layout/blocks'
import { footLead, footLines, letterheadBlock, standsAtHead } from '../layout/letterhead'
import { leastLetters, type Measures, measuresOf } from '../layout/measures'
import type { Item, Page } from '../page'
import { addressLines, blockPieces } from './block-pieces'
import { windowBox } from './envelope'
import { flowPieces } from './flow-pieces'
import type { Writing } from './writing'
import type { ReadTemplate } from './read-template'
import { textItem } from './text-pieces'

export const documentMeasures = ({ template: { paper, letters } }: Pick<ReadTemplate, 'template'>): Measures =>
  measuresOf({ paper, letters, room: 'usual' })

/** Lays a document for one record: its pages, with their heads and feet. */
export function layDocument(asked: Writing, letterhead: Letterhead | undefined): Page[] {
  const { read, filled } = asked
  const { template } = read
  const office = template.bare ? undefined : letterhead
  const measures = { ...asked.measures, colours: office?.colours }
  const writing = { ...asked, measures }
  const { frame, size } = measures
  const foot = office?.foot ? footLead(measures, office.foot) : 0
  const small = Math.max(6.5, size * 0.85)
  const bottom = frame.bottom - small * 2.4 - (foot > 0 ? foot + 8 : 0)
  const head = headOf(writing, office)
  const pages = flowPieces(blockPieces(writing, head.left), {
    firstTop: Math.max(frame.top, head.bottom),
    // What document it goes on with stands at the head of later pages.
    top: frame.top + small * 2.2,
    bottom,
  })
  return pages.map((items, at) => ({
    items: [
      ...(at === 0 ? head.items : goingOn(template.name, filled.label, measures, small)),
      ...items,
      ...(office?.foot ? footLines(measures, office.foot) : []),
      ...(pages.length > 1 ? pageNumber(at, pages.length, measures, small) : []),
    ],
    areas: [],
    marks: at === 0 ? [{ level: 0, words: filled.label, y: frame.top }] : [],
  }))
}

interface Head {
  readonly items: readonly Item[]
  readonly bottom: number
  /** What is still to be laid beneath it. */
  readonly left: readonly Block[]
}

/** The letterhead, and the address where a window shows it. */
function headOf(writing: Writing, office: Letterhead | undefined): Head {
  const { read, measures } = writing
  const { window, blocks } = read.template
  const lines = office?.lines?.split('\n') ?? []
  const head = office && { name: office.name, lines, logo: office.logo }
  // Beside a window there is less room for it.
  const block = standsAtHead(head) ? letterheadBlock(measures, head, window ? 0.45 : 0.6) : undefined
  const top = measures.frame.top
  const items = block?.draw(0, top) ?? []
  const bottom = top + (block?.height ?? 0)
  const address = window && blocks.find(({ kind }) => kind === 'address')
  if (!window || address?.kind !== 'address') return { items, bottom, left: blocks }
  const own = addressIn(writing, address.lines, windowBox(window))
  return {
    items: [...items, ...own.items],
    bottom: Math.max(bottom, own.bottom + measures.size * 1.5),
    left: blocks.filter((one) => one !== address),
  }
}

/** The address in its window: smaller where it is longer than that, and beyond it where nobody could read it otherwise. */
function addressIn(
  writing: Writing,
  lines: Parameters<typeof addressLines>[1],
  box: ReturnType<typeof windowBox>,
): { readonly items: readonly Item[]; readonly bottom: number } {
  const all = addressLines(writing, lines).map((runs) => runs.map((run) => ({ ...run, words: asPrinted(run.words) })))
  let { size } = writing.measures
  const set = () => all.flatMap((runs) => wrapRuns(runs, box.width, size))
  while (size > leastLetters && set().length * size * closeLead > box.height) size = Math.max(leastLetters, size - 0.5)
  const lead = size * closeLead
  const items = set().flatMap(({ runs }, at) =>
    runs.map((run) =>
      textItem(run.words, box.x + run.x, box.y + at * lead + baseline({ size, lead }), {
        size,
        bold: run.bold ?? false,
      }),
    ),
  )
  return { items, bottom: Math.max(box.y + box.height, box.y + set().length * lead) }
}

/** Lines of an address are closer to each other than those of a text. */
const closeLead = 1.24

function goingOn(name: string, label: string, { frame }: Measures, size: number): Item[] {
  const words = clipped(asPrinted(`${name} · ${label}`), size, frame.width, 'regular', evenWidth)
  return [textItem(words, frame.left, frame.top + baseline({ size, lead: size * 1.32 }), { size, tone: 'grey' })]
}

function pageNumber(at: number, pages: number, { frame }: Measures, size: number): Item[] {
  const words = `Page ${at + 1} of ${pages}`
  const x = frame.left + frame.width - evenWidth(words, size)
  return [
    textItem(words, x, frame.bottom - size * 1.32 + baseline({ size, lead: size * 1.32 }), { size, tone: 'grey' }),
  ]
}
