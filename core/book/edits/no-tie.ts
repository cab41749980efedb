import * as z from 'zod'
import { fail, ok } from '../../words'
import { dropPart, putPair } from '../build-steps'
import { findTable, linksBetween } from '../find'
import { samePair } from './answer-pairing'
import { type EditKind, Id } from './edit-kind'

const SayNoTie = z.strictObject({ kind: z.literal('sayNoTie'), a: Id, b: Id, id: Id })

/** "No direct link" is an answer too; given only while there is none. */
export const sayNoTie: EditKind<z.infer<typeof SayNoTie>> = {
  schema: SayNoTie,
  steps(book, { a, b, id }) {
    if (!findTable(book, a) || !findTable(book, b)) return fail({ kind: 'gone', what: 'table' })
    if (book.pairs.some((pair) => samePair(pair, { a, b })) || linksBetween(book, a, b).length > 0) {
      return fail({ kind: 'nothing-to-change' })
    }
    return ok([putPair({ id, a, b })])
  },
  say: (book, { a, b }) =>
    `No direct link between ${findTable(book, a)?.name ?? ''} and ${findTable(book, b)?.name ?? ''}`,
}

const AskAgain = z.strictObject({ kind: z.literal('askAgain'), a: Id, b: Id })

/** Takes "no direct link" back. */
export const askAgain: EditKind<z.infer<typeof AskAgain>> = {
  schema: AskAgain,
  steps(book, { a, b }) {
    const pair = book.pairs.find((candidate) => samePair(candidate, { a, b }))
    return pair ? ok([dropPart(book, 'pairs', pair.id)]) : fail({ kind: 'gone', what: 'pairing' })
  },
  say: (book, { a, b }) => `Ask again about ${findTable(book, a)?.name ?? ''} and ${findTable(book, b)?.name ?? ''}`,
}
