import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'
import { delimiter, join } from 'node:path'
import { say, Stop } from './say.mjs'

/** Where Debian puts the programs that this one needs, and the packages they come in. */
const wanted = {
  mariadbd: { places: ['/usr/sbin', '/usr/local/sbin'], package: 'mariadb-server' },
  'mariadb-install-db': { places: [], package: 'mariadb-server' },
  chromium: { places: [], package: 'chromium' },
  chromedriver: { places: [], package: 'chromium-driver' },
  pdftoppm: { places: [], package: 'poppler-utils' },
}

/** The path of a program, if it is on this machine. */
export function find(program) {
  const places = [...(process.env.PATH ?? '').split(delimiter), ...wanted[program].places]
  return places.map((place) => join(place, program)).find((path) => existsSync(path))
}

/** Installs what is missing where that is allowed; otherwise says in one line what to install. */
export function ensurePrograms(programs) {
  const missing = [...new Set(programs.filter((program) => !find(program)).map((program) => wanted[program].package))]
  if (missing.length === 0) return
  const root = process.getuid?.() === 0
  const sudo = !root && spawnSync('sudo', ['-n', 'true'], { stdio: 'ignore' }).status === 0
  if (!existsSync('/usr/bin/apt-get') || (!root && !sudo)) {
    throw new Stop(
      `These programs are missing: ${missing.join(', ')}. Install them (on Debian: sudo apt-get install ${missing.join(' ')}) and start again.`,
    )
  }
  say(`Installing ${missing.join(', ')} …`)
  const apt = (...words) => {
    const command = sudo ? ['sudo', '-n', 'apt-get', ...words] : ['apt-get', ...words]
    execFileSync(command[0], command.slice(1), {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    })
  }
  try {
    apt('update', '-qq')
    apt('install', '-y', '-qq', '--no-install-recommends', ...missing)
  } catch {
    throw new Stop(`Installing ${missing.join(', ')} did not work. Install them yourself and start again.`)
  }
}
