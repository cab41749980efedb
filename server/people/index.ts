export {
  type Account,
  changePassword,
  checkPassword,
  hasAccounts,
  makeAccount,
  makeFirstAccount,
  type Origin,
} from './accounts'
export { removeAccount, resetPassword } from './managing'
export { type Member, membersOf, reaches, roleIn, setRole } from './members'
export { accountOfSession, beginSession, endOtherSessions, endSession } from './sessions'
