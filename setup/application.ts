import { type ChildProcess, spawn } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { say, Stop } from './say.mjs'

export const root = join(dirname(fileURLToPath(import.meta.url)), '..')
export const home = join(root, '.hearth')
const next = join(root, 'node_modules', 'next', 'dist', 'bin', 'next')

const parts = [
  'app',
  'core',
  'server',
  'ui',
  'workers',
  'next.config.ts',
  'proxy.ts',
  'instrumentation.ts',
  'package-lock.json',
  'postcss.config.mjs',
  'tsconfig.json',
]

/** A mark for the sources as they are, by the contents of every file that the build reads. */
function sourceMark(): string {
  const hash = createHash('sha256')
  const read = (path: string) => {
    if (!existsSync(path)) return
    if (statSync(path).isDirectory())
      return readdirSync(path)
        .sort()
        .forEach((name) => read(join(path, name)))
    if (!path.includes('.test.')) hash.update(path.slice(root.length)).update(readFileSync(path))
  }
  parts.forEach((part) => read(join(root, part)))
  return hash.digest('hex')
}

/** Builds the production server where the sources have changed since the last build. */
export async function ensureBuilt(): Promise<void> {
  const mark = join(root, '.next', 'hearth-sources')
  const now = sourceMark()
  if (existsSync(mark) && readFileSync(mark, 'utf8') === now) return
  say('Building the application (about a minute, once) …')
  rmSync(mark, { force: true })
  const lines: string[] = []
  const build = spawn(process.execPath, [next, 'build'], {
    cwd: root,
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  build.stdout.on('data', (line: Buffer) => lines.push(line.toString()))
  build.stderr.on('data', (line: Buffer) => lines.push(line.toString()))
  const code = await new Promise((done) => build.on('exit', done))
  if (code !== 0) {
    const words = lines.join('')
    if (/ENOSPC/.test(words))
      throw new Stop('The disk is full, so the application can’t be built. Free some space and start again.')
    throw new Stop(`The build did not work:\n${words.slice(-3000)}`)
  }
  writeFileSync(mark, now)
}

/** The secret that seals cookies, made once and kept, so that sign-ins outlast a restart. */
export function secretIn(folder: string): string {
  mkdirSync(folder, { recursive: true })
  const path = join(folder, 'cookie.secret')
  if (!existsSync(path)) writeFileSync(path, randomBytes(32).toString('hex'), { mode: 0o600 })
  return readFileSync(path, 'utf8')
}

export interface Running {
  readonly url: string
  readonly process: ChildProcess
  readonly stop: () => Promise<void>
  /** Ends it at once, as a crash would. */
  readonly kill: () => Promise<void>
}

interface Choices {
  readonly port: number
  readonly databaseUrl: string
  readonly secret: string
  readonly mode?: 'start' | 'dev'
  readonly quiet?: boolean
}

/** Starts the server and waits until it answers. */
export async function startApplication({
  port,
  databaseUrl,
  secret,
  mode = 'start',
  quiet,
}: Choices): Promise<Running> {
  const server = spawn(process.execPath, [next, mode, '-H', '127.0.0.1', '-p', String(port)], {
    cwd: root,
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', HEARTH_DATABASE_URL: databaseUrl, HEARTH_SECRET: secret },
    stdio: ['ignore', quiet ? 'ignore' : 'pipe', quiet ? 'ignore' : 'inherit'],
    detached: true,
  })
  const url = `http://127.0.0.1:${port}`
  for (let wait = 0; wait < 600; wait++) {
    if (server.exitCode !== null)
      throw new Stop('The application stopped while it was starting; what it said stands above.')
    const answer = await fetch(`${url}/sign-in`, { redirect: 'manual' }).catch(() => undefined)
    if (answer && answer.status < 500) break
    await new Promise((done) => setTimeout(done, 100))
  }
  const end = async (signal: NodeJS.Signals) => {
    if (server.exitCode !== null || server.signalCode !== null) return
    const ended = new Promise((done) => server.once('exit', done))
    // The whole group: the server may have helpers of its own.
    try {
      process.kill(-server.pid!, signal)
    } catch {
      server.kill(signal)
    }
    const killer = setTimeout(() => server.kill('SIGKILL'), 8000)
    await ended
    clearTimeout(killer)
  }
  return { url, process: server, stop: () => end('SIGTERM'), kill: () => end('SIGKILL') }
}
