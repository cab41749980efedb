export { ruleDoubts } from './doubts'
export { rulesOutOfReach } from './out-of-reach'
