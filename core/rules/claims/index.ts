export { ruleDoubts } from './doubts'
export { type OutOfReach, rulesOutOfReach } from './out-of-reach'
