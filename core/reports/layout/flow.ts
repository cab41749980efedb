import { nth } from '../../words'
import type { Area, Item, Page, PagePart } from '../page'
import type { PaperPart } from '../table'
import { type Block, type Drawn, wordsBlock } from './blocks'
import type { Carried } from './carried'
import { pagesBeside } from './column-fit'
import { blockOf, groupBlock, headBlock } from './part-blocks'

export interface FlowWish {
  readonly drawn: Drawn
  /** Where the body of the first page begins, and that of all others, in points from the top; and where all end. */
  readonly firstTop: number
  readonly top: number
  readonly bottom: number
  /** Each outermost group begins a page. */
  readonly apart: boolean
  /** What is carried from page to page. */
  readonly carried?: Carried | undefined
  /** Takes a page as soon as it is full; those side by side one after the other. */
  readonly onPage: (page: Page) => void
}

interface Open {
  readonly level: number
  readonly words: string
}

/**
 * Puts the parts of a report on pages, one after the other, so that no more than a page is held at a time. Headings stay
 * with the first two rows of what they head, what a group comes to with its last row, and no row is torn that isn't higher
 * than a page by itself.
 */
export class Flow {
  private readonly head: Block
  private readonly reserved: number
  private pages: Item[][] = []
  private y: number
  /** Nothing stands on the page but what it goes on with. */
  private isFresh = false
  private chain: Block[] = []
  /** The groups that are gone through, from the outermost. */
  private open: Open[] = []
  private marks: Page['marks'][number][] = []
  private areas: Area[] = []
  private groups = 0
  private rowsInGroup = 0
  /** Rows have begun: from here on, pages begin with the headings of columns. */
  private isBegun = false
  /** What all come to was said: nothing is carried any further. */
  private isAllSaid = false
  /** How many pages the outermost group has so far. */
  private pagesOfGroup = 1
  private rows = 0

  constructor(private readonly wish: FlowWish) {
    this.head = headBlock(wish.drawn)
    this.reserved = wish.carried?.height ?? 0
    this.y = wish.firstTop
    this.pages = this.beside.map(() => [])
  }

  /** The pages side by side. */
  private get beside() {
    return pagesBeside(this.wish.drawn.fit).map((_, page) => page)
  }

  /** Words across the page, before the columns or after them. */
  words(block: Block): void {
    this.flush()
    this.place([block])
  }

  /** The headings of the columns on the first page, after the words that open it. */
  columns(): void {
    this.flush()
    this.isBegun = true
    const { lead } = this.wish.drawn.measures
    if (this.y + this.head.height + 2.5 * lead > this.bottom) this.turn([])
    else {
      this.y += lead / 2
      this.put(this.head)
    }
  }

  part(part: PaperPart): void {
    const last = this.chain.at(-1)
    if (last) {
      last.keeps = this.keeps(last, part)
      if (!last.keeps) this.flush()
    }
    if (part.kind === 'group') this.rowsInGroup = 0
    if (part.kind === 'row') {
      if (!part.goesOn) this.rows++
      this.rowsInGroup++
    }
    this.chain.push(blockOf(this.wish.drawn, part, this.rows % 2 === 0))
  }

  /** The last page. */
  end(closing?: string): void {
    this.flush()
    const { size } = this.wish.drawn.measures
    if (closing)
      this.words({ ...wordsBlock(this.wish.drawn, closing, { size, weight: 'regular', above: size }), of: 'closing' })
    this.give()
  }

  private keeps({ part }: Block, next: PaperPart): boolean {
    if (!part || part.kind === 'group') return true
    if (part.kind === 'sum') return next.kind === 'sum'
    return next.kind === 'sum' || (next.kind === 'row' && (next.goesOn === true || this.rowsInGroup === 1))
  }

  private flush(): void {
    const { chain } = this
    this.chain = []
    if (chain.length > 0) this.place(chain)
  }

  private give(): void {
    const { marks, areas } = this
    this.marks = []
    this.areas = []
    for (const [page, items] of this.pages.entries()) this.wish.onPage({ items, areas, marks: page === 0 ? marks : [] })
    this.pages = this.beside.map(() => [])
  }

