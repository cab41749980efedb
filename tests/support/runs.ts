const isShort = process.env.HEARTH_LAWS === 'short'

/**
 * How many cases a law is tried on. Where the laws are run over and over, once for each fault put in front of them, a few
 * cases of each must do: `HEARTH_LAWS=short` takes one in forty, but no less than ten.
 */
export const runs = (many: number): { numRuns: number } => ({
  numRuns: isShort ? Math.max(10, Math.round(many / 40)) : many,
})

/** How many of the cases must have come to something for the law to have said anything; few where few are tried. */
export const atLeast = (many: number): number => (isShort ? 0 : many)
