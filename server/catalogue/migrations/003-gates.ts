import { DataTypes, type QueryInterface } from 'sequelize'

/**
 * What writers of records hold before they begin: the book itself, on whose row an opening under way is noted, and
 * the rules that look at several records.
 */
export async function up(tables: QueryInterface, schema: string): Promise<void> {
  await tables.createTable(
    { tableName: 'gates', schema },
    {
      book_id: {
        type: DataTypes.STRING(20),
        primaryKey: true,
        references: { model: { tableName: 'books', schema } as never, key: 'id' },
        onDelete: 'CASCADE',
      },
      part: { type: DataTypes.STRING(40), primaryKey: true },
      opening: { type: DataTypes.INTEGER, allowNull: true },
      opened_revision: { type: DataTypes.INTEGER, allowNull: true },
      opened_edition: { type: DataTypes.INTEGER, allowNull: true },
    },
    { charset: 'utf8mb4', collate: 'utf8mb4_uca1400_as_ci' },
  )
  await tables.sequelize.query(
    `INSERT INTO \`${schema}\`.gates (book_id, part, opening, opened_revision, opened_edition)
     SELECT b.id, '', (SELECT MIN(o.id) FROM \`${schema}\`.openings o WHERE o.book_id = b.id AND o.state = 'running'), b.opened_revision, 1
     FROM \`${schema}\`.books b`,
  )
}
