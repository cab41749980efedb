import { createHash } from 'node:crypto'
import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { say, Stop } from './say.mjs'

/** Runs `npm ci` where node_modules doesn't belong to the lock file that lies here. */
export function ensureModules(root) {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  const mark = join(root, 'node_modules', '.hearth-lock')
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return
  say('Installing the packages …')
  try {
    execFileSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
      cwd: root,
      stdio: ['ignore', 'ignore', 'inherit'],
    })
  } catch {
    throw new Stop(
      'npm ci did not work; its message stands above. Check the connection and the free disk space, then start again.',
    )
  }
  writeFileSync(mark, lock)
}
