import { DataTypes, type QueryInterface } from 'sequelize'

/** How often a kept list is run each month and for how long, and what each person answered last to what it asks. */
export async function up(tables: QueryInterface, schema: string): Promise<void> {
  const charset = { charset: 'utf8mb4', collate: 'utf8mb4_uca1400_as_ci' }
  const ofBook = () => ({
    type: DataTypes.STRING(20),
    primaryKey: true,
    references: { model: { tableName: 'books', schema } as never, key: 'id' },
    onDelete: 'CASCADE',
  })
  const key = (length: number) => ({ type: DataTypes.STRING(length), primaryKey: true })
  await tables.createTable(
    { tableName: 'list_runs', schema },
    {
      book_id: ofBook(),
      list_id: key(40),
      month: key(7),
      runs: { type: DataTypes.INTEGER, allowNull: false },
      took: { type: DataTypes.BIGINT, allowNull: false },
    },
    charset,
  )
  await tables.createTable(
    { tableName: 'list_answers', schema },
    { book_id: ofBook(), list_id: key(40), account_id: key(20), given: { type: DataTypes.TEXT, allowNull: false } },
    charset,
  )
}
