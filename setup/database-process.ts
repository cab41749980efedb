import { type ChildProcess, spawn } from 'node:child_process'
import { existsSync, openSync, readFileSync, rmSync, statfsSync } from 'node:fs'
import { createConnection } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { freePort } from './free-port'
import { find } from './packages.mjs'
import { Stop } from './say.mjs'

/** Where a server of MariaDB runs, and how. */
export interface Place {
  readonly folder: string
  readonly port: number
  readonly socket: string
  /** Faster and forgetful, for tests: a power cut may lose the last second. */
  readonly relaxed: boolean
}

export const logIn = (folder: string) => join(folder, 'database.log')

/** Starts the server and waits until it answers. */
export async function launch({ folder, port, socket, relaxed }: Place): Promise<ChildProcess> {
  const log = logIn(folder)
  refuseFullDisk(folder, leastToStart)
  const server = spawn(
    find('mariadbd') ?? 'mariadbd',
    [
      '--no-defaults',
      ...(process.getuid?.() === 0 ? ['--user=root'] : []),
      `--datadir=${join(folder, 'data')}`,
      `--tmpdir=${join(folder, 'passing')}`,
      `--socket=${socket}`,
      `--port=${port}`,
      '--bind-address=127.0.0.1',
      '--skip-name-resolve',
      '--skip-log-bin',
      `--init-file=${join(folder, 'accounts.sql')}`,
      '--innodb-buffer-pool-size=512M',
      '--max-allowed-packet=64M',
      '--max-connections=300',
      `--pid-file=${join(folder, 'database.pid')}`,
      ...(relaxed ? ['--innodb-flush-log-at-trx-commit=2', '--innodb-doublewrite=0'] : []),
    ],
    // Its own group, so that a terminal's Ctrl-C leaves it for us to stop in order.
    { stdio: ['ignore', openSync(log, 'a'), openSync(log, 'a')], detached: true },
  )
  server.on('error', () => undefined)
  await untilReady(server, port, log)
  return server
}

/** The same on a free port; should somebody else take that first, on another. */
export async function launchSomewhere(folder: string, relaxed: boolean): Promise<[ChildProcess, Place]> {
  for (let attempt = 1; ; attempt++) {
    const port = await freePort()
    // A socket's path may have no more than 107 characters, so it doesn't stand in the folder.
    const place = { folder, port, socket: join(tmpdir(), `hearth-${process.pid}-${port}.sock`), relaxed }
    try {
      return [await launch(place), place]
    } catch (cause) {
      if (attempt === 3 || !/Address already in use/i.test(readFileSync(logIn(folder), 'utf8'))) throw cause
    }
  }
}

async function untilReady(server: ChildProcess, port: number, log: string): Promise<void> {
  for (let wait = 0; wait < 1200; wait++) {
    if (hasEnded(server) || server.pid === undefined) throw explained(new Error(), log)
    if (await answers(port)) return
    await pause(50)
  }
  server.kill('SIGKILL')
  throw new Stop(`The database did not start within a minute. Its own words are in ${log}.`)
}

const answers = (port: number) =>
  new Promise<boolean>((done) => {
    const probe = createConnection({ port, host: '127.0.0.1' })
    // The server greets by itself; a connection alone could still be turned away.
    probe.once('data', () => (probe.destroy(), done(true)))
    probe.once('error', () => done(false))
    // A server that is just starting may take a connection and end it without a word.
    probe.once('close', () => done(false))
    probe.setTimeout(1000, () => (probe.destroy(), done(false)))
  })

/** What a start needs at least, in megabytes. */
export const leastToStart = 40

/** Refuses a start that would find too little room; MariaDB's own words for it are many. */
export function refuseFullDisk(folder: string, least: number): void {
  const { bavail, bsize } = statfsSync(folder)
  const free = Math.floor((bavail * bsize) / 2 ** 20)
  if (free < least)
    throw new Stop(
      `The disk is full: ${free} MB are free, and the database needs ${least} MB to start. Free some space and start again; nothing that was kept is lost.`,
    )
}

/** What went wrong, as a sentence with the way on. */
export function explained(cause: unknown, log: string): Stop {
  const words = `${cause instanceof Error ? cause.message : String(cause)}\n${existsSync(log) ? readFileSync(log, 'utf8') : ''}`
  if (cause instanceof Stop) return cause
  if (/ENOSPC|No space left|disk full|Errcode: 28/i.test(words))
    return new Stop(
      'The disk is full, so the database can’t start. Free some space and start again; nothing that was kept is lost.',
    )
  if (/EACCES|Permission denied|Errcode: 13/i.test(words))
    return new Stop(
      `The folder ${log.replace(/\/[^/]*$/, '')} can’t be written. Give yourself the right to it and start again.`,
    )
  return new Stop(
    `The database did not start. Its own words are in ${log}. If nothing there needs keeping, start over with: npm run demo -- --fresh`,
  )
}

const hasEnded = ({ exitCode, signalCode }: ChildProcess) => exitCode !== null || signalCode !== null

/** Stops a server in order, or at least. */
export async function end(server: ChildProcess, socket: string): Promise<void> {
  if (hasEnded(server)) return
  const ended = new Promise<void>((done) => server.once('exit', () => done()))
  server.kill('SIGTERM')
  const killer = setTimeout(() => server.kill('SIGKILL'), 30_000)
  await ended
  clearTimeout(killer)
  rmSync(socket, { force: true })
}

export const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))
