import { type Edit } from '@/core/book'
import { startApplication } from '@/scripts/setup/application'
import { freePort } from '@/scripts/setup/free-port'
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
  const browser = await Browser.start(running.url, undefined, true)
  try {
    await browser.signIn('Bench', password)
    const started = Date.now()
    const open = async () => {
      await browser.go(`/books/${made.value}/workshop/map`)
      await browser.see('[data-laid="yes"]', 20_000)
    }
    await open()
    process.stdout.write(
      `\na map of 100 tables and 160 links stands ${Date.now() - started} ms after it was asked for\n`,
    )
    const card = await browser.see('.react-flow__node')
    const pen = () => browser.driver.actions({ async: true })
    const drag = pen().move({ origin: card }).press()
    for (const [x, y] of [
      [200, 40],
      [-150, 60],
      [90, -120],
      [-60, 50],
    ] as const)
      drag.move({ origin: 'pointer' as never, x, y, duration: 500 })
    await told(browser, 'dragging a card', () => drag.release().perform())
    await open()
    await told(browser, 'zooming', async () => {
      for (let turn = 0; turn < 40; turn++)
        await browser.command('Input.dispatchMouseEvent', {
          type: 'mouseWheel',
          x: 500,
          y: 450,
          deltaX: 0,
          deltaY: turn < 20 ? -60 : 60,
        })
    })
  } finally {
    await browser.end()
    await running.stop()
    await db.sequelize.close()
  }
}

interface Traced {
  readonly message: { readonly method: string; readonly params: { readonly name?: string; readonly ts?: number } }
}

async function told(browser: Browser, what: string, act: () => Promise<unknown>): Promise<void> {
  const mark = (name: string) => browser.driver.executeScript(`performance.mark('${name}')`)
  await browser.driver.manage().logs().get('performance')
  await mark('begun')
  await act()
  await mark('ended')
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
    .filter(({ name, at }) => name === 'AnimationFrame::Presentation' && at >= begun && at <= ended)
    .map(({ at }) => at)
    .sort((a, b) => a - b)
  // Where nothing moves, nothing is drawn.
  const gaps = frames
    .slice(1)
    .map((at, place) => at - frames[place]!)
    .filter((gap) => gap > 0 && gap < 250)
    .sort((a, b) => a - b)
  const rate = gaps.length > 0 ? (1000 * gaps.length) / gaps.reduce((sum, gap) => sum + gap, 0) : 0
  const late = gaps[Math.floor(gaps.length * 0.95)] ?? 0
  process.stdout.write(
    `${what.padEnd(20)} ${rate.toFixed(0)} frames a second over ${frames.length}, 95 in 100 within ${late.toFixed(1)} ms\n`,
  )
}
