import { type Filled, type ReadTemplate, readTemplate } from '@/core/reports'
import { fail, ok, type Result } from '@/core/words'
import type { Catalogue } from '../catalogue'
import { ofOneMoment, type Transaction } from '../database'
import { roomProblem } from '../disk-room'
import { isOfAnotherShape } from '../live'
import { fillDocuments } from './fill-documents'
import { refsOf, together, type Writings } from './lay-documents'

/** So many are handed out together at the most. */
export const mostHandedOut = 500

export interface HandingOut {
  readonly db: Catalogue
  readonly book: string
  readonly account: string
  readonly writings: Writings
}

/** Where the book was opened with another design while it was read, whoever reads it so is told to do it again. */
export async function ofThisShape<T>({ writings }: HandingOut, work: () => Promise<Result<T>>): Promise<Result<T>> {
  try {
    return await work()
  } catch (cause) {
    if (!isOfAnotherShape(cause)) throw cause
    return fail({ kind: 'being-opened', book: writings.reads.live.book.name })
  }
}

/** What documents of some records are laid from, all of one moment. */
export interface Prepared {
  readonly read: ReadTemplate
  readonly all: readonly Filled[]
}

/** Reads what some documents take; up to so many. Within a transaction, as that sees them. */
export async function prepare(
  { db, writings }: HandingOut,
  what: 'handed out' | 'sent' = 'handed out',
  within?: Transaction,
): Promise<Result<Prepared>> {
  const { reads, template, answers } = writings
  const found = readTemplate(reads.live.book, template, answers)
  if (!('read' in found)) return fail(found.faults[0]?.problem ?? { kind: 'unexpected' })
  const full = await roomProblem(db)
  if (full) return fail(full)
  const { read } = found
  const fill = async (transaction: Transaction) => {
    const seen = { ...reads, transaction }
    const refs = await refsOf({ ...writings, reads: seen }, mostHandedOut + 1)
    if (refs.length > mostHandedOut) return undefined
    const filled = []
    for (let at = 0; at < refs.length; at += together)
      filled.push(...(await fillDocuments({ reads: seen, answers, read }, refs.slice(at, at + together))))
    return filled
  }
  const all = await (within ? fill(within) : ofOneMoment(reads.db, fill))
  if (!all) return fail({ kind: 'documents-many', most: mostHandedOut, what })
  if (all.length === 0) return fail({ kind: 'document-nobody', name: template.name })
  return ok({ read, all })
}
