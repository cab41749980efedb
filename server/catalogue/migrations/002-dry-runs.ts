import { DataTypes, type QueryInterface } from 'sequelize'

/** Dry runs are books of their own that remember whose they are; they go with it. */
export async function up(tables: QueryInterface, schema: string): Promise<void> {
  await tables.addColumn({ tableName: 'books', schema }, 'dry_of', {
    type: DataTypes.STRING(20),
    allowNull: true,
    references: { model: { tableName: 'books', schema } as never, key: 'id' },
    onDelete: 'CASCADE',
  })
}
