export {
  collation,
  isReserved,
  liveNameHindrance,
  type Naming,
  namings,
  ownColumns,
  ownTable,
  physicalName,
  quoteName,
} from './physical'
