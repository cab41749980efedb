import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Stop } from './say.mjs'

/** Lets only one run use a folder; a run that was killed doesn't count. */
export function claim(folder: string, address: () => string): () => void {
  mkdirSync(folder, { recursive: true })
  const path = join(folder, 'running.json')
  const other = readOther(path)
  if (other && isAlive(other.pid))
    throw new Stop(
      `It is running already${other.url ? ` at ${other.url}` : ''}. Use that, or stop it there with Ctrl-C first.`,
    )
  const write = () => writeFileSync(path, JSON.stringify({ pid: process.pid, url: address() }))
  write()
  const timer = setInterval(() => {
    try {
      write()
    } catch {
      // Somebody took the folder away; there is nothing left to claim.
      clearInterval(timer)
    }
  }, 2000)
  timer.unref()
  return () => {
    clearInterval(timer)
    rmSync(path, { force: true })
  }
}

function readOther(path: string): { pid: number; url: string } | undefined {
  try {
    return JSON.parse(readFileSync(path, 'utf8')) as { pid: number; url: string }
  } catch {
    return undefined
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return pid !== process.pid
  } catch {
    return false
  }
}
