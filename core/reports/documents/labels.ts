import type { Labels } from '../../book'
import { leastLetters, type Measures } from '../layout/measures'
import type { Item, Page } from '../page'
import { blockPieces } from './block-pieces'
import { flowPieces } from './flow-pieces'
import type { Writing } from './writing'

const points = 72 / 25.4

/** Room within the edges of a label, in points: printers don't meet edges that well. */
const within = (label: number) => Math.min(3 * points, label * 0.12)

const moved = (item: Item, x: number, y: number): Item =>
  item.kind === 'path'
    ? { ...item, points: item.points.map(([left, top]) => [left + x, top + y] as const) }
    : { ...item, x: item.x + x, y: item.y + y }

/** What came of fitting labels. */
export interface FittedLabels {
  /** So many have smaller letters than was wished. */
  readonly smaller: number
  /** So many go on on the label after them: however small, they are too long for one. */
  readonly goOn: number
}

/** Puts labels on sheets, one record after the other, and gives sheets away as they are full. */
export class LabelSheets {
  private items: Item[] = []
  private smaller = 0
  private goOn = 0
  private place: number

  /** @param first the label of the first sheet with which it begins, from 1 on: others may be used up */
  constructor(
    private readonly labels: Labels,
    first: number,
    private readonly onPage: (page: Page) => void,
  ) {
    this.place = Math.min(Math.max(1, first), labels.across * labels.down) - 1
  }

  label(writing: Writing): void {
    const { measures } = writing
    let { size } = measures
    let parts = this.laid(writing, size)
    while (parts.length > 1 && size > leastLetters) {
      size = Math.max(leastLetters, size - 0.5)
      parts = this.laid(writing, size)
    }
    if (size < measures.size) this.smaller++
    if (parts.length > 1) this.goOn++
    for (const items of parts) this.put(items)
  }

  end(): void {
    if (this.place > 0 && this.items.length > 0) this.give()
  }

  get fitted(): FittedLabels {
    return { smaller: this.smaller, goOn: this.goOn }
  }

  private laid(writing: Writing, size: number): Item[][] {
    const [width, height] = [this.labels.width * points, this.labels.height * points]
    const [aside, above] = [within(width), within(height)]
    const measures: Measures = {
      page: { width, height },
      frame: { left: aside, top: above, width: width - 2 * aside, bottom: height - above },
      size,
      lead: size * 1.32,
      pad: size * 0.14,
    }
    const { top, bottom } = measures.frame
    const pieces = blockPieces({ ...writing, measures }, writing.read.template.blocks)
    return flowPieces(pieces, { firstTop: top, top, bottom })
  }

  private put(items: readonly Item[]): void {
    const { across, down, left, top, stepAcross, stepDown } = this.labels
    const [column, row] = [this.place % across, Math.floor(this.place / across)]
    const [x, y] = [(left + column * stepAcross) * points, (top + row * stepDown) * points]
    this.items.push(...items.map((item) => moved(item, x, y)))
    this.place++
    if (this.place === across * down) this.give()
  }

  private give(): void {
    this.onPage({ items: this.items, areas: [], marks: [] })
    this.items = []
    this.place = 0
  }
}
