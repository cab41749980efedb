import type { AdvicePiece } from '../piece'

/** A pick with nothing to pick from can never be filled. */
export const pickWithoutChoices: AdvicePiece = {
  weight: 'must-settle',
  find: (book) =>
    book.tables.flatMap((table) =>
      table.fields
        .filter((field) => field.kind === 'pick' && (field.choices ?? []).length === 0)
        .map((field) => ({
          about: field.id,
          head: `${table.name} → ${field.name} has no choices`,
          text: 'Staff could never fill it. Write the words they may pick from.',
        })),
    ),
}
