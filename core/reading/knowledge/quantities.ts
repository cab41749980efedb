/** How many of something a phrase allows. `most` is a number, several without an end, or not said. */
export interface Quantity {
  readonly least: 0 | 1 | undefined
  readonly most: number | 'several' | undefined
  /** The number that was named, whatever it means: "more than five" is a limit after "no". */
  readonly figure?: number
}

/**
 * Quantity phrases, longest first. `N` stands for a number in words or figures. What a phrase leaves open
 * is undefined. Extend by adding a line.
 */
export const quantityPhrases: readonly (readonly [
  phrase: string,
  least: 0 | 1 | undefined,
  most: 'N' | 'several' | 1,
])[] = [
  ['no more than N', undefined, 'N'],
  ['not more than N', undefined, 'N'],
  ['never more than N', undefined, 'N'],
  ['a maximum of N', undefined, 'N'],
  ['maximum of N', undefined, 'N'],
  ['at the most N', undefined, 'N'],
  ['at most N', undefined, 'N'],
  ['as many as N', undefined, 'N'],
  ['up to N', undefined, 'N'],
  ['fewer than N', undefined, 'N'],
  ['between N and N', 1, 'N'],
  ['from N to N', 1, 'N'],
  ['N to N', 1, 'N'],
  ['N or N', 1, 'N'],
  ['zero or more', 0, 'several'],
  ['none or more', 0, 'several'],
  ['none or several', 0, 'several'],
  ['none or one', 0, 1],
  ['zero or one', 0, 1],
  ['one or more', 1, 'several'],
  ['one or several', 1, 'several'],
  ['one or many', 1, 'several'],
  ['one and sometimes several', 1, 'several'],
  ['one or even more', 1, 'several'],
  ['at least N', 1, 'several'],
  ['more than one', undefined, 'several'],
  ['more than N', undefined, 'several'],
  ['any number of', 0, 'several'],
  ['as many', 0, 'several'],
  ['a lot of', undefined, 'several'],
  ['lots of', undefined, 'several'],
  ['plenty of', undefined, 'several'],
  ['a couple of', undefined, 'several'],
  ['a list of', undefined, 'several'],
  ['a set of', undefined, 'several'],
  ['a few', undefined, 'several'],
  ['all kinds of', undefined, 'several'],
  ['a series of', undefined, 'several'],
  ['dozens of', undefined, 'several'],
  ['several', undefined, 'several'],
  ['many', undefined, 'several'],
  ['multiple', undefined, 'several'],
  ['numerous', undefined, 'several'],
  ['various', undefined, 'several'],
  ['some', undefined, 'several'],
  ['exactly one', 1, 1],
  ['just one', 1, 1],
  ['only one', 1, 1],
  ['precisely one', 1, 1],
  ['one and only one', 1, 1],
  ['one single', 1, 1],
  ['a single', 1, 1],
  ['at most one', 0, 1],
  ['no more than one', 0, 1],
  ['exactly N', 1, 'N'],
  ['N', 1, 'N'],
]
