export { readNeeds } from './read-needs'
export type { OpenQuestion, Reading, ReadField, ReadQuestion, ReadTable, ReadTie } from './reading'
export type { Evidence } from './facts'
export { type PlainReading, plainReading } from './plain-reading'
