import * as mariadb from 'mariadb'
import { QueryTypes, Sequelize, type Transaction } from 'sequelize'

/** One database server: the connection pool, and the schema that holds the catalogue. */
export interface Database {
  readonly sequelize: Sequelize
  readonly catalogue: string
}

type Cell = string | number | null | Buffer
export type Row = Readonly<Record<string, Cell>>
export type Params = readonly (Cell | boolean)[]

const held = globalThis as { hearthDatabase?: Promise<Database> }

/** The one connection pool of this process. Next keeps several copies of a module; this is shared by all. */
export function database(): Promise<Database> {
  held.hearthDatabase ??= connect(databaseUrl()).catch((cause: unknown) => {
    // A failed start must not be remembered: the next request tries again.
    delete held.hearthDatabase
    throw cause
  })
  return held.hearthDatabase
}

export async function closeDatabase(): Promise<void> {
  const open = await held.hearthDatabase
  delete held.hearthDatabase
  await open?.sequelize.close()
}

function databaseUrl(): string {
  const url = process.env.HEARTH_DATABASE_URL
  if (!url) throw new Error('HEARTH_DATABASE_URL is not set; start the application with npm run demo or npm run dev.')
  return url
}

/** Connects, and makes the catalogue's schema where it is missing. */
export async function connect(url: string): Promise<Database> {
  const { hostname, port, username, password, pathname } = new URL(url)
  const catalogue = decodeURIComponent(pathname.slice(1)) || 'hearth'
  if (!/^[\w]{1,30}$/.test(catalogue))
    throw new Error(`The database name in HEARTH_DATABASE_URL must be plain letters, not “${catalogue}”.`)
  const sequelize = new Sequelize('', decodeURIComponent(username), decodeURIComponent(password), {
    host: hostname,
    port: Number(port || 3306),
    dialect: 'mariadb',
    dialectModule: mariadb,
    timezone: '+00:00',
    logging: false,
    pool: { max: 12, acquire: 60_000 },
    dialectOptions: {
      supportBigNumbers: false,
      bigIntAsNumber: true,
      insertIdAsNumber: true,
      checkNumberRange: true,
      charset: 'utf8mb4',
      connectTimeout: 10_000,
      // Days, moments and decimals come as the text that MariaDB writes: no time zones, no binary fractions.
      dateStrings: true,
      typeCast: undefined,
      sessionVariables: { sql_mode: 'STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION,ERROR_FOR_DIVISION_BY_ZERO' },
    },
  })
  await sequelize.query(
    `CREATE DATABASE IF NOT EXISTS \`${catalogue}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_as_ci`,
  )
  return { sequelize, catalogue }
}

/** Reads rows. Values are parameters, never text in the statement. */
export const select = <T extends object = Row>(
  db: Database,
  sql: string,
  params: Params = [],
  transaction?: Transaction,
) =>
  db.sequelize.query<T>(sql, {
    type: QueryTypes.SELECT,
    ...(params.length > 0 && { replacements: [...params] }),
    ...(transaction && { transaction }),
  })

/** Runs a statement that changes something; the number of rows it touched. */
export async function run(db: Database, sql: string, params: Params = [], transaction?: Transaction): Promise<number> {
  const [, outcome] = await db.sequelize.query(sql, {
    ...(params.length > 0 && { replacements: [...params] }),
    ...(transaction && { transaction }),
  })
  const meta = outcome as unknown as { affectedRows?: number } | number | undefined
  return typeof meta === 'number' ? meta : (meta?.affectedRows ?? 0)
}

export type { Transaction }
