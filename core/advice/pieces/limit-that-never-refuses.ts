import { sayLimit } from '../../pairings'
import type { BookPiece } from '../piece'

/** A limit on some rows that allows as many as the limit on all of them. */
export const limitThatNeverRefuses: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) =>
    book.links.flatMap((link) => {
      const limits = link.limits ?? []
      const all = limits.find((limit) => !limit.when)
      const idle = limits.filter((limit) => limit.when && all && limit.most >= all.most)
      return idle.map((limit) => ({
        about: link.id,
        head: `“${sayLimit(book, link, limit)}” never refuses anything`,
        text: `There can’t be more of them than of all, and of all there may be ${all!.most}. Either the number is wrong, or the limit isn’t needed.`,
        mends: [
          {
            say: 'Lift that limit',
            edits: () => [
              { kind: 'limitLink' as const, link: link.id, limits: limits.filter((other) => other !== limit) },
            ],
          },
        ],
      }))
    }),
}
