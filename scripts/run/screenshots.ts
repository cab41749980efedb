import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Browser, Key } from '@/tests/support/browser'
import { ensureBuilt, root, startApplication } from '../../setup/application'
import { freePort } from '../../setup/free-port'
import { startPrivateDatabase } from '../../setup/private-database'
import { runScript } from '../../setup/run-script'
import { say } from '../../setup/say.mjs'

interface View {
  readonly name: string
  /** Within the demo book. */
  readonly path: string
  readonly words: string | RegExp
  readonly theme?: 'dark'
  /** Another book than the demo's main one. */
  readonly book?: string
  /** What is done in its Needs chapter beforehand. */
  readonly before?: (browser: Browser) => Promise<void>
  readonly first?: (browser: Browser) => Promise<void>
}

async function laid(browser: Browser): Promise<void> {
  await browser.see('[data-laid="yes"]', 20_000)
}

/** Pages are drawn a moment after they are laid. */
async function seen(browser: Browser): Promise<void> {
  await browser.see('svg[role=document] text', 20_000)
}

/** What comes a moment after the page. */
const read = (words: string) => async (browser: Browser) => void (await browser.read(words, 20_000))

const views: readonly View[] = [
  {
    name: 'needs',
    path: '/workshop/needs',
    words: 'What the words give',
    book: 'Brindle Bindery',
    first: async (browser) => {
      await (await browser.box('Need 4')).click()
      await browser.read('Accept all of need 4')
    },
  },
  {
    name: 'from-form',
    path: '/workshop/needs/form',
    words: 'From a paper form',
    book: 'Brindle Bindery',
    first: async (browser) => {
      await browser.fill('What the form is called', 'Bill')
      await browser.fill(
        'Its labels',
        'Bill number\nDate\nClient name\nClient address\nQuantity\nDescription\nPrice each\nTotal',
      )
      await browser.read('Bill line')
    },
  },
  {
    name: 'review',
    path: '/workshop/review',
    words: 'What the records must answer',
    book: 'Brindle Bindery',
    before: async (browser) => {
      await browser.read('What the words give')
      await browser.press('Accept everything')
      await browser.read('✓ in the book')
    },
  },
  {
    name: 'tables',
    path: '/workshop/tables?table=visit&field=visit__ladder-height',
    words: 'Try a value',
    first: (browser) => browser.fill('Try a value', '15.2'),
  },
  { name: 'pairings', path: '/workshop/pairings?pair=appliance~visit', words: 'A joining table is needed' },
  { name: 'rules', path: '/workshop/rules', words: 'What the fields ask' },
  { name: 'map', path: '/workshop/map', words: '20 tables', first: laid },
  { name: 'open', path: '/workshop/open', words: 'Nothing has changed' },
  {
    name: 'records',
    path: '/records',
    words: '400 records',
    first: async (browser) => {
      await browser.see('canvas')
      await browser.read(/\d+\s+appliances/)
    },
  },
  { name: 'list', path: '/records/visit', words: '2,500 records' },
  { name: 'list-asked', path: '/records/lists/list-unpaid', words: /\d+ visits/ },
  { name: 'report', path: '/records/reports/report-visits-town', words: 'Nothing is cut off', first: seen },
  {
    name: 'document',
    path: '/records/documents/document-bill',
    words: 'Put into the text',
    first: async (browser) => {
      await browser.read('Sweep, single flue')
      await (await browser.see('.document-text .node-rows')).click()
      await browser.read('Fields in reach')
    },
  },
  {
    name: 'paper',
    path: '/records/documents/out?table=visit&document=document-bill&ref=V-00418&label=V-00418',
    words: 'Not handed out yet',
    first: async (browser) => void (await browser.see('svg[role=document] text')),
  },
  {
    name: 'list-chart',
    path: '/records/lists/list-town-month',
    words: 'The same in numbers',
    first: async (browser) => void (await browser.see('canvas')),
  },
  {
    name: 'grid',
    path: '/records/payment/grid',
    words: 'Payments in a grid',
    first: async (browser) => {
      await browser.see('[aria-rowindex="3"] [role=gridcell]')
      await browser.driver.executeScript("document.querySelector('[role=grid]').focus()")
      const cells = Array.from({ length: 9 }, (_, at) => [
        at === 6 ? 'the Tern Court one' : `V-0222${at % 6}`,
        at % 3 === 1 ? 'cash' : 'card',
        at === 3 ? 'Tuesday or so' : 'yesterday',
        at === 3 ? '15' : String(20 + at * 5),
      ])
      await browser.paste(cells.map((line) => line.join('\t')).join('\n'))
      await browser.read('9 new, not saved.')
      await browser.read('1 name to settle')
      for (let at = 0; at < 3; at++) await browser.type(Key.chord(Key.ALT, 'w'))
    },
  },
  { name: 'entry', path: '/records/visit/record/V-00418', words: 'Work done', first: read('V-00422') },
  {
    name: 'form-dark',
    path: '/records/visit/arrange?form=form-job-card&record=V-00418',
    words: 'In the order of the Tab key',
    theme: 'dark',
    first: async (browser) => {
      await (await browser.see('[data-handle][aria-label^="Call first"]')).click()
      await browser.read('Label stands')
    },
  },
  { name: 'people', path: '/office/people', words: 'Who may use this book' },
]

/** Pictures of every main view from the demo's records, at 1280 by 800. */
await runScript(async (later) => {
  const wanted = process.argv.slice(2)
  const folder = mkdtempSync(join(tmpdir(), 'hearth-pictures-'))
  later(() => rmSync(folder, { recursive: true, force: true }))
  const server = await startPrivateDatabase(folder, { relaxed: true })
  later(() => server.stop())
  process.env.HEARTH_DATABASE_URL = `${server.url}/pictures`
  const { demoPeople, loadDemo } = await import('@/demo/load')
  const { closeCatalogue } = await import('@/server/catalogue')
  await loadDemo({ say })
  await closeCatalogue()
  await ensureBuilt()
  const application = await startApplication({
    port: await freePort(),
    databaseUrl: `${server.url}/pictures`,
    secret: 'pictures only, long enough to seal',
    quiet: true,
  })
  later(() => application.stop())
  const browser = await Browser.start(application.url)
  later(() => browser.end())
  await browser.signIn(demoPeople[0]!.name, demoPeople[0]!.password)
  const out = join(root, 'docs', 'screenshots')
  mkdirSync(out, { recursive: true })
  const keep = async (name: string) => {
    // Fonts and the map's lines settle a moment after the words are there.
    await browser.driver.sleep(700)
    writeFileSync(join(out, `${name}.png`), await browser.picture())
    say(`docs/screenshots/${name}.png`)
  }
  const placeOf = async (name: string) => {
    await browser.go('/')
    await browser.press(name)
    await browser.driver.wait(async () => (await browser.path()).startsWith('/books/'), 10_000)
    return (await browser.path()).replace(/\/(records|workshop).*/, '')
  }
  const main = await placeOf('Emberly Flue Care')
  for (const view of views.filter(({ name }) => wanted.length === 0 || wanted.includes(name))) {
    await browser.driver.manage().addCookie({ name: 'hearth-theme', value: view.theme ?? 'light' })
    const book = view.book ? await placeOf(view.book) : main
    await view.before?.(browser)
    await browser.go(book + view.path)
    await browser.read(view.words)
    await view.first?.(browser)
    await keep(view.name)
  }
})
