// The one start for every npm command: sets the machine up with nothing but Node, then hands over.
import { spawn } from 'node:child_process'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureModules } from '../setup/modules.mjs'
import { ensurePrograms } from '../setup/packages.mjs'
import { say, Stop } from '../setup/say.mjs'

const root = join(dirname(fileURLToPath(import.meta.url)), '..')
const database = ['mariadbd', 'mariadb-install-db']
const browser = ['chromium', 'chromedriver']
const needs = {
  demo: database,
  dev: database,
  test: [...database, ...browser, 'pdftoppm'],
  bench: [...database, ...browser],
  screenshots: [...database, ...browser],
}

const [verb, ...rest] = process.argv.slice(2)
try {
  if (!Object.hasOwn(needs, verb ?? ''))
    throw new Stop(`There is no “${verb}”. Try one of: ${Object.keys(needs).join(', ')}.`)
  if (Number(process.versions.node.split('.')[0]) < 20)
    throw new Stop(`Node 20 or newer is needed; this is ${process.version}.`)
  ensurePrograms(
    process.env.HEARTH_DATABASE_URL && verb !== 'test'
      ? needs[verb].filter((one) => !database.includes(one))
      : needs[verb],
  )
  ensureModules(root)
  const child = spawn(process.execPath, ['--import', 'tsx', join(root, 'scripts', 'run', `${verb}.ts`), ...rest], {
    cwd: root,
    stdio: 'inherit',
  })
  // A terminal's Ctrl-C reaches the child too; a signal sent to this process alone is passed on.
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => child.kill(signal === 'SIGHUP' ? 'SIGTERM' : signal))
  child.on('exit', (code, signal) => process.exit(code ?? (signal ? 130 : 1)))
} catch (cause) {
  if (!(cause instanceof Stop)) throw cause
  say(cause.message)
  process.exit(1)
}
