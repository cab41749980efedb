import { documentProblems } from './problems/documents'
import { editProblems } from './problems/edits'
import { expressionProblems } from './problems/expressions'
import { listProblems } from './problems/lists'
import { openingProblems } from './problems/openings'
import { peopleProblems } from './problems/people'
import { recordProblems } from './problems/records'
import { ruleProblems } from './problems/rules'
import { valueProblems } from './problems/values'

/** The catalogues, by what one can be wrong with: for each kind of problem its facts, and the sentence a person reads. */
export const catalogues = {
  values: valueProblems,
  records: recordProblems,
  people: peopleProblems,
  edits: editProblems,
  expressions: expressionProblems,
  rules: ruleProblems,
  openings: openingProblems,
  lists: listProblems,
  documents: documentProblems,
}

const catalogue = {
  ...valueProblems,
  ...recordProblems,
  ...peopleProblems,
  ...editProblems,
  ...expressionProblems,
  ...ruleProblems,
  ...openingProblems,
  ...listProblems,
  ...documentProblems,
}

type Catalogue = typeof catalogue
type Facts<Kind extends keyof Catalogue> = Parameters<Catalogue[Kind]> extends [infer Known] ? Known : unknown

/** Everything that can be wrong with what a person typed or asked for; each carries the facts its sentence needs. */
export type Problem = { [Kind in keyof Catalogue]: { readonly kind: Kind } & Facts<Kind> }[keyof Catalogue]

/** The sentence a person reads: what is wrong, and what would be right. */
export const wordProblem = (problem: Problem): string =>
  (catalogue[problem.kind] as (problem: Problem) => string)(problem)
