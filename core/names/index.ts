export { ownColumns, ownTable, physicalName, quoteName } from './physical'
