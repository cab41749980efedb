import { DataTypes, type QueryInterface } from 'sequelize'

/** Tries to sign in leak away with time, by name and by address; an account that was removed stays known by name. */
export async function up(tables: QueryInterface, schema: string): Promise<void> {
  const at = (tableName: string) => ({ tableName, schema }) as never
  await tables.dropTable(at('sign_in_tries'))
  await tables.createTable(
    at('sign_in_tries'),
    {
      bucket: { type: DataTypes.STRING(160), primaryKey: true },
      level: { type: DataTypes.DOUBLE, allowNull: false },
      at: { type: DataTypes.DATE(3), allowNull: false },
    },
    { charset: 'utf8mb4', collate: 'utf8mb4_uca1400_as_ci' },
  )
  await tables.addColumn(at('accounts'), 'removed_at', { type: DataTypes.DATE(3), allowNull: true })
}
