import { DataTypes, type Model } from 'sequelize'
import type { Database } from '../database'

type Of<T extends object> = Model<T, T>

export interface AccountRow {
  id: string
  name: string
  password_hash: string
  makes_books: boolean
  created_at: string
  /** From then on nobody signs in with it. */
  removed_at: string | null
}
export interface SessionRow {
  id: string
  account_id: string
  ends_at: string
}
export interface BookRow {
  id: string
  name: string
  design: string
  revision: number
  opened: string | null
  opened_revision: number | null
  live_schema: string
  created_at: string
  /** The book whose design this one tries out with made-up records. */
  dry_of: string | null
}
export type Role = 'administrator' | 'staff' | 'reader'
export interface MembershipRow {
  account_id: string
  book_id: string
  role: Role
}
export interface EditRow {
  book_id: string
  revision: number
  account_id: string
  made_at: string
  kind: 'edit' | 'undo' | 'redo'
  say: string
  steps: string
  about: number | null
  undone: boolean
}
export interface GateRow {
  book_id: string
  /** The id of a rule; empty for the book itself. */
  part: string
  /** On the book's own row, the opening that is under way. */
  opening: number | null
  opened_revision: number | null
  /** What edition of the program made the live database. */
  opened_edition: number | null
}
export interface OpeningRow {
  id?: number
  book_id: string
  account_id: string
  state: 'running' | 'done' | 'taken-back'
  design: string
  revision: number
  steps: string
  /** The edition of the program that planned the steps. */
  edition: number
  position: number
  started_at: string
  ended_at: string | null
}

const string = DataTypes.STRING
// Sequelize writes the column's name into the object it is given, so each column needs its own.
const key = () => ({ type: string, primaryKey: true })
// Moments are kept as the text MariaDB writes, so that no time zone is guessed on the way.
const moment = string

/** The catalogue's models on one database. */
export function modelsOn({ sequelize, catalogue }: Database) {
  const define = <T extends object>(name: string, columns: Parameters<typeof sequelize.define>[1]) =>
    sequelize.define<Of<T>>(name, columns as never, { schema: catalogue, tableName: name, timestamps: false })
  return {
    accounts: define<AccountRow>('accounts', {
      id: key(),
      name: string,
      password_hash: string,
      makes_books: DataTypes.BOOLEAN,
      created_at: moment,
      removed_at: moment,
    }),
    sessions: define<SessionRow>('sessions', { id: key(), account_id: string, ends_at: moment }),
    books: define<BookRow>('books', {
      id: key(),
      name: string,
      design: DataTypes.TEXT,
      revision: DataTypes.INTEGER,
      opened: DataTypes.TEXT,
      opened_revision: DataTypes.INTEGER,
      live_schema: string,
      created_at: moment,
      dry_of: string,
    }),
    memberships: define<MembershipRow>('memberships', { account_id: key(), book_id: key(), role: string }),
    edits: define<EditRow>('edits', {
      book_id: key(),
      revision: { type: DataTypes.INTEGER, primaryKey: true },
      account_id: string,
      made_at: moment,
      kind: string,
      say: string,
      steps: DataTypes.TEXT,
      about: DataTypes.INTEGER,
      undone: DataTypes.BOOLEAN,
    }),
    gates: define<GateRow>('gates', {
      book_id: key(),
      part: key(),
      opening: DataTypes.INTEGER,
      opened_revision: DataTypes.INTEGER,
      opened_edition: DataTypes.INTEGER,
    }),
    openings: define<OpeningRow>('openings', {
      id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      book_id: string,
      account_id: string,
      state: string,
      design: DataTypes.TEXT,
      revision: DataTypes.INTEGER,
      steps: DataTypes.TEXT,
      edition: DataTypes.INTEGER,
      position: DataTypes.INTEGER,
      started_at: moment,
      ended_at: moment,
    }),
  }
}
