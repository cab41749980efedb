import { aOrAn, capital, counted } from '../../words'
import { singular } from '../../words'
import type { TablePiece } from '../piece'

/** A record is one visit, so the table is Visit. */
export const tableInThePlural: TablePiece = {
  scope: 'table',
  weight: 'worth-a-look',
  find: (table) => {
    const one = singular(table.name)
    if (table.role !== undefined || one === table.name.toLowerCase() || !/[a-z]s$|people$|children$/i.test(table.name))
      return []
    const name = capital(one)
    return [
      {
        about: table.id,
        head: `${table.name} is named for many`,
        text: `A record stands for one. Forms and links then read rightly: “${aOrAn(one)}”, “${counted(3, one)}”.`,
        mends: [{ say: `Call it ${name}`, edits: () => [{ kind: 'renameTable', table: table.id, name }] }],
      },
    ]
  },
}
