import type { Catalogue } from '../catalogue'
import { run, select, transact } from '../database'

/** So many tries at once, and one more for each so many seconds that pass. */
export interface Rate {
  readonly most: number
  readonly seconds: number
}

/** A bucket of tries, called after whose they are. */
export interface Bucket {
  readonly name: string
  readonly rate: Rate
}

const tableIn = (db: Catalogue) => `\`${db.catalogue}\`.\`sign_in_tries\``

/**
 * Counts a try, before anything is checked: of many at the same moment only so many get through. Gives the seconds to
 * wait where the bucket is full; such a try isn't counted, so nobody can keep a bucket full by trying on and on.
 * A leaky bucket (ITU-T I.371, annex A): it empties by itself, and forgets with time.
 */
async function countTry(db: Catalogue, { name, rate }: Bucket): Promise<number> {
  // By itself, because it would hold the row beside others and then wait for them to have it alone.
  await run(db, `INSERT IGNORE INTO ${tableIn(db)} (bucket, level, at) VALUES (?, 0, NOW(3))`, [name])
  return transact(db, async (transaction) => {
    const [row] = await select<{ level: number }>(
      db,
      `SELECT GREATEST(0, level - GREATEST(0, TIMESTAMPDIFF(MICROSECOND, at, NOW(3))) / 1000000 / ${rate.seconds}) AS level FROM ${tableIn(db)} WHERE bucket = ? FOR UPDATE`,
      [name],
      transaction,
    )
    const level = Number(row?.level ?? 0)
    if (level + 1 > rate.most) return Math.max(1, Math.ceil((level + 1 - rate.most) * rate.seconds))
    await run(db, `UPDATE ${tableIn(db)} SET level = ?, at = NOW(3) WHERE bucket = ?`, [level + 1, name], transaction)
    return 0
  })
}

/** Takes a try back that came to nothing worse than a sign-in. */
export const uncountTry = (db: Catalogue, { name }: Bucket) =>
  run(db, `UPDATE ${tableIn(db)} SET level = GREATEST(0, level - 1) WHERE bucket = ?`, [name])

/** Counts a try in all of some buckets, or in none; the seconds to wait. */
export async function countIn(db: Catalogue, buckets: readonly Bucket[]): Promise<number> {
  for (const [at, bucket] of buckets.entries()) {
    const seconds = await countTry(db, bucket)
    if (seconds === 0) continue
    for (const counted of buckets.slice(0, at)) await uncountTry(db, counted)
    return seconds
  }
  return 0
}

/** What has long run empty needn't be kept. */
export const dropEmptyBuckets = (db: Catalogue) =>
  run(db, `DELETE FROM ${tableIn(db)} WHERE at < NOW() - INTERVAL 1 DAY`)
