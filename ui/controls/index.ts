export type { ControlProps, FileSource, LinkOption, LinkSource } from './control'
export { FieldControl } from './field-control'
