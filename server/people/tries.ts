import type { Catalogue } from '../catalogue'
import { stamp } from '../clock'
import { run } from '../database'

const freeTries = 5
const longestWait = 300

const keyOf = (name: string) => name.normalize('NFC').trim().slice(0, 80)

/** How many seconds a name must still wait before it may be tried again. */
export async function waitFor({ tries }: Catalogue, name: string): Promise<number> {
  const row = (await tries.findByPk(keyOf(name)))?.get({ plain: true })
  if (!row) return 0
  const left = Date.parse(`${row.wait_until.replace(' ', 'T')}Z`) - Date.now()
  return Math.max(0, Math.ceil(left / 1000))
}

/** Counts a wrong try; from the fifth on the wait doubles each time, up to five minutes. */
export async function noteWrongTry(catalogue: Catalogue, name: string): Promise<void> {
  const table = `\`${catalogue.catalogue}\`.\`sign_in_tries\``
  await run(
    catalogue,
    `INSERT INTO ${table} (name, wrong, wait_until) VALUES (?, 1, ?) ON DUPLICATE KEY UPDATE wrong = wrong + 1`,
    [keyOf(name), stamp()],
  )
  const row = (await catalogue.tries.findByPk(keyOf(name)))?.get({ plain: true })
  const beyond = (row?.wrong ?? 0) - freeTries
  if (beyond < 0) return
  const seconds = Math.min(longestWait, 2 ** beyond)
  await catalogue.tries.update(
    { wait_until: stamp(new Date(Date.now() + seconds * 1000)) },
    { where: { name: keyOf(name) } },
  )
}

export const clearTries = ({ tries }: Catalogue, name: string) => tries.destroy({ where: { name: keyOf(name) } })
