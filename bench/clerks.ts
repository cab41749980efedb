import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from '@/setup/application'

/** How many are at work at once, the pause each makes between two acts, and how long they go on, in milliseconds. */
const clerks = 50
const pause = 1000
const lasts = 40_000

interface Row {
  readonly ref: string
  readonly rev: number
}

type Act = 'list' | 'find' | 'open' | 'save'

const actionNamed = (name: string): string => {
  const manifest = JSON.parse(readFileSync(join(root, '.next/server/server-reference-manifest.json'), 'utf8')) as {
    node: Record<string, { readonly exportedName: string }>
  }
  return Object.entries(manifest.node).find(([, entry]) => entry.exportedName === name)![0]
}

/** Calls a server action as the browser does. */
const call = (url: string, path: string, name: string, message: readonly unknown[], cookie = '') =>
  fetch(url + path, {
    method: 'POST',
    body: JSON.stringify(message),
    redirect: 'manual',
    headers: {
      cookie,
      'next-action': actionNamed(name),
      'content-type': 'text/plain;charset=UTF-8',
      accept: 'text/x-component',
    },
  })

async function signedIn(url: string, name: string, password: string): Promise<string> {
  const answer = await call(url, '/sign-in', 'signIn', [{ name, password }])
  return answer.headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ')
}

/**
 * Fifty clerks at the demo's visits: each looks at the list, finds one of their own, opens it and saves a note in it, with
 * a second's pause after each. Prints how long each act took, half of the times and nineteen of twenty.
 */
export async function benchClerks(url: string, book: string, name: string, password: string): Promise<void> {
  const cookie = await signedIn(url, name, password)
  const base = `/books/${book}/records`
  const times: Record<Act, number[]> = { list: [], find: [], open: [], save: [] }
  const timed = async <T>(act: Act, work: () => Promise<T>): Promise<T> => {
    const started = performance.now()
    const value = await work()
    times[act].push(performance.now() - started)
    await new Promise((done) => setTimeout(done, pause * (0.5 + Math.random())))
    return value
  }
  const get = async (path: string, headers: Record<string, string> = {}) => {
    const answer = await fetch(url + base + path, { headers: { cookie, ...headers } })
    const body = await answer.text()
    if (!answer.ok) throw new Error(`${path}: ${answer.status}`)
    return body
  }
  const booked = encodeURIComponent("State = 'booked'")
  const all = (JSON.parse(await get(`/visit/rows?where=${booked}&limit=100`)) as { rows: Row[] }).rows
  const until = Date.now() + lasts
  const clerk = async (at: number) => {
    await new Promise((done) => setTimeout(done, Math.random() * pause * 2))
    const own = all[at % all.length]!.ref
    for (let turn = 0; Date.now() < until; turn++) {
      await timed('list', () => get('/visit/rows?count=1&limit=100&sort=visit__booked-for&down=1'))
      const found = JSON.parse(await timed('find', () => get(`/visit/rows?find=${own}&limit=5`))) as { rows: Row[] }
      const row = found.rows.find(({ ref }) => ref === own)!
      await timed('open', () => get(`/visit/record/${own}`, { RSC: '1' }))
      const values = { visit__note: `Rang again, ${turn}` }
      const message = [book, { table: 'visit', ref: own, rev: row.rev, values, children: [] }]
      const saved = await timed('save', async () => (await call(url, base, 'save', message, cookie)).text())
      if (!/"kind":"(saved|conflict)"/.test(saved)) throw new Error(saved.slice(0, 500))
    }
  }
  await Promise.all(Array.from({ length: clerks }, (_, at) => clerk(at)))
  for (const [act, own] of Object.entries(times)) {
    const sorted = own.sort((a, b) => a - b)
    const share = (part: number) => Math.round(sorted[Math.floor(sorted.length * part)] ?? 0)
    process.stdout.write(
      `${clerks} clerks, ${act.padEnd(5)} ${String(sorted.length).padStart(5)} times: half within ${String(share(0.5)).padStart(5)} ms, 95 of 100 within ${String(share(0.95)).padStart(5)} ms\n`,
    )
  }
}
