import type { Inline, Mail } from '../../book'
import { isEmailAddress } from '../../kinds'
import { runsOf } from './runs-of'
import { sayColumn } from './say-inline'
import type { Writing } from './writing'

/** An e-mail as it goes out. */
export interface WrittenMail {
  /** None where the record has no address. */
  readonly to: readonly string[]
  readonly subject: string
  readonly text: string
}

/** So many get one e-mail at the most. */
const mostReceivers = 20

const longestSubject = 200

/** The e-mail of one record; paragraphs of nothing but blank fields are left out. */
export function writeMail(writing: Pick<Writing, 'book' | 'read' | 'filled' | 'said'>, mail: Mail): WrittenMail {
  const { book, read, filled } = writing
  const say = (line: readonly Inline[]) =>
    runsOf(writing, line)
      ?.map(({ words }) => words)
      .join('')
  const column = read.columns.get(mail.to)
  const subject = (say(mail.subject) ?? '').replace(/[\p{Cc}\s]+/gu, ' ').trim()
  return {
    to: column ? addressesIn(sayColumn(book, column, filled)) : [],
    subject: [...subject].slice(0, longestSubject).join('') || read.template.name,
    text: mail.message.flatMap((line) => say(line)?.trimEnd() ?? []).join('\n\n'),
  }
}

/** The e-mail addresses among some words, each once. */
function addressesIn(words: string): string[] {
  const found = new Map<string, string>()
  for (const part of words.split(/[\s,;]+/))
    if (isEmailAddress(part) && !found.has(part.toLowerCase())) found.set(part.toLowerCase(), part)
  return [...found.values()].slice(0, mostReceivers)
}
