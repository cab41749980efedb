import { Umzug, type UmzugStorage } from 'umzug'
import { type Database, run, select, transact } from '../database'
import { up as first } from './migrations/001-first'
import { up as dryRuns } from './migrations/002-dry-runs'
import { up as gates } from './migrations/003-gates'
import { up as people } from './migrations/004-people'
import { up as editions } from './migrations/005-editions'
import { up as words } from './migrations/006-words'
import { up as undo } from './migrations/007-undo'
import { up as dismissed } from './migrations/008-dismissed'
import { up as listUses } from './migrations/009-list-uses'
import { up as papers } from './migrations/010-papers'
import { up as post } from './migrations/011-post'
import { up as tray } from './migrations/012-tray'

const migrations = [
  { name: '001-first', up: first },
  { name: '002-dry-runs', up: dryRuns },
  { name: '003-gates', up: gates },
  { name: '004-people', up: people },
  { name: '005-editions', up: editions },
  { name: '006-words', up: words },
  { name: '007-undo', up: undo },
  { name: '008-dismissed', up: dismissed },
  { name: '009-list-uses', up: listUses },
  { name: '010-papers', up: papers },
  { name: '011-post', up: post },
  { name: '012-tray', up: tray },
]

/** Brings the catalogue up to date. Several servers may start at once: one does it, the others wait. */
export async function migrate(db: Database): Promise<void> {
  const lock = `${db.catalogue}-migrations`
  await transact(db, async (transaction) => {
    // The named lock belongs to the connection that the transaction holds.
    const [got] = await select<{ got: number }>(db, 'SELECT GET_LOCK(?, 60) AS got', [lock], transaction)
    if (got?.got !== 1) throw new Error('Another server is still bringing the catalogue up to date.')
    try {
      const umzug = new Umzug({
        migrations: migrations.map(({ name, up }) => ({
          name,
          up: () => up(db.sequelize.getQueryInterface(), db.catalogue),
        })),
        storage: storageIn(db),
        logger: undefined,
      })
      await umzug.up()
    } finally {
      await select(db, 'SELECT RELEASE_LOCK(?)', [lock], transaction)
    }
  })
}

function storageIn(db: Database): UmzugStorage {
  const table = `\`${db.catalogue}\`.\`migrations\``
  return {
    async executed() {
      await run(db, `CREATE TABLE IF NOT EXISTS ${table} (name VARCHAR(100) PRIMARY KEY)`)
      return (await select<{ name: string }>(db, `SELECT name FROM ${table} ORDER BY name`)).map((row) => row.name)
    },
    async logMigration({ name }) {
      await run(db, `INSERT INTO ${table} (name) VALUES (?)`, [name])
    },
    async unlogMigration({ name }) {
      await run(db, `DELETE FROM ${table} WHERE name = ?`, [name])
    },
  }
}
