/** How long the texts of a field may be, and how many choices it may have; each is stated in docs/limits.md. */
export const settingLimits = {
  choices: 200,
  choiceLength: 100,
  texts: { unit: 20, prefix: 12, note: 500, example: 200, refusal: 200 },
} as const

/** Whole-number settings, the range each may take, and its name on screen. */
export const settingRanges = {
  length: { least: 1, most: 700, title: 'Length' },
  digits: { least: 1, most: 18, title: 'Digits before the point' },
  decimals: { least: 0, most: 10, title: 'Decimals' },
  scale: { least: 2, most: 100, title: 'Highest mark' },
  width: { least: 1, most: 12, title: 'Digits' },
  megabytes: { least: 1, most: 25, title: 'Largest file (MB)' },
} satisfies Readonly<Record<string, { least: number; most: number; title: string }>>
