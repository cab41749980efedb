import type { catalogues, Problem } from '@/core/words'

/** One of each problem of a catalogue; the type checker asks for a new one when a kind is added. */
export type SamplesOf<Of extends keyof typeof catalogues> = {
  readonly [Kind in keyof (typeof catalogues)[Of]]: Extract<Problem, { kind: Kind }>
}
