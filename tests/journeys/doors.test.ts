import { readdirSync, readFileSync, statSync } from 'node:fs'
import { request } from 'node:http'
import { join, relative } from 'node:path'
import { beforeAll, expect, inject, test } from 'vitest'
import type { Edit } from '@/core/book'
import { emberlyDesign } from '@/demo/emberly/design'
import { root, type Running } from '@/setup/application'
import { makeBook, editBook } from '@/server/books'
import { type Catalogue, catalogueOn, type Role } from '@/server/catalogue'
import { connect, run } from '@/server/database'
import { openBook } from '@/server/live'
import { makeAccount, setRole } from '@/server/people'
import { application } from '../support/application'
import { Browser } from '../support/browser'

const password = 'a long enough one'
type Visitor = 'nobody' | 'outsider' | Role
const visitors: readonly Visitor[] = ['nobody', 'outsider', 'reader', 'staff', 'administrator']
const rank: Record<Visitor, number> = { nobody: 0, outsider: 0, reader: 1, staff: 2, administrator: 3 }

/** A table with a file as large as any may be, and long text. */
const scans: readonly Edit[] = [
  { kind: 'addTable', id: 'scan', name: 'Scan', keyField: 'scan-key' },
  { kind: 'addField', table: 'scan', id: 'scan-file', name: 'Sheet', holds: 'file' },
  { kind: 'changeField', field: 'scan-file', to: { megabytes: 25 } },
]

/** A list that everybody may see. */
const kept: Edit = {
  kind: 'addList',
  id: 'doors-list',
  table: 'scan',
  columns: [{ id: 'file', shows: { kind: 'field', place: { way: [], field: 'scan-file' } } }],
  asks: [],
  order: [],
}

/** Its report. */
const onPaper: Edit = {
  kind: 'addReport',
  id: 'doors-report',
  list: 'doors-list',
  paper: { size: 'a4', margin: 18 },
  letters: 9,
  rows: 'lines',
  room: 'usual',
}

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
  for (const edit of [...emberlyDesign().edits, ...scans, kept, onPaper])
    await editBook(db, book, owner.value.id, edit, [])
  await openBook(db, book, owner.value.id)
  // Something that was handed out.
  await run(
    db,
    `INSERT INTO \`${db.catalogue}\`.papers (id, book_id, template_id, name, table_id, ref, label, made_at, account_id, hash, body, pdf)
     VALUES ('doors-paper', ?, 'document-bill', 'Bill', 'visit', 'V-1', 'V-1', '2027-03-12 10:00:00.000', ?, '', '{}', '')`,
    [book, owner.value.id],
  )
  // Something that was sent, with a file, and what the post office took in.
  await run(
    db,
    `INSERT INTO \`${db.catalogue}\`.mails (id, book_id, template_id, name, table_id, ref, label, receivers, subject, message,
     file_name, paper_id, account_id, made_at, state, tries, at)
     VALUES ('doors-mail', ?, 'document-bill', 'Bill', 'visit', 'V-1', 'V-1', '["una@otterby.example"]', 'Bill', 'Good day',
     'Bill.pdf', 'doors-paper', ?, '2027-03-12 10:00:00.000', 'sent', 1, '2027-03-12 10:00:00.000')`,
    [book, owner.value.id],
  )
  await run(
    db,
    `INSERT INTO \`${db.catalogue}\`.post_received (id, book_id, received_at, receivers, contents)
     VALUES ('doors-message', ?, '2027-03-12 10:00:00.000', 'una@otterby.example', 'Subject: Bill\r\n\r\nGood day')`,
    [book],
  )
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
    .replace('[list]', 'doors-list')
    .replace('[report]', 'doors-report')
    .replace('[document]', 'document-bill')
    .replace('[paper]', 'doors-paper')
    .replace('[mail]', 'doors-mail')
    .replace('[message]', 'doors-message')
    .replace('[hash]', '0'.repeat(64)),
}))

/** The least role that a door should ask for, said here a second time and by another rule than the code's. */
function asked(path: string): Role {
  if (/\/(workshop|office)(\/|$)|\/(arrange|look)$/.test(path)) return 'administrator'
  return /(?<!\/(?:lists|reports))\/new$|\/grid(\/save)?$|\/records\/(files|pictures)$|\/documents\/(mail$|post)/.test(
    path,
  )
    ? 'staff'
    : 'reader'
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
      ? answer.status === 200 || /\/books\/.*\/(records|workshop)/.test(answer.headers.get('location') ?? '')
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
  givePassword: 'administrator',
  removePerson: 'administrator',
  save: 'staff',
  together: 'staff',
  askRemovals: 'staff',
  askRemoval: 'staff',
  remove: 'staff',
  keep: 'staff',
  drop: 'staff',
  keepReport: 'staff',
  dropReport: 'staff',
  keepDocument: 'staff',
  dropDocument: 'staff',
  keepForm: 'administrator',
  dropForm: 'administrator',
  changeFormLook: 'administrator',
  handOutDocument: 'staff',
  putInto: 'reader',
  takeFrom: 'reader',
  askMails: 'staff',
  sendMails: 'staff',
  sendMailAgain: 'staff',
  takeMailsBack: 'staff',
  setPost: 'administrator',
  changeLetterhead: 'administrator',
}
const open = ['signIn', 'startUp', 'chooseTheme']
const anyAccount = ['signOut', 'newBook', 'ownPassword']

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

