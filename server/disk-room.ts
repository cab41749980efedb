import { statfs } from 'node:fs/promises'
import type { Problem } from '@/core/words'
import { type Database, select } from './database'

/**
 * How much of the disk must stay free for anything to be written, in megabytes: MariaDB doesn't refuse a write
 * that finds no room but stops dead, so nobody gets as far. Another amount can be set as HEARTH_KEEP_FREE.
 */
const usual = 64

/** The last look is good for so long, in milliseconds: a save takes less. */
const goodFor = 1000

interface Look {
  readonly at: number
  readonly free: number
}
const looks = new WeakMap<Database['sequelize'], Look>()
const places = new WeakMap<Database['sequelize'], string | null>()

/** What stands in the way of writing: a disk that is nearly full. A database on another machine looks after its own. */
export async function roomProblem(db: Database): Promise<Problem | undefined> {
  const last = looks.get(db.sequelize)
  const now = last && Date.now() - last.at < goodFor ? last : await look(db)
  looks.set(db.sequelize, now)
  const set = Number(process.env.HEARTH_KEEP_FREE || NaN)
  const least = set >= 0 ? set : usual
  return now.free < least ? { kind: 'disk-full', free: Math.floor(now.free), least } : undefined
}

async function look(db: Database): Promise<Look> {
  let place = places.get(db.sequelize)
  if (place === undefined) places.set(db.sequelize, (place = await placeOf(db)))
  const room = place === null ? undefined : await statfs(place).catch(() => undefined)
  return { at: Date.now(), free: room ? (room.bavail * room.bsize) / 2 ** 20 : Infinity }
}

/** Where the database keeps its files, if that is on this machine. */
async function placeOf(db: Database): Promise<string | null> {
  const { host } = db.sequelize.config
  if (!['127.0.0.1', 'localhost', '::1', '[::1]'].includes(host ?? '')) return null
  const [row] = await select<{ place: string }>(db, 'SELECT @@datadir AS place')
  return row?.place ?? null
}
