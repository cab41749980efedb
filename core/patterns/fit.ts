import { checkFits } from './check-digits'
import type { Block, Pattern, Varying } from './pattern'
import { classOf, escaped, groupsOf, patternSource } from './pattern-parts'
import { oncePer } from '../words'

const expressions = oncePer((pattern: Pattern) => ({
  exact: new RegExp(`^(?:${patternSource(pattern)})$`, 'u'),
  tolerant: new RegExp(`^${tolerantSource(pattern)}$`, 'iu'),
}))

/** Whether a value has exactly this shape. */
export const hasShape = (pattern: Pattern, value: string) => expressions(pattern).exact.test(value)

const between = '[^\\p{L}0-9]*'

/** Fixed parts may be missing, and anything that is neither letter nor digit may stand in their place. */
function tolerantSource({ blocks }: Pattern): string {
  const one = (block: Block) => {
    if (block.kind !== 'fixed') return `(${classOf({ ...block, case: undefined })}{${block.least},${block.most}})`
    const bare = block.text.replace(/[^\p{L}0-9]/gu, '')
    return bare ? `${between}(?:${escaped(bare)})?${between}` : between
  }
  const all = groupsOf(blocks).map((group) => {
    const inner = group.blocks.map(one).join('')
    return group.optional ? `(?:${inner})?` : inner
  })
  return `${between}${all.join('')}${between}`
}

const cased = (block: Varying, text: string) =>
  block.case === 'upper' ? text.toUpperCase() : block.case === 'lower' ? text.toLowerCase() : text

export type Fitted = { readonly value: string } | { readonly because: 'shape' | 'check' }

/** What was typed or pasted, with or without its fixed parts and in any case, as the pattern has it. */
export function fit(pattern: Pattern, typed: string): Fitted {
  const value = inShape(pattern, typed.trim().normalize('NFC'))
  if (value === undefined) return { because: 'shape' }
  return pattern.check && !checkFits(pattern.check, value) ? { because: 'check' } : { value }
}

function inShape(pattern: Pattern, text: string): string | undefined {
  if (hasShape(pattern, text)) return text
  const found = text.length <= 200 ? expressions(pattern).tolerant.exec(text) : null
  if (!found) return undefined
  let slot = 0
  const parts = groupsOf(pattern.blocks).map((group) => {
    const texts = group.blocks.map((block) => (block.kind === 'fixed' ? undefined : found[++slot]))
    const varies = group.blocks.some((block) => block.kind !== 'fixed')
    if (group.optional && varies && texts.every((one) => one === undefined)) return ''
    // A fixed part that may be missing, and isn't told by what varies, is left out.
    if (group.optional && !varies) return ''
    return group.blocks
      .map((block, at) => (block.kind === 'fixed' ? block.text : cased(block, texts[at] ?? '')))
      .join('')
  })
  const value = parts.join('')
  return hasShape(pattern, value) ? value : undefined
}
