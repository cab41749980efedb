import type { Book } from '../book'
import type { Advice, AdvicePiece } from './piece'
import { circleOfMusts } from './pieces/circle-of-musts'
import { pickWithoutChoices } from './pieces/pick-without-choices'
import { tableTiedToNothing } from './pieces/table-tied-to-nothing'
import { tableWithKeyOnly } from './pieces/table-with-key-only'
import { tableWithoutKey } from './pieces/table-without-key'

const pieces: Record<string, AdvicePiece> = {
  tableWithoutKey,
  pickWithoutChoices,
  circleOfMusts,
  tableWithKeyOnly,
  tableTiedToNothing,
}

/** All the advice a book calls for, what must be settled first. */
export function adviceOn(book: Book): Advice[] {
  const all = Object.entries(pieces).flatMap(([piece, { weight, find }]) =>
    find(book).map((advice) => ({ piece, weight, ...advice })),
  )
  return all.sort((a, b) => Number(b.weight === 'must-settle') - Number(a.weight === 'must-settle'))
}

export type { Advice } from './piece'
