export { type Account, checkPassword, hasAccounts, makeAccount, makeFirstAccount } from './accounts'
export { type Member, membersOf, reaches, roleIn, setRole } from './members'
export { accountOfSession, beginSession, endSession } from './sessions'
