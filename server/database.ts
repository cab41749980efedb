import * as mariadb from 'mariadb'
import { type Options, Sequelize } from 'sequelize'

/** One database server: the connection pool, and the schema that holds the catalogue. */
export interface Database {
  readonly sequelize: Sequelize
  readonly catalogue: string
  /** The few connections on which people's own questions are answered, so that heavy ones keep nobody from saving. */
  readonly asking?: Sequelize
  /** Ends what is being read when whoever asked has gone. */
  readonly until?: { readonly signal: AbortSignal; readonly by: Sequelize } | undefined
}

/** How long people's own questions may take, in seconds, and how many are answered at once. */
export const askingLimits = { seconds: 15, atOnce: 4, waitsFor: 20 } as const

/** The same database for what somebody asks: on connections of its own, for so long, and until they go away. */
export const readOnly = <D extends Database>(db: D, signal?: AbortSignal): D =>
  db.asking ? { ...db, sequelize: db.asking, until: signal && { signal, by: db.sequelize } } : db

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
  const options = (most: number, acquire: number, initSql: readonly string[]): Options => ({
    host: hostname,
    port: Number(port || 3306),
    dialect: 'mariadb',
    dialectModule: mariadb,
    timezone: '+00:00',
    logging: false,
    pool: { max: most, acquire },
    dialectOptions: {
      supportBigNumbers: false,
      bigIntAsNumber: true,
      insertIdAsNumber: true,
      checkNumberRange: true,
      charset: 'utf8mb4',
      connectTimeout: 10_000,
      // What is typed stays out of what the driver says of a failure.
      logParam: false,
      // Days, moments and decimals come as the text that MariaDB writes: no time zones, no binary fractions.
      dateStrings: true,
      typeCast: undefined,
      // Rules over several records are asked by a save when all is written, so the triggers that ask them of other
      // tools' rows wait for this; and what is asked under a lock must see what others committed before it was got.
      initSql: ['SET @hearth_saving = 1', 'SET SESSION TRANSACTION ISOLATION LEVEL READ COMMITTED', ...initSql],
      sessionVariables: { sql_mode: 'STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION,ERROR_FOR_DIVISION_BY_ZERO' },
    },
  })
  const [user, secret] = [decodeURIComponent(username), decodeURIComponent(password)]
  const sequelize = new Sequelize('', user, secret, options(12, 60_000, []))
  const { atOnce, waitsFor, seconds } = askingLimits
  const limited = [`SET SESSION max_statement_time = ${seconds}`, 'SET SESSION TRANSACTION READ ONLY']
  const asking = new Sequelize('', user, secret, options(atOnce, waitsFor * 1000, limited))
  // Whoever closes the one closes the other.
  const close = sequelize.close.bind(sequelize)
  sequelize.close = async () => {
    await asking.close()
    await close()
  }
  await sequelize.query(
    `CREATE DATABASE IF NOT EXISTS \`${catalogue}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_uca1400_as_ci`,
  )
  return { sequelize, catalogue, asking }
}

/** What LIKE finds some letters with, wherever they stand. */
export const containing = (letters: string): string => `%${letters.replace(/[\\%_]/g, '\\$&')}%`

/** Reads rows. Values are parameters, never text in the statement. */
export const select = <T extends object = Row>(
  db: Database,
  sql: string,
  params: Params = [],
  transaction?: Transaction,
): Promise<T[]> => onConnection(db, transaction, (connection) => statement<T[]>(connection, sql, params))

/** Reads rows as plain arrays, in the order of the selected columns: what long lists are read with. */
export const selectRows = <T extends readonly unknown[]>(
  db: Database,
  sql: string,
  params: Params = [],
  transaction?: Transaction,
): Promise<T[]> =>
  onConnection(db, transaction, (connection) => statement<T[]>(connection, { sql, rowsAsArray: true }, params))

/** Runs a statement that changes something; the number of rows it touched. */
export async function run(db: Database, sql: string, params: Params = [], transaction?: Transaction): Promise<number> {
  return (await write(db, sql, params, transaction)).affectedRows
}

/** Runs a statement that gives a number; the number. */
export async function runForNumber(
  db: Database,
  sql: string,
  params: Params,
  transaction?: Transaction,
): Promise<number> {
  return Number((await write(db, sql, params, transaction)).insertId)
}

const write = (db: Database, sql: string, params: Params, transaction?: Transaction) =>
  onConnection(db, transaction, async (connection) => {
    const outcome = await statement<Partial<mariadb.UpsertResult> | undefined>(connection, sql, params)
    return { affectedRows: outcome?.affectedRows ?? 0, insertId: outcome?.insertId ?? 0 }
  })

/** Several statements that stand together or not at all; they hold one connection. */
export interface Transaction {
  readonly connection: mariadb.Connection
}

/** Runs statements in one transaction; what throws takes all of them back. */
export const transact = <T>(db: Database, work: (transaction: Transaction) => Promise<T>): Promise<T> =>
  onConnection(db, undefined, async (connection) => {
    // A connection carries out one statement after the other, so the first needn't wait for the answer to this.
    const begun = connection.beginTransaction()
    // Without a transaction nothing may be written, so nothing more gets through.
    begun.catch(() => connection.destroy())
    try {
      const value = await work({ connection })
      await begun
      await connection.commit()
      return value
    } catch (cause) {
      // A connection that broke has taken everything back by itself; what broke it is what counts.
      await connection.rollback().catch(() => connection.destroy())
      throw cause
    }
  })

/** Reads by several statements what all stood there at one moment, whatever is written meanwhile. */
export const ofOneMoment = <T>(db: Database, work: (transaction: Transaction) => Promise<T>): Promise<T> =>
  onConnection(db, undefined, async (connection) => {
    await connection.query('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ')
    await connection.query('START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY')
    try {
      return await work({ connection })
    } finally {
      // A connection that broke has let go by itself.
      await connection.rollback().catch(() => connection.destroy())
    }
  })

// Statements with values are prepared, and the driver keeps what it prepared: reading rows in the binary
// form costs half of what reading text does. The connections come from Sequelize's pool.
const statement = <T>(connection: mariadb.Connection, sql: string | mariadb.QueryOptions, params: Params) =>
  params.length > 0 && params.length <= preparedAtMost
    ? connection.execute<T>(sql, params)
    : connection.query<T>(sql, params)

// A statement for hundreds of rows at once is not worth keeping.
const preparedAtMost = 200

async function onConnection<T>(
  { sequelize, until }: Database,
  transaction: Transaction | undefined,
  work: (connection: mariadb.Connection) => Promise<T>,
): Promise<T> {
  if (transaction) return work(transaction.connection)
  until?.signal.throwIfAborted()
  const connection = (await sequelize.connectionManager.getConnection({ type: 'write' } as never)) as mariadb.Connection
  let stopping: Promise<unknown> | undefined
  const stop = () => {
    stopping = until?.by.query(`KILL QUERY ${connection.threadId!}`).catch(() => undefined)
  }
  try {
    until?.signal.throwIfAborted()
    until?.signal.addEventListener('abort', stop)
    return await work(connection)
  } finally {
    until?.signal.removeEventListener('abort', stop)
    // Whoever gets the connection next must not be stopped in this one's place.
    await stopping
    sequelize.connectionManager.releaseConnection(connection)
  }
}
