export { type Kept, keptIn, type KeptTotal } from './kept'
export { columnNames, keyColumns, keyNames, leafOf, linkPairs } from './keys'
export { physicalNames, type PhysicalNames } from './physical-names'
export type { LiveAttached, LiveCheck, LiveColumn, LiveForeignKey, LiveIndex, LiveSchema, LiveTable } from './schema'
