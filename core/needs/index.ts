export { needsMetBy, unmetNeeds } from './met'
export { splitNeeds } from './split-needs'
