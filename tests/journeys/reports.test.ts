import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { darkEnough, leastContrast } from '@/core/book'
import { servedAskedBook } from '../support/asked-book'
import { type Browser, Key } from '../support/browser'
import { faults } from '../support/faults'
import type { ServedBook } from '../support/served-book'

let book: ServedBook
let browser: Browser
const folder = mkdtempSync(join(tmpdir(), 'hearth-reports-'))

// Each test goes on where the one before it stopped.
beforeAll(async () => {
  book = await servedAskedBook('reports')
  browser = book.browser
  // Enough of them for several pages.
  await book.sql(
    "INSERT INTO $visit (visit_number, day, state, price, house) SELECT seq + 10, DATE_ADD('2027-01-01', INTERVAL seq MOD 90 DAY), IF(seq MOD 3 = 0, 'asked', 'done'), seq / 4, 1 + seq MOD 2 FROM $seq_1_to_120",
  )
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const script = <T>(text: string, ...args: unknown[]) => browser.driver.executeScript<T>(text, ...args)

/** What stands on a page that is in sight, line by line. */
const linesOn = (page: number) =>
  script<string[]>(
    `return [...document.querySelectorAll('svg[aria-label^="Page ${page} of"] text')].map((text) => text.textContent)`,
  )

test('a report of no list is told how to come by one; of a kept list it is one press away', async () => {
  await browser.go(`${book.path}/records/reports`)
  await browser.read('Keep a list first')
  expect(await faults(browser)).toEqual([])
  await browser.go(`${book.path}/records/lists/new?of=visit`)
  await browser.read('123 visits')
  await browser.press('Price')
  await browser.press('Group it')
  await browser.choose('Group by', 'State')
  await browser.choose('Price', 'total')
  await browser.press('Group them')
  await browser.read(/done · 82 visits/)
  await browser.press('Keep it')
  await browser.fill('Name', 'Visits by state')
  await browser.press('Keep it')
  await browser.press('On paper')
  await browser.read('Nothing is cut off')
  await browser.read(/page 1 of 4/)
  expect(await faults(browser)).toEqual([])
})

test('its pages say what the list says, and each group what it comes to, as the database adds it up', async () => {
  const [first, ...more] = await linesOn(1)
  expect([first, more[0]]).toEqual(['Visits by state', expect.stringMatching(/^Each visit, with 7 fields/)])
  expect(more).toEqual(expect.arrayContaining(['asked', 'Page 1 of 4']))
  // A quarter of every third number from 3 to 120; the one that was asked for before has no price.
  const sum = Array.from({ length: 40 }, (_, at) => ((at + 1) * 3) / 4).reduce((total, price) => total + price, 0)
  await browser.resize({ width: 1280, height: 5200 })
  await browser.driver.wait(async () => (await linesOn(4)).length > 0, 30_000)
  const pages = await Promise.all([1, 2, 3, 4].map(linesOn))
  const all = pages.flat()
  const at = all.indexOf('asked, 41 visits')
  expect(all.slice(at, at + 2)).toEqual(['asked, 41 visits', sum.toFixed(2)])
  expect(all).toContain('All, 123 visits')
  for (const page of pages.slice(1)) expect(page).toContain('Visit number')
  await browser.resize({ width: 1280, height: 800 })
})

test('what stands on a page is pressed there, and its choices come; it is handed out as files', async () => {
  // The heading comes first, the headings of the columns next.
  await script(
    'const rects = [...document.querySelectorAll("svg[role=document] rect")].filter((rect) => getComputedStyle(rect).cursor === "pointer"); rects[1].dispatchEvent(new MouseEvent("click", { bubbles: true }))',
  )
  await browser.driver.wait(
    () => script<boolean>('return document.querySelector("[aria-current=true]")?.innerText.startsWith("Columns")'),
    30_000,
  )
  await browser.press('Hand out')
  await browser.read('with groups that fold, and sums as formulas')
  expect(await faults(browser)).toEqual([])
  await browser.type(Key.ESCAPE)
  await browser.press('Heading')
})

const darkened = darkEnough('#e0b354', leastContrast.words)

test('the letterhead stands on the first page, its foot on all of them', async () => {
  await browser.press('Letterhead')
  await browser.fill('The office’s name', 'Hollin and Sons')
  await browser.fill('Address, a line each', '4 Ferry Lane')
  await browser.fill('At the foot of each page', 'Sweeping since 1988')
  const choose = (label: string, colour: string) =>
    script(
      `const box = [...document.querySelectorAll('label')].find((one) => one.innerText.startsWith(arguments[0])).control
       Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(box, arguments[1])
       box.dispatchEvent(new Event('input', { bubbles: true }))`,
      label,
      colour,
    )
  await choose('Colour of headings', '#e0b354')
  await browser.read('Too pale on white paper')
  await browser.press('Make it dark enough')
  await choose('Colour of lines', '#14625c')
  await browser.press('Use it')
  await browser.driver.wait(async () => (await linesOn(1)).includes('4 Ferry Lane'), 30_000)
  const shades = await script<string[]>(
    'return [...document.querySelectorAll("svg[role=document] text, svg[role=document] line")].map((one) => one.getAttribute("fill") ?? one.getAttribute("stroke"))',
  )
  expect(shades).toContain('#14625c')
  expect(shades.filter((one) => one === darkened).length).toBeGreaterThan(1)
  expect(await linesOn(1)).toContain('Sweeping since 1988')
  expect(await faults(browser)).toEqual([])
  for (const label of ['The office’s name', 'Address, a line each', 'At the foot of each page'])
    await browser.fill(label, '')
  await browser.press('Without it')
  await browser.press('Without it')
  await browser.press('Use it')
  await browser.driver.wait(async () => !(await linesOn(1)).includes('4 Ferry Lane'), 30_000)
  expect(
    await script('return document.querySelector(`svg[role=document] text[fill="${arguments[0]}"]`)', darkened),
  ).toBe(null)
  await browser.press('Heading')
})

test('what is changed is laid anew, and can be taken back', async () => {
  await browser.fill('Heading', 'What each state brought')
  await browser.driver.wait(async () => (await linesOn(1)).includes('What each state brought'), 30_000)
  await browser.press('Columns')
  await browser.press('Helper')
  await browser.driver.wait(async () => !(await linesOn(1)).includes('Helper'), 30_000)
  await browser.press('Put together by')
  await browser.press('Each state begins a page')
  await browser.read(/page 1 of 5/)
  await browser.press('Take the last change back')
  await browser.read(/page 1 of 4/)
  await browser.press('Rows')
  await browser.press('Two lines a row')
  await browser.read('Each row stands in two lines.')
  await browser.press('Take the last change back')
  await browser.read('takes one line')
  await browser.press('Turn the paper')
  await browser.read('A4, on its side')
  await browser.driver.wait(
    () =>
      script<boolean>(
        'const s = document.querySelector("svg[role=document]"); return s && s.viewBox.baseVal.width > s.viewBox.baseVal.height',
      ),
    30_000,
  )
  await browser.press('A4, on its side')
  await browser.fill('Margins, mm', '500')
  await browser.read('From 5 to 60, whole.')
  await browser.fill('Margins, mm', '12')
  await browser.read('margins 12 mm')
  expect(await faults(browser)).toEqual([])
})

test('it is kept, found in the index, and asked for again as it was', async () => {
  await browser.press('Keep it')
  await browser.read('The report is kept.')
  await browser.go(`${book.path}/records/reports`)
  await browser.read('What each state brought')
  await browser.press('What each state brought')
  await browser.read('Nothing is cut off')
  await browser.read('margins 12 mm')
})

test('the PDF has the very pages that are on the screen, word for word and dot for dot', async () => {
  await browser.resize({ width: 1280, height: 1500 })
  await browser.driver.wait(async () => (await linesOn(1)).some((line) => /^Page 1 of \d$/.test(line)), 30_000)
  const onScreen = await linesOn(1)
  const address = await script<string>(
    'return [...document.querySelectorAll("a")].find((a) => a.textContent.includes("Print")).href',
  )
  const cookies = (await browser.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ')
  const answer = await fetch(address, { headers: { cookie: cookies } })
  expect(answer.headers.get('content-type')).toBe('application/pdf')
  const file = join(folder, 'report.pdf')
  writeFileSync(file, Buffer.from(await answer.arrayBuffer()))
  const about = execFileSync('pdfinfo', [file], { encoding: 'utf8' })
  expect(about).toMatch(/Title:\s+What each state brought/)
  const said = execFileSync('pdftotext', ['-f', '1', '-l', '1', '-raw', file, '-'], { encoding: 'utf8' })
  const bare = (text: string) => text.replace(/\s/g, '')
  expect(bare(said)).toBe(bare(onScreen.join('')))
  const box = await script<{ x: number; y: number; width: number; height: number }>(
    'const { x, y, width, height } = document.querySelector("svg[role=document]").getBoundingClientRect(); return { x, y, width, height }',
  )
  const { data } = (await browser.command('Page.captureScreenshot', {
    format: 'png',
    clip: { ...box, scale: 2 },
  })) as { data: string }
  const wide = Math.round(box.width * 2)
  const scaled = ['-scale-to-x', String(wide), '-scale-to-y', '-1', '-png', '-singlefile']
  const drawn = (page: number) => {
    execFileSync('pdftoppm', ['-f', String(page), '-l', String(page), ...scaled, file, join(folder, `page-${page}`)])
    return dots(join(folder, `page-${page}.png`))
  }
  const dots = async (picture: string | Buffer) => {
    const size = { width: wide, height: Math.round(box.height * 2), fit: 'fill' as const }
    return sharp(picture).resize(size).greyscale().blur(2).raw().toBuffer()
  }
  const [screen, paper, other] = await Promise.all([dots(Buffer.from(data, 'base64')), drawn(1), drawn(2)])
  const differing = (page: Buffer) =>
    screen.reduce((sum, dot, at) => sum + (Math.abs(dot - page[at]!) > 70 ? 1 : 0), 0) / screen.length
  expect(differing(paper)).toBeLessThan(0.002)
  expect(differing(other)).toBeGreaterThan(0.01)
  await browser.resize({ width: 1280, height: 800 })
})

test('whoever leaves the page wants no more of it: what was laid is gone', async () => {
  const address = await script<string>(
    'return [...document.querySelectorAll("a")].find((a) => a.textContent.includes("Print")).href',
  )
  const cookies = (await browser.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ')
  const status = async () => (await fetch(address, { headers: { cookie: cookies } })).status
  expect(await status()).toBe(200)
  await browser.press('Reports')
  await browser.driver.wait(async () => (await status()) === 404, 30_000)
  expect(await browser.complaints()).toEqual([])
  await browser.press('What each state brought')
  await browser.read('Nothing is cut off')
})

test('whoever has no time to wait finds the file in the tray, and stops what is being made', async () => {
  await book.sql(
    "INSERT INTO $visit (visit_number, day, state, price, house) SELECT seq + 1000, '2027-05-01', 'done', seq, 1 FROM $seq_1_to_70000",
  )
  await browser.go(`${book.path}/records/reports`)
  await browser.press('What each state brought')
  await browser.press('Wait for it in the tray')
  await browser.read('It goes into the tray when it is done.')
  await browser.press('Reports')
  await browser.press('Tray: 1 file')
  await browser.read('What each state brought.pdf')
  await browser.read(/\d pages? so far/)
  expect(await faults(browser)).toEqual([])
  await browser.resize({ width: 420, height: 800 })
  expect(await script<number>('return document.documentElement.scrollWidth')).toBe(420)
  await browser.resize({ width: 1280, height: 800 })
  // It is told wherever one is by then.
  await browser.press('Houses')
  await browser.read('What each state brought.pdf is ready in the tray.', 180_000)
  await browser.press('Tray: 1 file')
  await browser.read(/[\d,]+ pages, [\d.]+ MB/)
  const address = await script<string>('return document.querySelector("a[download]").href')
  const cookies = (await browser.cookies()).map(({ name, value }) => `${name}=${value}`).join('; ')
  const file = join(folder, 'tray.pdf')
  writeFileSync(file, Buffer.from(await (await fetch(address, { headers: { cookie: cookies } })).arrayBuffer()))
  const pages = Number(/Pages:\s+(\d+)/.exec(execFileSync('pdfinfo', [file], { encoding: 'utf8' }))?.[1])
  expect(pages).toBeGreaterThan(1500)
  await browser.read(`${pages.toLocaleString('en-GB')} pages`)
  await browser.press('Remove What each state brought.pdf')
  await browser.read('Nothing is in the tray')
  expect(await faults(browser)).toEqual([])
  await browser.press('Reports')
  await browser.press('What each state brought')
  await browser.press('Wait for it in the tray')
  await browser.press('Tray: 1 file')
  await browser.press('Stop What each state brought.pdf')
  await browser.read('Nothing is in the tray')
  await book.sql('DELETE FROM $visit WHERE visit_number > 1000')
})

test('with its list the report goes, which is said before', async () => {
  await browser.press('Reports')
  await browser.press('What each state brought')
  await browser.press('Remove')
  await browser.read('Remove the report What each state brought?')
  await browser.type(Key.ESCAPE)
  await browser.press('Visits by state')
  await browser.read('Fields in reach')
  await browser.press('Remove')
  await browser.read('With it goes the report What each state brought')
  await browser.press('Remove it')
  await browser.read('No list is kept yet')
  await browser.go(`${book.path}/records/reports`)
  await browser.read('No report is kept yet')
})
