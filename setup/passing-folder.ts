import { mkdtempSync, rmSync, statfsSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'

const memory = '/dev/shm'
const wanted = 4 * 2 ** 30

/** Whether this machine has a folder in memory with room for the databases of tests. */
function hasMemory(): boolean {
  try {
    const { bavail, bsize } = statfsSync(memory)
    return bavail * bsize > wanted
  } catch {
    return false
  }
}

/**
 * A folder for a database that is thrown away: in memory where there is room, because most of what such a database takes
 * its time for is waiting for a disk to keep what nobody will read again.
 */
export function passingFolder(name: string): { readonly path: string; readonly remove: () => void } {
  const path = mkdtempSync(join(hasMemory() ? memory : tmpdir(), `hearth-${name}-`))
  return { path, remove: () => rmSync(path, { recursive: true, force: true }) }
}
