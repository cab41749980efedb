export type { Dialect } from './dialect'
export { mariadb } from './mariadb'
export { postgresql } from './postgresql'
export { sqlite } from './sqlite'
