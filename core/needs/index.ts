export { needsMetBy, unmetNeeds } from './met'
export { splitNeeds } from './split-needs'
export {
  type Evidence,
  type OpenQuestion,
  plainReading,
  readNeeds,
  type Reading,
  type ReadField,
  type ReadQuestion,
  type ReadTable,
  type ReadTie,
} from './reading'
