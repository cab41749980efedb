import { typefaceNames } from '@/core/letters'

/**
 * Those of the page's typefaces that a drawing needs for its letters, as a style sheet that carries them. In the
 * drawing they go by their plain names; the page has them as variable ones.
 */
export async function typefacesFor(drawing: string): Promise<string> {
  const letters = new Set([...drawing].map((letter) => letter.codePointAt(0)!))
  const rules = [...document.styleSheets]
    .flatMap((sheet) => [...sheet.cssRules])
    .filter((rule): rule is CSSFontFaceRule => rule instanceof CSSFontFaceRule)
  // A letter that an earlier typeface has isn't looked for in a later one.
  let wanted = letters
  const faces: Promise<string>[] = []
  for (const family of typefaceNames) {
    const own = rules.filter(
      ({ style }) =>
        style.getPropertyValue('font-family').includes(family) &&
        !style.getPropertyValue('font-style').includes('italic'),
    )
    for (const rule of own) {
      const range = readRange(rule.style.getPropertyValue('unicode-range'))
      if ([...wanted].some(range)) faces.push(carried(family, rule))
    }
    const ranges = own.map((rule) => readRange(rule.style.getPropertyValue('unicode-range')))
    wanted = new Set([...wanted].filter((letter) => !ranges.some((range) => range(letter))))
  }
  return (await Promise.all(faces)).join('')
}

/** Whether a letter is within ranges such as `U+0370-0377, U+037A`; all are where nothing is said. */
function readRange(said: string): (letter: number) => boolean {
  const ranges = [...said.matchAll(/U\+([0-9a-f]+)(?:-([0-9a-f]+))?/gi)].map(([, from, to]) => [
    parseInt(from!, 16),
    parseInt(to ?? from!, 16),
  ])
  return (letter) => ranges.length === 0 || ranges.some(([from, to]) => letter >= from! && letter <= to!)
}

async function carried(family: string, rule: CSSFontFaceRule): Promise<string> {
  const address = /url\("?([^")]+)"?\)/.exec(rule.style.getPropertyValue('src'))?.[1]
  if (!address) return ''
  const answer = await fetch(new URL(address, rule.parentStyleSheet?.href ?? location.href))
  const range = rule.style.getPropertyValue('unicode-range')
  const file = await asAddress(new Blob([await answer.arrayBuffer()], { type: 'font/woff2' }))
  return `@font-face{font-family:'${family}';font-weight:200 800;${range ? `unicode-range:${range};` : ''}src:url(${file}) format('woff2')}`
}

/** A file's contents as an address that carries them. */
const asAddress = (blob: Blob) =>
  new Promise<string>((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(reader.result as string)
    reader.onerror = () => reject(new Error('A typeface could not be read.'))
    reader.readAsDataURL(blob)
  })
