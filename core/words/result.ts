import type { Problem } from './problem'

/** What a step of computing gives back when a person's input may be at fault. */
export type Result<T, P = Problem> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: P }

export const ok = <T>(value: T): Result<T, never> => ({ ok: true, value })
export const fail = (problem: Problem): Result<never> => ({ ok: false, problem })
