import PDFDocument from 'pdfkit'
import { evenWidth, stretchesOf } from '@/core/letters'
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

/** What a line of a page is, for whoever has it read out. */
type Tag = 'P' | 'H1' | 'H2' | 'Figure'

/** Something that the file has already, by its number. */
interface Written {
  readonly id: number
  readonly gen: number
}

/** The document as the library has it, with what it writes pages by. */
type Document = InstanceType<typeof PDFDocument> & {
  readonly _font: PdfFace
  readonly page: {
    readonly fonts: Record<string, object>
    readonly height: number
    readonly structParentTreeKey: number
  }
  subset?: number | undefined
  subset_conformance?: string
  addContent(operators: string): void
  appendXML(part: string): void
  getStructParentTree(): { get(key: number): (Written | null)[] }
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
  /** What is read out, page by page. */
  private readonly structure: PDFKit.PDFStructureElement
  /** Some letter was drawn that no typeface has. */
  private isLacking = false

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
      tagged: true,
      subset: 'PDF/A-2b',
      info: { Title: title, Author: author, Creator: 'Hearth Table', CreationDate: made },
    }) as Document
    // All of its text is in Unicode, which the library has no name for.
    this.document.subset_conformance = 'U'
    // The library puts title and author into XML as they are.
    const append = this.document.appendXML.bind(this.document)
    this.document.appendXML = (part) => append(part.replace(/(<rdf:li[^>]*>)(.*)(?=<\/rdf:li>)/s, asXml))
    this.pictures = pictures ?? new Map()
    this.structure = this.document.struct('Document')
    this.document.addStructure(this.structure)
  }

  /** The file as it is written. */
  get stream(): NodeJS.ReadableStream {
    return this.document
  }

  page({ items, marks }: Page): void {
    const { document } = this
    document.addPage({ size: [this.sheet.width, this.sheet.height], margin: 0 })
    for (const { level, words } of marks) this.mark(level, words)
    const section = document.struct('Sect')
    this.structure.add(section)
    for (const item of items) if (item.kind === 'picture') this.picture(item, section)
    // From the foot of the page up, as PDF has it.
    document.addContent(`q 1 0 0 -1 0 ${number(this.sheet.height)} cm`)
    document.markContent('Artifact', { type: 'Layout' })
    document.addContent(items.flatMap((item) => (item.kind === 'text' ? [] : [this.drawn(item)])).join('\n'))
    document.endMarkedContent()
    for (const { tag, texts } of linesOf(items)) {
      const content = document.markStructureContent(tag)
      document.addContent(texts.map((item, at) => this.drawn(spaced(item, texts[at + 1]))).join('\n'))
      document.endMarkedContent()
      section.add(document.struct(tag, {}, content))
    }
    document.addContent('Q')
    section.end()
    this.lighten()
  }

  /** What is written already need only be known by its number: thousands of pages would fill the memory otherwise. */
  private lighten(): void {
    const owners = this.document.getStructParentTree().get(this.document.page.structParentTreeKey)
    for (const [at, owner] of owners.entries()) {
      if (!owner) continue
      const { id, gen } = owner
      owners[at] = Object.assign(Object.create(Object.getPrototypeOf(owner) as object), { id, gen }) as Written
    }
  }

  end(): void {
    // What has no letter for something isn't as an archive wants it, and doesn't say that it is.
    if (this.isLacking) this.document.subset = undefined
    this.structure.end()
    this.document.end()
  }

  private mark(level: number, words: string): void {
    const parent = level === 0 ? this.document.outline : (this.outlines[level - 1] ?? this.document.outline)
    this.outlines[level] = parent.addItem(words)
    this.outlines.length = level + 1
  }

  /** The library puts a picture into the file once, however often it is drawn. */
  private picture({ x, y, width, height, hash }: PictureItem, section: PDFKit.PDFStructureElement): void {
    const found = this.pictures.get(hash)
    if (!found) return
    const known = this.opened.get(hash) ?? this.document.openImage(found)
    this.opened.set(hash, known)
    const content = this.document.markStructureContent('Figure')
    this.document.image(known, x, y, { width, height })
    this.document.endMarkedContent()
    section.add(this.document.struct('Figure', { alt: 'Picture' }, content))
  }

  private drawn(item: Item): string {
    const up = (y: number) => number(this.sheet.height - y)
    switch (item.kind) {
      case 'picture':
        return ''
      case 'text':
        return this.text(item, up(item.y))
      case 'line':
        return `${item.colour ? shadeOf(item.colour) : tones[item.tone]} RG ${number(item.thick)} w ${number(item.x)} ${up(item.y)} m ${number(item.x + item.width)} ${up(item.y)} l S`
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

  private text({ x, size, bold, tone, colour, words }: TextItem, y: string): string {
    const stretches = stretchesOf(words, size, bold ? 'bold' : 'regular').map(({ face, words: some, from }) => {
      const isFurther = face === 'further' || (face === 'none' && this.hasFurther(some))
      if (face === 'none' && !isFurther) this.isLacking = true
      const own = isFurther ? ('further' as const) : ('own' as const)
      const name = bold ? (`${own}Bold` as const) : own
      const { id } = this.use(name)
      return `/${id} ${number(size)} Tf 1 0 0 1 ${number(x + from)} ${y} Tm <${this.encoded(name, some)}> Tj`
    })
    return `BT ${colour ? shadeOf(colour) : tones[tone ?? 'ink']} rg ${stretches.join(' ')} ET`
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

interface Line {
  readonly tag: Tag
  readonly texts: readonly TextItem[]
}

/** The texts of a page, line by line as they are read; what is bold and larger than the rest is a heading. */
function linesOf(items: readonly Item[]): Line[] {
  const lines = new Map<number, TextItem[]>()
  const sizes = new Map<number, number>()
  for (const item of items) {
    if (item.kind !== 'text') continue
    const line = lines.get(item.y)
    if (line) line.push(item)
    else lines.set(item.y, [item])
    sizes.set(item.size, (sizes.get(item.size) ?? 0) + item.words.length)
  }
  const usual = Math.max(
    ...[...sizes]
      .sort(([, a], [, b]) => b - a)
      .slice(0, 1)
      .map(([size]) => size),
    1,
  )
  return [...lines.values()].map((texts) => {
    const size = Math.max(...texts.map((one) => one.size))
    const isHeading = texts.every(({ bold }) => bold) && size > usual * 1.1
    return { tag: isHeading ? (size > usual * 1.5 ? 'H1' : 'H2') : 'P', texts }
  })
}

/** With a space at its end where something stands apart after it: read out, or copied, they are two words. */
function spaced(item: TextItem, next: TextItem | undefined): TextItem {
  if (!next || item.words.endsWith(' ')) return item
  const end = item.x + evenWidth(item.words, item.size, item.bold ? 'bold' : 'regular')
  return next.x - end > item.size * 0.15 ? { ...item, words: `${item.words} ` } : item
}

const asXml = (_all: string, before: string, words: string): string =>
  before + words.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;')
