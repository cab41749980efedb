import { ownRules } from '../../rules'
import { wordProblem } from '../../words'
import type { BookPiece } from '../piece'

/** A rule whose fields changed beneath it: it can't be kept, and the book isn't opened with it. */
export const ruleThatCannotHold: BookPiece = {
  scope: 'book',
  weight: 'must-settle',
  find: (book) =>
    ownRules(book).flatMap(({ rule, table, problem }) =>
      problem
        ? [
            {
              about: table.id,
              head: `The rule “${rule.words}” can’t be kept any more`,
              text: `${wordProblem(problem)} Change it in Rules, or remove it.`,
              mends: [{ say: 'Remove the rule', edits: () => [{ kind: 'removeRule' as const, rule: rule.id }] }],
            },
          ]
        : [],
    ),
}