/** A request as no browser makes it; its status. */
const raw = (method: string, path: string) =>
  new Promise<number>((done, failed) => {
    const { hostname, port } = new URL(running.url)
    const sent = request({ hostname, port, method, path }, (answer) => {
      answer.resume()
      done(answer.statusCode ?? 0)
    })
    sent.on('error', failed)
    sent.end()
  })

test.each([
  ['TRACE', '/', 405],
  ['DELETE', '/sign-in', 405],
  ['GET', '/books/%ff', 400],
  ['GET', '/books/x/records/%c0%af', 400],
  ['GET', '/books/%00', 400],
])('%s %s is refused as what it is: %i', async (method, path, status) => {
  expect(await raw(method, path)).toBe(status)
})

test.each(['%', 'Fe26.2', 'Fe26.2*1*a*b*c*1*d*e~2', 'Fe26.2**x*y*z*w*v*u~9', 'x'.repeat(5000)])(
  'a session cookie that is none, %j, leads to the sign-in',
  async (value) => {
    const answer = await fetch(`${running.url}/books`, {
      redirect: 'manual',
      headers: { cookie: `hearth-session=${value}; hearth-known=${value}` },
    })
    expect([answer.status, answer.headers.get('location')]).toEqual([307, '/sign-in'])
  },
)

test.each(['1.5', '-3', 'NaN', '1e99', ''])('a list of %j rows at most is still a list', async (limit) => {
  const answer = await knock('reader', `/books/${book}/records/visit/rows?limit=${limit}`)
  expect(answer.status).toBe(200)
})

test('an address of records that was noted down under its earlier name leads to the same record', async () => {
  const answer = await knock('reader', `/books/${book}/desk/visit/record/V-1?sort=when`)
  const to = new URL(answer.headers.get('location') ?? '', running.url)
  expect([answer.status, to.pathname + to.search]).toEqual([308, `/books/${book}/records/visit/record/V-1?sort=when`])
})

test('what another site’s page sends is taken by nobody', async () => {
  for (const path of [`/books/${book}/records/files`, `/books/${book}/workshop/map/pdf`]) {
    const headers = { origin: 'https://elsewhere.example' }
    expect((await knock('administrator', path, { method: 'POST', headers, body: '{}' })).status).toBe(403)
    const own = await knock('administrator', path, { method: 'POST', headers: { origin: running.url }, body: '{}' })
    expect(own.status).toBe(400)
  }
})

const megabyte = 2 ** 20
async function upload(bytes: number, name = 'sheet.bin') {
  const form = new FormData()
  form.set('field', 'scan-file')
  form.set('file', new File([new Uint8Array(bytes).fill(65 + (bytes % 20))], name))
  const answer = await knock('staff', `/books/${book}/records/files`, { method: 'POST', body: form })
  return {
    status: answer.status,
    told: (await answer.json()) as { ok: boolean; value?: { hash: string }; problem?: { kind: string } },
  }
}

test.each([
  ['a byte', 1, true],
  ['eleven megabytes', 11 * megabyte, true],
  ['as much as is promised', 25 * megabyte, true],
  ['a byte more', 25 * megabyte + 1, false],
  ['far more', 60 * megabyte, false],
])('a file of %s is taken or refused in words', async (_what, bytes, taken) => {
  const { told } = await upload(bytes)
  expect(told.ok ? 'taken' : told.problem?.kind).toBe(taken ? 'taken' : 'file-too-big')
})

test('a file comes down under its own name, under a policy that lets it run nothing', async () => {
  const { told } = await upload(100, 'flue drawing.html')
  const answer = await knock('reader', `/books/${book}/records/files/${told.value!.hash}`)
  expect(answer.headers.get('content-security-policy')).toBe("default-src 'none'; sandbox")
  expect(answer.headers.get('content-disposition')).toBe("attachment; filename*=UTF-8''flue%20drawing.html")
})

test('a save of nearly sixteen megabytes arrives whole', async () => {
  const { id } = actions.find((action) => action.exportedName === 'save')!
  const message = { table: 'nowhere', ref: null, rev: null, values: {} as Record<string, string>, children: [] }
  for (let at = 0; at < 80; at++) message.values[`f${at}`] = 'x'.repeat(199_000)
  const answer = await knock('staff', '/sign-in', {
    method: 'POST',
    body: JSON.stringify([book, message]),
    headers: { 'next-action': id, 'content-type': 'text/plain;charset=UTF-8', accept: 'text/x-component' },
  })
  expect(await answer.text()).toContain('"gone"')
})
