import { DataTypes, type QueryInterface } from 'sequelize'

/** An opening that was left half way is finished by whoever comes next, and makes what the edition that planned it makes. */
export async function up(tables: QueryInterface, schema: string): Promise<void> {
  await tables.addColumn({ tableName: 'openings', schema }, 'edition', {
    type: DataTypes.INTEGER,
    allowNull: false,
    defaultValue: 1,
  })
}
