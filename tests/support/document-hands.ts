import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Browser } from './browser'

/** A word of a PDF and where it stands, in points from the top left corner. */
export interface PdfWord {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly foot: number
  readonly words: string
}

/** What somebody does with documents in a browser, and sees of them. */
export class DocumentHands {
  constructor(private readonly browser: Browser) {}

  script = <T>(text: string, ...args: unknown[]) => this.browser.driver.executeScript<T>(text, ...args)

  /** What stands on a page that is in sight, each line as one. */
  linesOn = (page: number) =>
    this.script<string[]>(
      `const lines = new Map()
       for (const text of document.querySelectorAll('svg[aria-label^="Page ${page} of"] text')) {
         const y = text.getAttribute('y')
         lines.set(y, (lines.get(y) ?? '') + text.textContent)
       }
       return [...lines.values()]`,
    )

  untilOnPage = (words: string) =>
    this.browser.driver.wait(
      async () => (await this.linesOn(1)).some((line) => line.includes(words)),
      60_000,
      `No ${words} on it.`,
    )

  /** Waits until the text says something while it is written, chips by what they are called and what they hold. */
  async untilWritten(words: string | RegExp): Promise<void> {
    let said = ''
    const isSo = async () => {
      const text = await this.script<string>('return document.querySelector(".document-text")?.innerText ?? ""')
      said = text.replace(/\s+/g, ' ')
      return typeof words === 'string' ? said.includes(words) : words.test(said)
    }
    await this.browser.driver.wait(isSo, 60_000).catch((cause: unknown) => {
      throw new Error(`It never said ${String(words)}. It says: ${said}`, { cause })
    })
  }

  /** Puts the caret into the second paragraph, at its end. */
  inText = async () => (await this.browser.see('.document-text .tiptap > p:nth-of-type(2)')).click()

  /** Puts one of the parts at the left into the text. */
  putPart = (group: string, name: string) =>
    this.browser.driver.wait(
      () =>
        this.script<boolean>(
          `const found = [...document.querySelectorAll('section[aria-label="' + arguments[0] + '"] button')].find((one) => one.innerText.trim() === arguments[1])
           found?.click()
           return Boolean(found)`,
          group,
          name,
        ),
      60_000,
      `There is no ${name} to put in.`,
    )

  /** The words of the PDF that a link leads to. */
  async pdfWords(link: string): Promise<PdfWord[]> {
    const address = await this.script<string>(
      `return [...document.querySelectorAll('a')].find((a) => a.textContent.includes(arguments[0]))?.href ?? ''`,
      link,
    )
    const cookies = (await this.browser.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ')
    const answer = await fetch(address, { headers: { cookie: cookies } })
    if (answer.headers.get('content-type') !== 'application/pdf') throw new Error(`${link} leads to no PDF.`)
    const folder = mkdtempSync(join(tmpdir(), 'hearth-document-'))
    const file = join(folder, 'document.pdf')
    writeFileSync(file, Buffer.from(await answer.arrayBuffer()))
    const boxes = execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8' })
    rmSync(folder, { recursive: true })
    return [
      ...boxes.matchAll(/<word xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">(.*?)<\/word>/g),
    ].map(([, left, top, right, foot, words = '']) => ({
      left: Number(left),
      top: Number(top),
      right: Number(right),
      foot: Number(foot),
      words,
    }))
  }
}
