import { readFileSync } from 'node:fs'
import { type Advice, adviceOn } from '@/core/advice'
import { type Book, readBook } from '@/core/book'
import { evaluate, plainFacts, readExpression } from '@/core/expressions'
import { splitNeeds } from '@/core/needs'
import { plainReading, readNeeds } from '@/core/reading'
import { listViews } from '@/core/lists'
import { creationScript, handoverScript } from '@/core/opening'
import { type Json, wordProblem } from '@/core/words'
import { postgresql, sqlite } from '@/core/sql'
import { now } from '@/server/clock'

const usage = `npm run -s hearth -- check BOOK.json                advice on a book, as JSON
npm run -s hearth -- sql BOOK.json [--for mariadb|postgresql|sqlite]
                                                     the script that makes its database
npm run -s hearth -- evaluate BOOK.json TABLE EXPRESSION RECORD.json
                                                     what an expression gives for a record, as JSON
npm run -s hearth -- read-needs FILE                 the design that needs in plain English describe, as JSON
`

class Refused extends Error {
  constructor(
    readonly code: 1 | 2,
    words: string,
  ) {
    super(words)
  }
}

const scripts: Record<string, (book: Book) => string> = {
  mariadb: creationScript,
  postgresql: (book) => handoverScript(book, postgresql) + listViews(book, postgresql),
  sqlite: (book) => handoverScript(book, sqlite) + listViews(book, sqlite),
}

const verbs: Record<string, (words: readonly string[]) => string> = {
  check: ([file]) => `${JSON.stringify(adviceOn(bookIn(file)).map(plainAdvice), null, 2)}\n`,
  sql([file, option, dialect]) {
    const scriptFor = Object.hasOwn(scripts, dialect ?? 'mariadb') ? scripts[dialect ?? 'mariadb'] : undefined
    if (!scriptFor || (option !== undefined && option !== '--for'))
      throw new Refused(2, `A script can be made for ${Object.keys(scripts).join(', ')}.\n${usage}`)
    return scriptFor(bookIn(file))
  },
  evaluate: evaluated,
  'read-needs': ([file]) => `${JSON.stringify(plainReading(readNeeds(splitNeeds(textIn(file)))), null, 2)}\n`,
}

/** The value of an expression, or what is wrong with it and where. */
function evaluated([file, name = '', source = '', recordFile]: readonly string[]): string {
  const book = bookIn(file)
  const record = textIn(recordFile)
  const table = book.tables.find((one) => one.name.toLowerCase() === name.toLowerCase())
  if (!table) throw new Refused(1, `The book has no table “${name}”.`)
  const read = readExpression(book, table, source)
  if ('problem' in read) throw new Refused(1, `At character ${read.at.start + 1}: ${wordProblem(read.problem)}`)
  let json: Json
  try {
    json = JSON.parse(record) as Json
  } catch (cause) {
    throw new Refused(1, `${recordFile!} can’t be read as JSON: ${String(cause)}`)
  }
  const facts = plainFacts(book, table, json)
  if (!facts.ok) throw new Refused(1, wordProblem(facts.problem))
  return `${JSON.stringify({ value: evaluate(read.tree, facts.value, now()) })}\n`
}

/** Advice as other programs take it: mends by what they say. */
const plainAdvice = ({ mends = [], ...advice }: Advice) => ({ ...advice, mends: mends.map((mend) => mend.say) })

/** The words of a file; needs are plain text. */
function textIn(file: string | undefined): string {
  if (!file) throw new Refused(2, usage)
  try {
    return readFileSync(file, 'utf8')
  } catch (cause) {
    throw new Refused(1, `${file} can’t be read: ${cause instanceof Error ? cause.message : String(cause)}`)
  }
}

function bookIn(file: string | undefined): Book {
  if (!file) throw new Refused(2, usage)
  let json: unknown
  try {
    json = JSON.parse(readFileSync(file, 'utf8'))
  } catch (cause) {
    throw new Refused(1, `${file} can’t be read as JSON: ${cause instanceof Error ? cause.message : String(cause)}`)
  }
  const book = readBook(json)
  if (!book.ok) throw new Refused(1, wordProblem(book.problem))
  return book.value
}

export interface Answer {
  /** 0 where it was done, 1 where the input is refused, 2 where the words are no command. */
  readonly code: 0 | 1 | 2
  readonly out: string
  readonly err: string
}

/** What the command answers to the words after its name. */
export function answer([verb, ...rest]: readonly string[]): Answer {
  try {
    const run = Object.hasOwn(verbs, verb ?? '') ? verbs[verb ?? ''] : undefined
    if (!run) throw new Refused(2, usage)
    return { code: 0, out: run(rest), err: '' }
  } catch (cause) {
    if (!(cause instanceof Refused)) throw cause
    return { code: cause.code, out: '', err: `${cause.message}\n` }
  }
}
