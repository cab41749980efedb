export { type Dice, fillTable, type MakeUp, wishedCount } from './fill'
export { fillingOrder, impossibleTables } from './possible'
