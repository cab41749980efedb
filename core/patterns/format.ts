import type { Pattern, Varying } from './pattern'
import { classOf } from './pattern-parts'

export interface Typing {
  readonly text: string
  /** Before which character the caret stands. */
  readonly caret: number
}

const classes = new Map<string, RegExp>()
function fits(block: Varying, sign: string): boolean {
  const source = classOf({ ...block, case: undefined })
  const found = classes.get(source) ?? new RegExp(`^${source}$`, 'iu')
  classes.set(source, found)
  return found.test(sign)
}

const cased = (block: Varying, sign: string) =>
  block.case === 'upper' ? sign.toUpperCase() : block.case === 'lower' ? sign.toLowerCase() : sign

const isSign = (sign: string) => /[\p{L}0-9]/u.test(sign)

/**
 * What stands in the box after a keystroke, brought into shape as far as it goes: fixed parts fill themselves
 * in, case is mended, the caret stays behind the letter it stood behind. `before` is what stood there, so
 * that what is being deleted isn't filled in again. What doesn't fit is left as it is typed.
 */
export function formatTyping({ blocks }: Pattern, { text, caret }: Typing, before: string): Typing {
  const signs = [...text]
  const deleting = text.length < before.length
  let [at, out, behind] = [0, '', 0]
  const take = (sign: string) => {
    out += sign
    at++
    if (signs.slice(0, at).join('').length <= caret) behind = out.length
  }
  const skipBetween = () => {
    while (at < signs.length && !isSign(signs[at]!)) at++
  }
  for (const [place, block] of blocks.entries()) {
    if (block.kind === 'fixed') {
      const rest = signs.slice(at).join('')
      if (rest.toLowerCase().startsWith(block.text.toLowerCase())) {
        for (const sign of block.text) take(sign)
        continue
      }
      if (rest === '') {
        // The part before is full: what must follow follows by itself, but not while one deletes, and nothing optional.
        const full = place > 0 && isFull(blocks[place - 1]!, out)
        if (deleting || block.optional || !full) break
        out += block.text
        if (caret >= text.length) behind = out.length
        continue
      }
      // A fixed part that is being typed letter by letter.
      if (block.text.toLowerCase().startsWith(rest.toLowerCase())) {
        for (const sign of block.text.slice(0, rest.length)) take(sign)
        break
      }
      if (block.optional && isSign(signs[at]!) && !isSign(block.text[0]!)) continue
      out += block.text
      const bare = [...block.text].filter(isSign).join('')
      skipBetween()
      if (bare && signs.slice(at).join('').toLowerCase().startsWith(bare.toLowerCase())) at += bare.length
      skipBetween()
      continue
    }
    // What was filled in already may be typed all the same.
    const led = blocks[place - 1]
    if (led?.kind === 'fixed') {
      skipBetween()
      const bare = [...led.text].filter(isSign).join('')
      const again = bare !== '' && signs.slice(at).join('').toLowerCase().startsWith(bare.toLowerCase())
      if (again && !fits(block, signs[at]!)) at += bare.length
      skipBetween()
    }
    let count = 0
    while (at < signs.length && count < block.most && fits(block, signs[at]!)) {
      take(cased(block, signs[at]!))
      count++
    }
    if (at < signs.length && count < block.least) {
      // It doesn't fit: whatever else was typed stays as it is, for the check to speak of.
      const rest = signs.slice(at).join('')
      const consumed = text.length - rest.length
      return { text: out + rest, caret: caret <= consumed ? behind : out.length + caret - consumed }
    }
  }
  const rest = signs.slice(at).join('')
  const whole = out + rest
  return { text: whole, caret: caret >= text.length ? whole.length : Math.min(behind, whole.length) }
}

const isFull = (block: Pattern['blocks'][number], out: string) =>
  block.kind === 'fixed' || new RegExp(`${classOf({ ...block, case: undefined })}{${block.most}}$`, 'iu').test(out)
