import type { BookPiece } from '../piece'

/** One list of words kept in two places grows apart. */
export const sameChoicesTwice: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    const seen = new Map<string, string>()
    return book.tables.flatMap((table) =>
      table.fields.flatMap((field) => {
        if (field.kind !== 'choice' || (field.choices ?? []).length < 3) return []
        const words = field
          .choices!.map(({ word }) => word.toLowerCase())
          .sort()
          .join('\n')
        const other = seen.get(words)
        seen.set(words, `${table.name} → ${field.name}`)
        return other
          ? [
              {
                about: field.id,
                head: `${table.name} → ${field.name} has the choices of ${other}`,
                text: 'A new word would have to be added in both. A word list of its own serves them all.',
              },
            ]
          : []
      }),
    )
  },
}
