export { plainReading } from './plain-reading'
export { readNeeds } from './read-needs'
