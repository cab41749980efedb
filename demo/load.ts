import { type Edit } from '@/core/book'
import { wordProblem } from '@/core/words'
import { editBook, findBook, makeBook } from '@/server/books'
import { type Catalogue, catalogue, type Role } from '@/server/catalogue'
import { select } from '@/server/database'
import { addMany, violatedRules, freezeMany, liveOf, openBook } from '@/server/live'
import { setPostOffice } from '@/server/post'
import { type Account, makeAccount, setRole } from '@/server/people'
import { brindleName, brindleNeeds } from './brindle/needs'
import { emberlyDesign, emberlyName } from './emberly/design'
import { addEmberlyRecords } from './emberly/records'

interface DemoPerson {
  readonly name: string
  readonly password: string
  readonly role: Role
  readonly says: string
}

/** The three sign-ins of the demo. They are for trying out, on this machine only. */
export const demoPeople: readonly DemoPerson[] = [
  {
    name: 'Rosalind Marram',
    password: 'embers-at-dawn',
    role: 'administrator',
    says: 'administrator: Workshop, Records and Office',
  },
  { name: 'Bram Kestle', password: 'soot-on-my-boots', role: 'staff', says: 'staff: Records' },
  { name: 'Hester Quill', password: 'only-looking-in', role: 'reader', says: 'reader: Records, without changing' },
]

interface Choices {
  readonly fresh?: boolean
  readonly say: (line: string) => void
}

/** Loads the demo where there is none yet; whole or not at all, so that a broken-off load starts over. */
export async function loadDemo({ fresh, say }: Choices): Promise<void> {
  let db = await catalogue()
  if (fresh) await clear(db)
  else if (await isWhole(db)) return
  else if ((await db.accounts.count()) > 0) {
    say('An earlier loading of the demo was cut off; starting it again.')
    await clear(db)
  }
  if (fresh || (await db.accounts.count()) === 0) db = await catalogue()
  const started = Date.now()
  say('Loading the demo …')
  const accounts = new Map<Role, Account>()
  for (const person of demoPeople)
    accounts.set(
      person.role,
      expected(await makeAccount(db, person.name, person.password, person.role === 'administrator')),
    )
  const administrator = accounts.get('administrator')!
  await addBrindle(db, administrator)
  const id = await addEmberly(db, administrator)
  const office = { senderName: emberlyName, senderAddress: 'office@emberly.example', real: undefined }
  expected(await setPostOffice(db, id, office, undefined))
  for (const person of demoPeople) expected(await setRole(db, id, accounts.get(person.role)!.id, person.role))
  await db.sequelize.query(
    `CREATE TABLE \`${db.catalogue}\`.demo_loaded (at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP)`,
  )
  say(`Demo loaded in ${((Date.now() - started) / 1000).toFixed(0)} s.`)
}

const isWhole = async (db: Catalogue) =>
  (
    await select(db, 'SELECT 1 FROM information_schema.TABLES WHERE TABLE_SCHEMA = ? AND TABLE_NAME = ?', [
      db.catalogue,
      'demo_loaded',
    ])
  ).length > 0

/** Empties the catalogue and drops the live databases that belong to it. */
async function clear(db: Catalogue): Promise<void> {
  for (const book of await db.books.findAll({ attributes: ['live_schema'] })) {
    await db.sequelize.query(`DROP DATABASE IF EXISTS \`${String(book.get('live_schema'))}\``)
  }
  await db.sequelize.query(`DROP TABLE IF EXISTS \`${db.catalogue}\`.demo_loaded`)
  for (const table of [
    'counts',
    'openings',
    'edits',
    'memberships',
    'books',
    'sign_in_tries',
    'sessions',
    'accounts',
  ]) {
    await db.sequelize.query(`DELETE FROM \`${db.catalogue}\`.\`${table}\``)
  }
}

async function makeWith(db: Catalogue, account: Account, name: string, edits: readonly Edit[]): Promise<string> {
  const id = expected(await makeBook(db, account, name))
  for (const edit of edits) expected(await editBook(db, id, account.id, edit, []))
  return id
}

const addBrindle = (db: Catalogue, account: Account) =>
  makeWith(db, account, brindleName, [
    { kind: 'addNeeds', needs: brindleNeeds.map((text, at) => ({ id: `need-${at + 1}`, text })) },
  ])

async function addEmberly(db: Catalogue, account: Account): Promise<string> {
  const id = await makeWith(db, account, emberlyName, emberlyDesign().edits)
  const sheet = expected(await openBook(db, id, account.id))
  if (sheet.blocked.length > 0) throw new Error(sheet.blocked.join('\n'))
  const live = expected(liveOf((await findBook(db, id))!))
  await addEmberlyRecords(async (table, rows) => {
    const added = await addMany(
      { db, live, who: account.name },
      { table, rows, momentOf: (row) => `${row['certificate__issued-on'] ?? '2027-01-01'}T09:00` },
    )
    if (added.ok) return added.value
    throw new Error(`${table}: ${JSON.stringify(rows[added.problem.at])} ${JSON.stringify(added.problem.problems)}`)
  })
  await freezeMany({ db, live })
  const broken = await violatedRules({ db, live })
  if (broken.length > 0) throw new Error(broken.map(({ own, count }) => `${count}: ${own.rule.words}`).join('\n'))
  return id
}

function expected<T>(result: { ok: true; value: T } | { ok: false; problem: Parameters<typeof wordProblem>[0] }): T {
  if (!result.ok) throw new Error(wordProblem(result.problem))
  return result.value
}
