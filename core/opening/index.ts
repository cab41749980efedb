export { openingMark } from './keep-out'
export { physicalNames, type PhysicalNames } from './columns'
export { wordsInTheWay } from './first-words'
export { edition } from './edition'
export { handoverScript } from './handover-script'
export { liveSchema } from './live-schema'
export {
  type Agreed,
  creationScript,
  type LiveCheckQuestion,
  type OpeningPlan,
  type OpeningStep,
  planOpening,
} from './plan'
export { brokenSql, concernedSql, rowColumns } from './rule-sql'
export type { LiveTable } from './schema'
export { factSql } from './views'
