import PDFDocument from 'pdfkit'
import { stretchesOf } from '@/core/letters'
import {
  type Item,
  type Page,
  type PathItem,
  type PictureItem,
  type Shade,
  shades,
  type TextItem,
} from '@/core/reports'
import { family, further, openTypeface, typefaces } from './typefaces'

export interface Sheet {
  readonly width: number
  readonly height: number
}

interface About {
  readonly title: string
  readonly author: string
  readonly made: Date
  /** Pictures by their hashes; one that isn't there leaves its place free. */
  readonly pictures?: ReadonlyMap<string, Buffer> | undefined
}

/** What the library knows of a typeface that it puts into the file; letters are told by their places in it. */
interface PdfFace {
  readonly id: string
  ref(): object
  encode(text: string, features: object): [codes: readonly string[], positions: unknown]
}

type FaceName = 'own' | 'ownBold' | 'further' | 'furtherBold'

const paths: Readonly<Record<FaceName, string>> = {
  own: typefaces[family].normal,
  ownBold: typefaces[family].bold,
  further: typefaces[further].normal,
  furtherBold: typefaces[further].bold,
}

/** The document as the library has it, with what it writes pages by. */
type Document = InstanceType<typeof PDFDocument> & {
  readonly _font: PdfFace
  readonly page: { readonly fonts: Record<string, object>; readonly height: number }
  addContent(operators: string): void
  openImage(contents: Buffer): object
  image(picture: object, x: number, y: number, size: { width: number; height: number }): unknown
}

// Pages are laid out without kerning and joined letters, and with figures that are equally wide: what was measured is
// what is drawn.
const plain = { kern: false, liga: false, clig: false, calt: false, dlig: false, ccmp: false, tnum: true }

function shadeOf(hex: string): string {
  return [1, 3, 5].map((at) => (Number.parseInt(hex.slice(at, at + 2), 16) / 255).toFixed(3)).join(' ')
}

const tones = {
  ink: '0.114 0.141 0.133',
  grey: '0.275 0.314 0.286',
  line: '0.757 0.784 0.757',
  tint: '0.945 0.953 0.94',
  ...(Object.fromEntries(Object.entries(shades).map(([name, hex]) => [name, shadeOf(hex)])) as Record<Shade, string>),
}
const number = (value: number) => String(Math.round(value * 1000) / 1000)

/**
 * A PDF of pages that are laid out already, written as they come: real text in the shipped typefaces, as far as those go
 * subset, bookmarks for groups. Words are put into the codes of a typeface once.
 */
export class ReportPdf {
  private readonly document: Document
  private readonly codes = new Map<string, string>()
  /** Typefaces are opened when the first letter of theirs is drawn: most files need two of the four. */
  private readonly faces = new Map<FaceName, PdfFace>()
  private readonly pictures: ReadonlyMap<string, Buffer>
  private readonly opened = new Map<string, object>()
  private readonly outlines: PDFKit.PDFOutline[] = []

  constructor(
    private readonly sheet: Sheet,
    { title, author, made, pictures }: About,
  ) {
    this.document = new PDFDocument({
      size: [sheet.width, sheet.height],
      margin: 0,
      autoFirstPage: false,
      compress: true,
      pdfVersion: '1.7',
      lang: 'en-GB',
      displayTitle: true,
      info: { Title: title, Author: author, Creator: 'Hearth Table', CreationDate: made },
    }) as Document
    this.pictures = pictures ?? new Map()
  }

  /** The file as it is written. */
  get stream(): NodeJS.ReadableStream {
    return this.document
  }

  page({ items, marks }: Page): void {
    this.document.addPage({ size: [this.sheet.width, this.sheet.height], margin: 0 })
    for (const { level, words } of marks) this.mark(level, words)
    for (const item of items) if (item.kind === 'picture') this.picture(item)
    const drawn = items.map((item) => this.drawn(item))
    // From the foot of the page up, as PDF has it.
    this.document.addContent(`q 1 0 0 -1 0 ${number(this.sheet.height)} cm\n${drawn.join('\n')}\nQ`)
  }

  end(): void {
    this.document.end()
  }

  private mark(level: number, words: string): void {
    const parent = level === 0 ? this.document.outline : (this.outlines[level - 1] ?? this.document.outline)
    this.outlines[level] = parent.addItem(words)
    this.outlines.length = level + 1
  }

  /** The library puts a picture into the file once, however often it is drawn. */
  private picture({ x, y, width, height, hash }: PictureItem): void {
    const found = this.pictures.get(hash)
    if (!found) return
    const known = this.opened.get(hash) ?? this.document.openImage(found)
    this.opened.set(hash, known)
    this.document.image(known, x, y, { width, height })
  }

  private drawn(item: Item): string {
    const up = (y: number) => number(this.sheet.height - y)
    switch (item.kind) {
      case 'picture':
        return ''
      case 'text':
        return this.text(item, up(item.y))
      case 'line':
        return `${tones[item.tone]} RG ${number(item.thick)} w ${number(item.x)} ${up(item.y)} m ${number(item.x + item.width)} ${up(item.y)} l S`
      case 'path':
        return this.path(item, up)
      case 'tint':
        return `${tones[item.tone ?? 'tint']} rg ${number(item.x)} ${up(item.y + item.height)} ${number(item.width)} ${number(item.height)} re f`
    }
  }

  private path({ points, thick, tone, dash }: PathItem, up: (y: number) => string): string {
    const way = points.map(([x, y], at) => `${number(x)} ${up(y)} ${at === 0 ? 'm' : 'l'}`)
    const dashed = dash ? `[${dash.map(number).join(' ')}] 0 d ` : ''
    return `q 1 j ${dashed}${tones[tone]} RG ${number(thick)} w ${way.join(' ')} S Q`
  }

  private text({ x, size, bold, tone, words }: TextItem, y: string): string {
    const stretches = stretchesOf(words, size, bold ? 'bold' : 'regular').map(({ face, words: some, from }) => {
      const own =
        face === 'further' || (face === 'none' && this.hasFurther(some)) ? ('further' as const) : ('own' as const)
      const name = bold ? (`${own}Bold` as const) : own
      const { id } = this.use(name)
      return `/${id} ${number(size)} Tf 1 0 0 1 ${number(x + from)} ${y} Tm <${this.encoded(name, some)}> Tj`
    })
    return `BT ${tones[tone ?? 'ink']} rg ${stretches.join(' ')} ET`
  }

  private hasFurther = (words: string) =>
    [...words].every((letter) => openTypeface(further, 'normal').hasGlyphForCodePoint(letter.codePointAt(0) ?? 0))

  private face(name: FaceName): PdfFace {
    const known = this.faces.get(name)
    if (known) return known
    this.document.font(paths[name])
    const face = this.document._font
    this.faces.set(name, face)
    return face
  }

  private use(name: FaceName): PdfFace {
    const face = this.face(name)
    this.document.page.fonts[face.id] ??= face.ref()
    return face
  }

  private encoded(name: FaceName, words: string): string {
    const place = `${name} ${words}`
    const known = this.codes.get(place)
    if (known !== undefined) return known
    const [codes] = this.face(name).encode(words, plain)
    const made = codes.join('')
    // Words come again and again, but not all of them: what is kept must not grow with the pages.
    if (this.codes.size > 50_000) this.codes.clear()
    this.codes.set(place, made)
    return made
  }
}
