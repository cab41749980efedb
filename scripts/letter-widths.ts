import { writeFileSync } from 'node:fs'
import { format, resolveConfig } from 'prettier'
import { measured } from '@/server/papers/measured-letters'

/** Writes core/letters/letter-widths.ts from the typefaces that ship with the application; to be run when they change. */
async function main(): Promise<void> {
  const path = 'core/letters/letter-widths.ts'
  const source = `/** Made by scripts/letter-widths.ts from the typefaces themselves: see there, and letters.ts for what they mean. */
export const letterWidths = ${JSON.stringify(measured())} as const\n`
  writeFileSync(path, await format(source, { ...(await resolveConfig(path)), parser: 'typescript' }))
}

await main()
