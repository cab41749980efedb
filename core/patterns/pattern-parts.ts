import type { Block, Pattern, Varying } from './pattern'

/** Blocks one by one, and those that are optional together as one group. */
export function groupsOf(
  blocks: readonly Block[],
): readonly { readonly optional: boolean; readonly blocks: readonly Block[] }[] {
  const groups: { optional: boolean; blocks: Block[] }[] = []
  for (const block of blocks) {
    const optional = block.optional === true
    const last = groups.at(-1)
    if (optional && last?.optional) last.blocks.push(block)
    else groups.push({ optional, blocks: [block] })
  }
  return groups
}

/** A text as a regular expression takes it letter by letter. */
export const escaped = (text: string) => text.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&')

/** The characters that may stand in a block, as a class of a regular expression with Unicode. */
export function classOf(block: Varying): string {
  const letters = block.case === 'upper' ? '\\p{Lu}' : block.case === 'lower' ? '\\p{Ll}' : '\\p{L}'
  return { digits: '[0-9]', letters: `[${letters}]`, either: `[${letters}0-9]` }[block.kind]
}

const blockRegExp = (block: Block) =>
  block.kind === 'fixed' ? escaped(block.text) : `${classOf(block)}{${block.least},${block.most}}`

/** The pattern as a regular expression, for the whole value, case and all. The same in JavaScript and in PCRE. */
export const patternSource = ({ blocks }: Pattern): string =>
  groupsOf(blocks)
    .map((group) => {
      const inner = group.blocks.map(blockRegExp).join('')
      return group.optional ? `(?:${inner})?` : inner
    })
    .join('')

/** How long a value can be at most. */
export const longest = ({ blocks }: Pattern): number =>
  blocks.reduce((sum, block) => sum + (block.kind === 'fixed' ? block.text.length : block.most), 0)

const counts = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve']
const count = (number: number) => counts[number] ?? String(number)

function sayBlock(block: Block): string {
  if (block.kind === 'fixed') return block.text === ' ' ? 'a space' : block.text.trim() === '' ? 'spaces' : block.text
  const { least, most } = block
  const noun = { digits: 'digit', letters: 'letter', either: 'letter or digit' }[block.kind]
  const capital =
    block.kind === 'digits' ? '' : block.case === 'upper' ? 'capital ' : block.case === 'lower' ? 'small ' : ''
  const several = block.kind === 'either' ? 'letters or digits' : `${noun}s`
  const how = least === most ? count(least) : `${count(least)} to ${count(most)}`
  return `${how} ${capital}${most === 1 ? noun : several}`
}

/** The pattern in plain words: "V-, then five digits". */
export function sayPattern({ blocks, check }: Pattern): string {
  const parts = groupsOf(blocks).map((group) => {
    const words = group.blocks.map(sayBlock).join(', then ')
    return group.optional ? `perhaps ${words}` : words
  })
  return `${parts.join(', then ')}${check ? ', with a check digit that fits' : ''}`
}
