import { ruleDoubts } from '../../rules'
import { inSentence, listed } from '../../words'
import type { BookPiece } from '../piece'

/** Rules that no filled-in record can meet, together or one by itself. */
export const rulesAgainstEachOther: BookPiece = {
  scope: 'book',
  weight: 'must-settle',
  find: (book) =>
    book.tables.flatMap((table) =>
      ruleDoubts(book, table).flatMap((doubt) =>
        doubt.kind === 'against'
          ? [
              {
                about: table.id,
                head:
                  doubt.rules.length === 1
                    ? `The rule “${doubt.rules[0]!.words}” refuses whatever is filled in`
                    : `${listed(doubt.rules.map(({ words }) => `“${words}”`))} can’t all be kept`,
                text: `No ${inSentence(table.name)} with ${doubt.rules.length === 1 ? 'its' : 'their'} fields filled in could be saved. Change ${doubt.rules.length === 1 ? 'it' : 'one of them'} in Rules, or a bound in Tables.`,
                mends: doubt.rules.map(({ id, words }) => ({
                  say: `Remove “${words}”`,
                  edits: () => [{ kind: 'removeRule' as const, rule: id }],
                })),
              },
            ]
          : [],
      ),
    ),
}
