import { DataTypes, type QueryInterface } from 'sequelize'

/** Files that wait for whoever asked for them, and what they consist of, part by part. */
export async function up(tables: QueryInterface, schema: string): Promise<void> {
  const charset = { charset: 'utf8mb4', collate: 'utf8mb4_uca1400_as_ci' }
  const within = (model: string, length: number) => ({
    type: DataTypes.STRING(length),
    allowNull: false,
    references: { model: { tableName: model, schema } as never, key: 'id' },
    onDelete: 'CASCADE',
  })
  const text = (length: number) => ({ type: DataTypes.STRING(length), allowNull: false })
  const whole = { type: DataTypes.BIGINT, allowNull: false, defaultValue: 0 }
  await tables.createTable(
    { tableName: 'tray', schema },
    {
      id: { ...text(20), primaryKey: true },
      book_id: within('books', 20),
      account_id: within('accounts', 20),
      title: text(200),
      form: text(10),
      state: text(10),
      pages: whole,
      size: { ...whole },
      // Why there is none, in the program's own terms.
      problem: { type: DataTypes.TEXT, allowNull: true },
      made_at: text(30),
      // When whoever makes it was last heard of, by the database's clock.
      beat: { type: DataTypes.DATE(3), allowNull: false },
    },
    charset,
  )
  await tables.addIndex({ tableName: 'tray', schema }, ['book_id', 'account_id', 'made_at'], { name: 'of_account' })
  await tables.createTable(
    { tableName: 'tray_parts', schema },
    {
      tray_id: { ...within('tray', 20), primaryKey: true },
      part: { type: DataTypes.INTEGER, primaryKey: true },
      contents: { type: DataTypes.BLOB('medium'), allowNull: false },
    },
    charset,
  )
}
