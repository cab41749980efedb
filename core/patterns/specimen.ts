import { checkFits } from './check-digits'
import type { Pattern } from './pattern'

const tries = 400

/**
 * A value that fits, made of what may stand at each place: `pick` chooses among so many. With a check digit
 * the figures at its end, or those behind the letters it begins with, are tried until it fits.
 */
export function specimenOf(pattern: Pattern, pick: (many: number) => number = (many) => many - 1): string {
  const value = anyOf(pattern, pick)
  const { check } = pattern
  if (!check || checkFits(check, value)) return value
  for (let at = 0; at < tries; at++) {
    const figures = String(at % 100).padStart(2, '0')
    const tried = check === 'iban' ? value.slice(0, 2) + figures + value.slice(4) : value.slice(0, -1) + figures[1]!
    if (checkFits(check, tried)) return tried
  }
  return value
}

function anyOf({ blocks }: Pattern, pick: (many: number) => number): string {
  return blocks
    .map((block) => {
      if (block.kind === 'fixed') return block.text
      const letters = block.case === 'lower' ? 'abcdefghjkmnpqrstuvwxyz' : 'ABCDEFGHJKMNPQRSTUVWXYZ'
      const all = { digits: '0123456789', letters, either: `${letters}0123456789` }[block.kind]
      const length = block.least + pick(block.most - block.least + 1)
      return Array.from({ length }, (_, at) => all[(pick(all.length) + at * 3) % all.length]).join('')
    })
    .join('')
}
