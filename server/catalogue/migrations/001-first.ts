import { DataTypes, type QueryInterface } from 'sequelize'

const id = { type: DataTypes.STRING(20), primaryKey: true }
const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
const moment = { type: DataTypes.DATE(3), allowNull: false }

/** Accounts, sessions, books with their edits, openings and running counts. */
export async function up(tables: QueryInterface, schema: string): Promise<void> {
  const create = (tableName: string, columns: Parameters<QueryInterface['createTable']>[1]) =>
    tables.createTable({ tableName, schema }, columns, {
      charset: 'utf8mb4',
      collate: 'utf8mb4_uca1400_as_ci',
    })
  const at = (tableName: string) => ({ tableName, schema }) as never
  const to = (tableName: string) => ({
    references: { model: { tableName, schema } as never, key: 'id' },
    onDelete: 'CASCADE',
  })

  await create('accounts', {
    id,
    name: { ...text(80), unique: true },
    password_hash: text(200),
    makes_books: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
    created_at: moment,
  })
  await create('sessions', {
    id: { type: DataTypes.STRING(64), primaryKey: true },
    account_id: { ...text(20), ...to('accounts') },
    ends_at: moment,
  })
  await create('sign_in_tries', {
    name: { ...text(80), primaryKey: true },
    wrong: { type: DataTypes.INTEGER, allowNull: false },
    wait_until: moment,
  })
  await create('books', {
    id,
    name: text(60),
    design: { type: DataTypes.TEXT('long'), allowNull: false },
    revision: { type: DataTypes.INTEGER, allowNull: false },
    opened: { type: DataTypes.TEXT('long'), allowNull: true },
    opened_revision: { type: DataTypes.INTEGER, allowNull: true },
    live_schema: { ...text(64), unique: true },
    created_at: moment,
  })
  await create('memberships', {
    account_id: { ...text(20), primaryKey: true, ...to('accounts') },
    book_id: { ...text(20), primaryKey: true, ...to('books') },
    role: text(20),
  })
  await create('edits', {
    book_id: { ...text(20), primaryKey: true, ...to('books') },
    revision: { type: DataTypes.INTEGER, primaryKey: true },
    account_id: { ...text(20), ...to('accounts') },
    made_at: moment,
    kind: text(20),
    say: text(300),
    steps: { type: DataTypes.TEXT('long'), allowNull: false },
    about: { type: DataTypes.INTEGER, allowNull: true },
    undone: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
  })
  await create('openings', {
    id: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
    book_id: { ...text(20), ...to('books') },
    account_id: { ...text(20), ...to('accounts') },
    state: text(12),
    design: { type: DataTypes.TEXT('long'), allowNull: false },
    revision: { type: DataTypes.INTEGER, allowNull: false },
    steps: { type: DataTypes.TEXT('long'), allowNull: false },
    position: { type: DataTypes.INTEGER, allowNull: false },
    started_at: moment,
    ended_at: { ...moment, allowNull: true },
  })
  await tables.addIndex(at('openings'), ['book_id', 'state'])
  await create('counts', {
    book_id: { ...text(20), primaryKey: true, ...to('books') },
    field_id: { ...text(40), primaryKey: true },
    period: { ...text(8), primaryKey: true },
    last: { type: DataTypes.BIGINT, allowNull: false },
  })
}
