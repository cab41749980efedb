import { DataTypes, type QueryInterface } from 'sequelize'

/** What was handed out, as it was then, the last number of each document, and pictures that stand on paper. */
export async function up(tables: QueryInterface, schema: string): Promise<void> {
  const charset = { charset: 'utf8mb4', collate: 'utf8mb4_uca1400_as_ci' }
  const ofBook = () => ({
    type: DataTypes.STRING(20),
    allowNull: false,
    references: { model: { tableName: 'books', schema } as never, key: 'id' },
    onDelete: 'CASCADE',
  })
  const text = (length: number, allowNull = false) => ({ type: DataTypes.STRING(length), allowNull })
  await tables.createTable(
    { tableName: 'papers', schema },
    {
      id: { ...text(20), primaryKey: true },
      book_id: ofBook(),
      template_id: text(40),
      name: text(60),
      table_id: text(40),
      ref: text(3000),
      label: text(400),
      number: text(60, true),
      made_at: text(30),
      account_id: text(20),
      hash: text(64),
      body: { type: DataTypes.TEXT('long'), allowNull: false },
      pdf: { type: DataTypes.BLOB('long'), allowNull: false },
    },
    charset,
  )
  // As much of a reference as an index holds.
  const papers = { tableName: 'papers', schema } as never
  await tables.addIndex(papers, {
    fields: ['book_id', 'table_id', { name: 'ref', length: 400 }],
    name: 'of_record',
  })
  await tables.addIndex({ tableName: 'papers', schema }, ['book_id', 'made_at'], { name: 'newest' })
  // Two that are handed out at the same moment never get the same number, whatever becomes of the program.
  await tables.addIndex({ tableName: 'papers', schema }, ['book_id', 'template_id', 'number'], {
    name: 'numbered',
    unique: true,
  })
  await tables.createTable(
    { tableName: 'paper_numbers', schema },
    {
      book_id: { ...ofBook(), primaryKey: true },
      template_id: { ...text(40), primaryKey: true },
      period: { ...text(10), primaryKey: true },
      last: { type: DataTypes.INTEGER, allowNull: false },
    },
    charset,
  )
  await tables.createTable(
    { tableName: 'pictures', schema },
    {
      book_id: { ...ofBook(), primaryKey: true },
      hash: { ...text(64), primaryKey: true },
      contents: { type: DataTypes.BLOB('medium'), allowNull: false },
    },
    charset,
  )
}
