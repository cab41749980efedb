import { ruleDoubts } from '../../rules'
import { listed } from '../../words'
import type { BookPiece } from '../piece'

/** A rule that nothing can break: bounds, choices or other rules refuse it all already. */
export const ruleThatNeverRefuses: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) =>
    book.tables.flatMap((table) =>
      ruleDoubts(book, table).flatMap((doubt) =>
        doubt.kind === 'never'
          ? [
              {
                about: table.id,
                head: `The rule “${doubt.rule.words}” never refuses anything`,
                text:
                  doubt.because.length === 0
                    ? 'It allows everything its fields can hold. Either it says something else than was meant, or it isn’t needed.'
                    : `What it would refuse is refused already by ${listed(doubt.because.map(({ words }) => `“${words}”`))} Either it says something else than was meant, or it isn’t needed.`,
                mends: [
                  { say: 'Remove the rule', edits: () => [{ kind: 'removeRule' as const, rule: doubt.rule.id }] },
                ],
              },
            ]
          : [],
      ),
    ),
}