  /** A page is full: it is given away, and the next begins with what it goes on with, as far as that leaves room. */
  private turn(goingOn: readonly Open[]): void {
    const { carried } = this.wish
    const isCarried = carried?.isBegun === true && !this.isAllSaid
    if (isCarried) this.put(carried.block('Carried forward'))
    this.give()
    this.y = this.wish.top
    this.isFresh = true
    if (this.isBegun) this.put(this.head)
    this.pagesOfGroup++
    const { lead } = this.wish.drawn.measures
    for (const { level, words } of goingOn) {
      const which = this.wish.apart && level === 0 ? `page ${this.pagesOfGroup}` : 'continued'
      const again = groupBlock(this.wish.drawn, level, `${words}, ${which}`)
      if (again.height + 4 * lead < this.room()) this.put(again)
    }
    if (isCarried) this.put(carried.block('Brought forward'))
    this.isFresh = true
  }

  /** What is carried forward has its own place beneath. */
  private get bottom(): number {
    return this.wish.bottom - this.reserved
  }

  private room = (): number => this.bottom - this.y

  /** Rounding alone pushes nothing to the next page. */
  private fits = (height: number): boolean => height <= this.room() + 0.001

  private place(chain: readonly Block[]): void {
    const begins = levelOf(chain[0])
    if (begins === 0 && this.wish.apart && this.groups > 0 && !this.isFresh) this.turn([])
    const high = chain.reduce((sum, { height, above }, at) => sum + height + (at === 0 && this.isFresh ? 0 : above), 0)
    const whole = this.bottom - this.wish.top - this.head.height
    // What is higher than a page is parted anyway, and may begin here.
    if (!this.fits(high) && !this.isFresh && high <= whole) this.turn(outside(this.open, begins))
    for (const block of chain) {
      this.one(block)
      this.note(block.part)
    }
  }

  private one(block: Block): void {
    const high = block.height + (this.isFresh ? 0 : block.above)
    if (this.fits(high)) return this.put(block)
    if (!this.isFresh) {
      this.turn(outside(this.open, levelOf(block)))
      if (this.fits(block.height)) return this.put(block)
    }
    this.tear(block)
  }

  /** Higher than a page: it goes on where a line ends. */
  private tear(block: Block): void {
    const { lead } = this.wish.drawn.measures
    const bare = block.height - block.lines * lead
    for (let from = 0; from < block.lines;) {
      const lines = Math.max(1, Math.floor((this.room() - bare) / lead))
      const until = Math.min(block.lines, from + lines)
      this.put(block, from, until)
      from = until
      if (from < block.lines) this.turn(this.open)
    }
  }

  private put(block: Block, from = 0, until = block.lines): void {
    if (!this.isFresh) this.y += block.above
    const { part } = block
    if (part?.kind === 'group') this.marks.push({ level: part.level, words: part.words, y: this.y })
    for (const page of this.beside) nth(this.pages, page).push(...block.draw(page, this.y, from, until))
    const top = this.y
    this.y += block.height - (block.lines - (until - from)) * this.wish.drawn.measures.lead
    this.cover(partOf(block), top, this.y)
    this.isFresh = false
  }

  /** What is next to its like is one with it. */
  private cover(part: PagePart | undefined, from: number, until: number): void {
    if (!part) return
    const last = this.areas.at(-1)
    if (last?.part === part) this.areas[this.areas.length - 1] = { ...last, until }
    else this.areas.push({ part, from, until })
  }

  private note(part: PaperPart | undefined): void {
    this.wish.carried?.add(part)
    if (part?.kind === 'group') {
      if (part.level === 0) this.pagesOfGroup = 1
      this.open = [...outside(this.open, part.level), { level: part.level, words: part.words }]
      this.groups++
    }
    if (part?.kind === 'sum' && part.level === undefined) this.isAllSaid = true
    if (part?.kind === 'sum') this.open = part.level === undefined ? [] : outside(this.open, part.level)
  }
}

const kinds = { row: 'rows', group: 'groups', sum: 'groups', words: undefined } as const
const partOf = (block: Block): PagePart | undefined => block.of ?? kinds[block.kind]

const levelOf = (block: Block | undefined) => (block?.part?.kind === 'group' ? block.part.level : undefined)

/** The groups around one of a level. */
const outside = (open: readonly Open[], level: number | undefined): Open[] =>
  level === undefined ? [...open] : open.filter((one) => one.level < level)
