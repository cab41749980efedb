import { DataTypes, type QueryInterface } from 'sequelize'

/** E-mails: those that go out, by which post office, and what the one that ships with the program took in. */
export async function up(tables: QueryInterface, schema: string): Promise<void> {
  const charset = { charset: 'utf8mb4', collate: 'utf8mb4_uca1400_as_ci' }
  const ofBook = () => ({
    type: DataTypes.STRING(20),
    allowNull: false,
    references: { model: { tableName: 'books', schema } as never, key: 'id' },
    onDelete: 'CASCADE',
  })
  const text = (length: number, allowNull = false) => ({ type: DataTypes.STRING(length), allowNull })
  const long = { type: DataTypes.TEXT('medium'), allowNull: false }
  await tables.createTable(
    { tableName: 'mails', schema },
    {
      id: { ...text(20), primaryKey: true },
      book_id: ofBook(),
      template_id: text(40),
      name: text(60),
      table_id: text(40),
      ref: text(3000),
      label: text(400),
      receivers: { type: DataTypes.TEXT, allowNull: false },
      subject: text(400),
      message: long,
      // As it was when it was sent: who e-mails are from may change.
      sender: text(400, true),
      file_name: text(120, true),
      // Of a document that keeps what is handed out, the paper is what goes with it.
      paper_id: text(20, true),
      pdf: { type: DataTypes.BLOB('long'), allowNull: true },
      account_id: text(20),
      made_at: text(30),
      state: text(10),
      why: text(400, true),
      tries: { type: DataTypes.INTEGER, allowNull: false },
      /** When it is tried next, or since when it is on its way, or when it was sent. */
      at: text(30),
    },
    charset,
  )
  const mails = { tableName: 'mails', schema }
  await tables.addIndex(mails, {
    fields: ['book_id', 'table_id', { name: 'ref', length: 400 }],
    name: 'of_record',
  })
  await tables.addIndex(mails, ['book_id', 'made_at'], { name: 'newest' })
  await tables.addIndex(mails, ['state', 'at'], { name: 'to_do' })
  await tables.createTable(
    { tableName: 'post_offices', schema },
    {
      book_id: { ...ofBook(), primaryKey: true },
      sender_name: text(60),
      sender_address: text(254),
      host: text(254, true),
      port: { type: DataTypes.INTEGER, allowNull: true },
      safety: text(10, true),
      user: text(254, true),
      // Sealed with the program's own secret.
      password: text(1000, true),
    },
    charset,
  )
  await tables.createTable(
    { tableName: 'post_received', schema },
    {
      id: { ...text(20), primaryKey: true },
      book_id: ofBook(),
      received_at: text(30),
      receivers: { type: DataTypes.TEXT, allowNull: false },
      contents: { type: DataTypes.BLOB('long'), allowNull: false },
    },
    charset,
  )
  await tables.addIndex({ tableName: 'post_received', schema }, ['book_id', 'received_at'], { name: 'newest' })
}
