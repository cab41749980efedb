import { editProblems } from './problems/edits'
import { peopleProblems } from './problems/people'
import { recordProblems } from './problems/records'
import { valueProblems } from './problems/values'

/** Every problem by its kind: the facts that it carries, and the sentence that a person reads. */
export const catalogue = { ...valueProblems, ...recordProblems, ...peopleProblems, ...editProblems }

type Catalogue = typeof catalogue
type Facts<Kind extends keyof Catalogue> = Parameters<Catalogue[Kind]> extends [infer Known] ? Known : unknown

/** Everything that can be wrong with what a person typed or asked for; each carries the facts its sentence needs. */
export type Problem = { [Kind in keyof Catalogue]: { readonly kind: Kind } & Facts<Kind> }[keyof Catalogue]

/** The sentence a person reads: what is wrong, and what would be right. */
export const wordProblem = (problem: Problem): string =>
  (catalogue[problem.kind] as (problem: Problem) => string)(problem)
