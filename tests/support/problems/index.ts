import { documentsSamples } from './documents'
import { editsSamples } from './edits'
import { expressionsSamples } from './expressions'
import { listsSamples } from './lists'
import { openingsSamples } from './openings'
import { peopleSamples } from './people'
import { recordsSamples } from './records'
import { rulesSamples } from './rules'
import { valuesSamples } from './values'

/** One of each problem. */
export const samples = {
  ...documentsSamples,
  ...editsSamples,
  ...expressionsSamples,
  ...listsSamples,
  ...openingsSamples,
  ...peopleSamples,
  ...recordsSamples,
  ...rulesSamples,
  ...valuesSamples,
}
