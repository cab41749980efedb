export { ruleDoubts } from './doubts'
