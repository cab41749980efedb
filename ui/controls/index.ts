export type { FileSource, LinkOption, LinkSource } from './control'
export { FieldControl } from './field-control'
export { settleBox } from './settle'
