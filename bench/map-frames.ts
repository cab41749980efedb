import { type Edit } from '@/core/book'
import { startApplication } from '@/setup/application'
import { freePort } from '@/setup/free-port'
import { editBook, makeBook } from '@/server/books'
import { catalogueOn } from '@/server/catalogue'
import { connect } from '@/server/database'
import { makeAccount } from '@/server/people'
import { Browser } from '@/tests/support/browser'
import { tie } from '@/tests/support/edits'
import { madeUpMap } from '@/tests/support/random-maps'

const password = 'a quiet little town'

/** A book of a hundred tables, their fields and what ties them. */
function largeBook(): Edit[] {
  const { cards, lines } = madeUpMap(100, 160)
  const tables = cards.flatMap(({ id, title, rows }): Edit[] => [
    { kind: 'addTable', id, name: title, keyField: `${id}-key` },
    ...rows.slice(1).map((row): Edit => ({ kind: 'addField', table: id, id: row.id, name: row.text, holds: 'line' })),
  ])
  const ties = lines.map(({ id, one, many }) => tie(one, many, { link: id, field: `${id}-f` }, { name: `Tie ${id}` }))
  return [...tables, ...ties]
    .reduce<Edit[][]>((all, edit, at) => {
      if (at % 100 === 0) all.push([])
      all.at(-1)!.push(edit)
      return all
    }, [])
    .map((edits): Edit => ({ kind: 'together', say: 'Make a large book', edits }))
}

/** Frames a second while a card is dragged and while the map is zoomed, on a hundred tables, as the browser's own trace tells them. */
export async function benchFrames(databaseUrl: string): Promise<void> {
  const url = `${databaseUrl}/frames`
  const db = await catalogueOn(await connect(url))
  const account = await makeAccount(db, 'Bench', password, true)
  if (!account.ok) throw new Error('Expected a new catalogue.')
  const made = await makeBook(db, account.value, 'Large')
  if (!made.ok) throw new Error('Expected a book.')
  for (const edit of largeBook()) {
    const saved = await editBook(db, made.value, account.value.id, edit, [])
    if (!saved.ok) throw new Error(JSON.stringify(saved.problem))
  }
  const running = await startApplication({
    port: await freePort(),
    databaseUrl: url,
    secret: 'a secret for measuring only, long enough',
    quiet: true,
  })
  try {
    await howSoon(running.url, made.value)
    const browser = await Browser.start(running.url, undefined, true)
    try {
      await browser.signIn('Bench', password)
      await openMap(browser, made.value)
      await told(browser, 'dragging a card', dragging)
      await openMap(browser, made.value)
      await told(browser, 'zooming', zooming)
    } finally {
      await browser.end()
    }
  } finally {
    await running.stop()
    await db.sequelize.close()
  }
}

const laid = (browser: Browser) => browser.see('[data-laid="yes"]', 20_000)

async function openMap(browser: Browser, book: string): Promise<void> {
  await browser.go(`/books/${book}/workshop/map`)
  await laid(browser)
}

/** How long after it was asked for the map stands. In a browser without the trace, which takes its share. */
async function howSoon(url: string, book: string): Promise<void> {
  const browser = await Browser.start(url)
  const took = async (act: () => Promise<unknown>) => {
    const started = Date.now()
    await act()
    return Date.now() - started
  }
  try {
    await browser.signIn('Bench', password)
    const first = await took(() => openMap(browser, book))
    await browser.go(`/books/${book}/workshop/tables`)
    const loaded = await took(() => openMap(browser, book))
    await browser.chapter('tables')
    await browser.read('Add a table')
    const back = await took(async () => {
      await browser.chapter('map')
      await laid(browser)
    })
    process.stdout.write(
      `\na map of 100 tables and 160 links stands after ${first} ms on a server just started, ${loaded} ms on one at work, ${back} ms where one comes back to it\n`,
    )
  } finally {
    await browser.end()
  }
}

// Frames are counted as the page hands them over to be shown. Without a screen the browser leaves some of them
// undrawn, which it doesn't do in a window: a card that moves and changes nothing else.

// Both run in the page and move the mouse in every frame, which is more than a hand does. A driver's own mouse
// moves a few times a second only, and what isn't moved isn't drawn.

/** Drags the card in the middle round for two seconds, never standing still: where nothing moves, nothing is drawn. */
const dragging = `
  const done = arguments[0]
  const frame = document.querySelector('.react-flow').getBoundingClientRect()
  const away = (one) => {
    const { x, y } = one.getBoundingClientRect()
    return Math.hypot(x - frame.x - frame.width / 2, y - frame.y - frame.height / 2)
  }
  const [card] = [...document.querySelectorAll('.react-flow__node')].sort((a, b) => away(a) - away(b))
  const { x, y, width, height } = card.getBoundingClientRect()
  const send = (type, to, dx, dy) =>
    to.dispatchEvent(
      new MouseEvent(type, { bubbles: true, cancelable: true, view: window, clientX: x + width / 2 + dx, clientY: y + height / 2 + dy, buttons: 1 }),
    )
  send('mousedown', card, 0, 0)
  const begun = performance.now()
  performance.mark('begun')
  const step = (now) => {
    const turn = (now - begun) / 300
    send('mousemove', window, 130 * Math.sin(turn), 90 * (1 - Math.cos(turn)))
    if (now - begun < 2000) requestAnimationFrame(step)
    else (performance.mark('ended'), send('mouseup', window, 0, 0), done())
  }
  requestAnimationFrame(step)`

/** Turns the wheel there and back for two seconds. */
const zooming = `
  const done = arguments[0]
  const pane = document.querySelector('.react-flow__pane')
  const { x, y, width, height } = pane.getBoundingClientRect()
  const begun = performance.now()
  performance.mark('begun')
  const step = (now) => {
    const deltaY = now - begun < 1000 ? -14 : 14
    const at = { clientX: x + width / 2, clientY: y + height / 2, deltaY }
    pane.dispatchEvent(new WheelEvent('wheel', { bubbles: true, cancelable: true, view: window, ...at }))
    if (now - begun < 2000) requestAnimationFrame(step)
    else (performance.mark('ended'), done())
  }
  requestAnimationFrame(step)`

interface Traced {
  readonly message: { readonly method: string; readonly params: { readonly name?: string; readonly ts?: number } }
}

async function told(browser: Browser, what: string, act: string): Promise<void> {
  await browser.driver.manage().logs().get('performance')
  await browser.driver.executeAsyncScript(act)
  // Leaving the page makes the browser hand over its trace.
  await browser.driver.get('about:blank')
  const entries = await browser.driver.manage().logs().get('performance')
  const events = entries
    .map((entry) => (JSON.parse(entry.message) as Traced).message)
    .flatMap(({ method, params: { name, ts } }) =>
      method === 'Tracing.dataCollected' && name && ts ? [{ name, at: ts / 1000 }] : [],
    )
  const when = (name: string) => events.find((event) => event.name === name)?.at ?? NaN
  const [begun, ended] = [when('begun'), when('ended')]
  const frames = events
    .filter(({ name, at }) => name === 'Surface::CommitFrame' && at >= begun && at <= ended)
    .map(({ at }) => at)
    .sort((a, b) => a - b)
  const gaps = frames.slice(1).map((at, place) => at - frames[place]!)
  const slow = gaps.filter((gap) => gap > 25).length
  process.stdout.write(
    `${what.padEnd(20)} ${((1000 * frames.length) / (ended - begun)).toFixed(0)} frames a second, ${slow} of ${frames.length} late, the longest after ${Math.max(...gaps).toFixed(0)} ms\n`,
  )
}
