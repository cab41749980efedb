/** Joins class names, leaving out what doesn't apply. */
export const classNames = (...names: readonly (string | false | null | undefined)[]) => names.filter(Boolean).join(' ')
