import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

export interface ExpectedTie {
  readonly from: string
  readonly to: string
  readonly kind: string
  readonly must: boolean
  readonly limit?: number
  readonly fields: readonly string[]
}

/** A brief as an office wrote it, and the design that a careful person would read in it. */
export interface Brief {
  readonly name: string
  readonly text: string
  readonly tables: readonly {
    readonly name: string
    readonly fields: readonly { readonly name: string; readonly kind: string }[]
  }[]
  readonly ties: readonly ExpectedTie[]
  /** The tables that each question needs. */
  readonly questions: readonly (readonly string[])[]
}

/** All briefs of a folder beside this file, by name. */
export function briefsIn(folder: 'texts' | 'held-back'): Brief[] {
  const at = join(import.meta.dirname, folder)
  return readdirSync(at)
    .filter((file) => file.endsWith('.txt'))
    .sort()
    .map((file) => parseBrief(file.replace('.txt', ''), readFileSync(join(at, file), 'utf8')))
}

/**
 * The design stands under the text, a line each: "table Member: name text, joined date",
 * "tie Member 1-n Loan must limit 5: quantity", "question Loan". Names of several words: "Boat type".
 */
function parseBrief(name: string, file: string): Brief {
  const [text = '', design = ''] = file.split('=== design ===')
  const lines = design.split('\n').filter((line) => line.trim() !== '')
  const tables = lines.flatMap((line) => {
    const found = /^table ([^:]+):(.*)$/.exec(line)
    return found ? [{ name: found[1]!.trim(), fields: listIn(found[2]!).map(fieldOf) }] : []
  })
  const names = tables.map((table) => table.name).sort((a, b) => b.length - a.length)
  const ties = lines.flatMap((line) => {
    const found = /^tie (.+?) (1-n|n-n|1-1) ([^:]+)(?::(.*))?$/.exec(line)
    if (!found) return []
    const to = names.find((table) => found[3]!.startsWith(table)) ?? found[3]!
    const words = found[3]!.slice(to.length)
    const limit = /limit (\d+)/.exec(words)?.[1]
    return [
      {
        from: found[1]!,
        to,
        kind: found[2]!,
        must: words.includes('must'),
        ...(limit && { limit: Number(limit) }),
        fields: listIn(found[4] ?? ''),
      },
    ]
  })
  const questions = lines.flatMap((line) => {
    if (!line.startsWith('question ')) return []
    let rest = line.slice(9)
    const found: string[] = []
    for (const table of names) {
      if (!rest.includes(table)) continue
      found.push(table)
      rest = rest.replace(table, '')
    }
    return [found]
  })
  return { name, text: text.trim(), tables, ties, questions }
}

const listIn = (words: string) =>
  words
    .split(',')
    .map((word) => word.trim())
    .filter(Boolean)

function fieldOf(words: string): { name: string; kind: string } {
  const at = words.lastIndexOf(' ')
  return { name: words.slice(0, at), kind: words.slice(at + 1) }
}
