import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join, relative } from 'node:path'
import { beforeAll, expect, inject, test } from 'vitest'
import { emberlyDesign } from '@/demo/emberly/design'
import { root, type Running } from '@/scripts/setup/application'
import { makeBook, editBook } from '@/server/books'
import { type Catalogue, catalogueOn, type Role } from '@/server/catalogue'
import { connect } from '@/server/database'
import { openBook } from '@/server/live'
import { makeAccount, setRole } from '@/server/people'
import { application } from '../support/application'
import { Browser } from '../support/browser'

const password = 'a long enough one'
type Visitor = 'nobody' | 'outsider' | Role
const visitors: readonly Visitor[] = ['nobody', 'outsider', 'reader', 'staff', 'administrator']
const rank: Record<Visitor, number> = { nobody: 0, outsider: 0, reader: 1, staff: 2, administrator: 3 }

let running: Running
let db: Catalogue
let book: string
const cookies = new Map<Visitor, string>()

beforeAll(async () => {
  running = await application('doors')
  db = await catalogueOn(await connect(`${inject('databaseUrl')}/doors`))
  const owner = await makeAccount(db, 'administrator', password, true)
  if (!owner.ok) throw new Error('Expected an account.')
  const made = await makeBook(db, owner.value, 'Doors')
  book = made.ok ? made.value : ''
  for (const edit of emberlyDesign().edits) await editBook(db, book, owner.value.id, edit, [])
  await openBook(db, book, owner.value.id)
  for (const role of ['staff', 'reader', 'outsider'] as const) {
    const account = await makeAccount(db, role, password)
    if (account.ok && role !== 'outsider') await setRole(db, book, account.value.id, role)
  }
  await db.sequelize.close()
  const browser = await Browser.start(running.url)
  for (const visitor of visitors.slice(1)) {
    await browser.driver.manage().deleteAllCookies()
    await browser.signIn(visitor, password)
    cookies.set(visitor, (await browser.cookies()).map(({ name, value }) => `${name}=${value}`).join('; '))
    const session = (await browser.cookies()).find((cookie) => cookie.name === 'hearth-session')
    expect(session).toMatchObject({ httpOnly: true, sameSite: 'Lax' })
  }
  await browser.end()
})

function files(folder: string, wanted: RegExp): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    return statSync(path).isDirectory() ? files(path, wanted) : wanted.test(name) ? [path] : []
  })
}

/** Every address under a book that the source has, with something real in place of what varies. */
const doors = files(join(root, 'app/books/[book]'), /^(page\.tsx|route\.ts)$/).map((path) => ({
  page: path.endsWith('page.tsx'),
  method: readFileSync(path, 'utf8').includes('export const POST') ? 'POST' : 'GET',
  path: `/${relative(join(root, 'app'), path)}`
    .replace(/\/(page\.tsx|route\.ts)$/, '')
    .replace('[table]', 'premises')
    .replace('[ref]', 'P-0001')
    .replace('[hash]', '0'.repeat(64)),
}))

/** The least role that a door should ask for, said here a second time and by another rule than the code's. */
function asked(path: string): Role {
  if (/\/(workshop|office)(\/|$)/.test(path)) return 'administrator'
  return /\/new$|\/desk\/files$/.test(path) ? 'staff' : 'reader'
}

const knock = (visitor: Visitor, path: string, init: RequestInit = {}) =>
  fetch(running.url + path, {
    redirect: 'manual',
    ...init,
    headers: { cookie: cookies.get(visitor) ?? '', ...init.headers },
  })

test('there are doors to try', () => {
  expect(doors.length).toBeGreaterThan(16)
})

test.each(doors)('$method $path lets in those it should and nobody else', async ({ page, method, path }) => {
  for (const visitor of visitors) {
    const answer = await knock(visitor, path.replace('[book]', book), { method })
    const may = rank[visitor] >= rank[asked(path)]
    const inside = page
      ? answer.status === 200 || /\/books\/.*\/(desk|workshop)/.test(answer.headers.get('location') ?? '')
      : ![401, 403].includes(answer.status)
    expect(`${visitor}: ${inside ? 'in' : 'out'}`).toBe(`${visitor}: ${may ? 'in' : 'out'}`)
    expect(answer.status).toBeLessThan(500)
  }
})

interface ActionEntry {
  readonly filename: string
  readonly exportedName: string
}
const manifest = JSON.parse(readFileSync(join(root, '.next/server/server-reference-manifest.json'), 'utf8')) as {
  node: Record<string, ActionEntry>
}
const actions = Object.entries(manifest.node).map(([id, entry]) => ({ id, ...entry }))
/** The least role for each action on a book; an action that is missing here fails the test below. */
const actionRoles: Record<string, Role> = {
  saveEdit: 'administrator',
  undoEdit: 'administrator',
  redoEdit: 'administrator',
  backTo: 'administrator',
  askOpening: 'administrator',
  openNow: 'administrator',
  askBreakers: 'administrator',
  tryExpression: 'administrator',
  fillDryRun: 'administrator',
  throwDryRunAway: 'administrator',
  chooseRole: 'administrator',
  addPerson: 'administrator',
  save: 'staff',
  askRemoval: 'staff',
  remove: 'staff',
}
const open = ['signIn', 'startUp', 'chooseTheme']
const anyAccount = ['signOut', 'newBook']

test('every server action is known to this test', () => {
  expect(actions.map((action) => action.exportedName).sort()).toEqual(
    [...Object.keys(actionRoles), ...open, ...anyAccount].sort(),
  )
})

test.each(actions.filter((action) => action.exportedName in actionRoles))(
  'the action $exportedName acts only for those it should',
  async ({ id, exportedName }) => {
    for (const visitor of visitors) {
      // The message is nonsense on purpose: whoever is let in is told so, and nothing is changed.
      const body = JSON.stringify([book, { nonsense: true }])
      const answer = await knock(visitor, '/sign-in', {
        method: 'POST',
        body,
        headers: { 'next-action': id, 'content-type': 'text/plain;charset=UTF-8', accept: 'text/x-component' },
      })
      const text = await answer.text()
      const may = rank[visitor] >= rank[actionRoles[exportedName]!]
      const refused = visitor === 'nobody' ? 'signed-out' : 'not-allowed'
      expect(text, `${visitor} at ${exportedName}`).toContain(may ? 'unexpected' : refused)
    }
  },
)

test('answers carry the headers that keep scripts and frames out', async () => {
  const { headers } = await knock('nobody', '/sign-in')
  expect(headers.get('content-security-policy')).toMatch(/script-src 'self' 'nonce-[\w+/=]+' 'strict-dynamic';/)
  expect(headers.get('content-security-policy')).toContain("frame-ancestors 'none'")
  expect(headers.get('x-content-type-options')).toBe('nosniff')
  expect(headers.get('x-powered-by')).toBeNull()
})
