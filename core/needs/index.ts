export { needsMetBy, type NumberedNeed, unmetNeeds } from './met'
export { splitNeeds } from './split-needs'
