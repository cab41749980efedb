import { fieldPiece, placeName } from '../piece'

const plain = (word: string) =>
  word
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]/gu, '')
    .replace(/s$/, '')

/** Two choices that differ in capitals, spaces or an s split what belongs together. */
export const choicesAlike = fieldPiece('worth-a-look', (field, table) => {
  if (!(
    field.choices !== undefined && new Set(field.choices.map(({ word }) => plain(word))).size < field.choices.length
  ))
    return undefined
  return {
    head: `${placeName(table, field)} has two choices that mean the same`,
    text: 'Staff will use both, and every count will be short. Keep one of them.',
  }
})
