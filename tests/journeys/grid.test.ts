import { beforeAll, expect, test } from 'vitest'
import { type Browser, Key, patience } from '../support/browser'
import { faults } from '../support/faults'
import { otherTool } from '../support/other-tool'
import { servedDemo } from '../support/served-demo'

let clerk: Browser
let emberly: string
let sql: (statement: string) => Promise<unknown>

beforeAll(async () => {
  ;({ clerk, emberly } = await servedDemo('griddemo'))
  sql = await otherTool('griddemo_emberly_flue_care')
})

const rows = <T>(statement: string) => sql(statement) as Promise<T[]>
const focusGrid = () => clerk.driver.executeScript("document.querySelector('[role=grid]').focus()")
/** The words in the cells of a line, counted from one. */
const line = (at: number) =>
  clerk.driver.executeScript<string[]>(
    `return [...document.querySelectorAll('[role=row][aria-rowindex="${at + 1}"] [role=gridcell]')].map((cell) => cell.innerText.split('\\n')[0])`,
  )
const shows = (at: number, words: string) =>
  clerk.driver.wait(async () => (await line(at)).includes(words), patience, `Line ${at} never showed ${words}.`)
const keys = (...all: string[]) => clerk.type(...all)
const chord = (...all: string[]) => clerk.type(Key.chord(...all))

async function openGrid(table: string, find = '') {
  await clerk.go(`${emberly}/records/${table}/grid${find && `?find=${encodeURIComponent(find)}`}`)
  await clerk.see('[aria-rowindex="3"] [role=gridcell]')
  await focusGrid()
}

/** A day that was lately, as people write it. */
const lately = new Date(Date.now() - 3 * 86_400_000).toISOString().slice(0, 10)
const soon = new Date(Date.now() + 20 * 86_400_000).toISOString().slice(0, 10)

test('five hundred payments are pasted; each of twelve faults is found, the others are saved, and the faults mended', async () => {
  const unpaid = await rows<{ code: string }>(
    'SELECT visit_code AS code FROM visit_full WHERE bill_total - COALESCE(paid, 0) > 50 AND booked_for < NOW() - INTERVAL 5 DAY ORDER BY visit_code LIMIT 60',
  )
  const [paid] = await rows<{ code: string }>(
    'SELECT visit_code AS code FROM visit_full WHERE bill_total = paid ORDER BY visit_code LIMIT 1',
  )
  expect(unpaid.length).toBeGreaterThan(20)
  const cells = Array.from({ length: 500 }, (_, at) => [unpaid[at % unpaid.length]!.code, 'Cash', lately, '0.25'])
  for (const at of [7, 107, 207]) cells[at]![0] = 'V-99999'
  for (const at of [50, 350]) cells[at]![1] = 'in pebbles'
  for (const at of [90, 91]) cells[at]![2] = 'some day'
  for (const at of [120, 121]) cells[at]![3] = '-1'
  cells[160]![3] = 'a few'
  cells[260]![2] = soon
  cells[400]![0] = paid!.code
  const before = Number((await rows<{ n: number }>('SELECT COUNT(*) AS n FROM payment'))[0]!.n)

  await clerk.go(`${emberly}/records/payment`)
  await clerk.press('Grid')
  await clerk.read('Payments in a grid')
  await clerk.see('[aria-rowindex="3"] [role=gridcell]')
  await focusGrid()
  await clerk.paste([['Visit', 'Way of paying', 'Paid on', 'Amount'], ...cells].map((one) => one.join('\t')).join('\n'))
  await clerk.read('500 new, not saved. 11 rows wrong.')
  expect(await faults(clerk)).toEqual([])
  // All or none: nothing is saved while something is wrong.
  await clerk.press('All or none')
  await focusGrid()
  await chord(Key.CONTROL, 's')
  await clerk.read('Nothing was saved. 11 rows are wrong.')
  await clerk.press('Save the right ones')
  await clerk.press('Save 489 of 500 payments')
  // What the visit was paid already only the database knows.
  await clerk.read('488 payments saved. 12 rows stay here, marked.')
  await clerk.read('12 new, not saved. 12 rows wrong.')
  expect(Number((await rows<{ n: number }>('SELECT COUNT(*) AS n FROM payment'))[0]!.n)).toBe(before + 488)

  // The names are settled once for all rows that have them.
  await clerk.press('2 names to settle')
  await clerk.fill('The visit that “V-99999” means', unpaid[0]!.code)
  await clerk.press(unpaid[0]!.code)
  await clerk.fill('The way of paying that “in pebbles” means', 'cas')
  await clerk.press('cash')
  await clerk.press('Back to the grid')
  await clerk.read('12 new, not saved. 7 rows wrong.')
  // The others in the cell where they stand, from one to the next.
  for (const [column, text] of [
    [3, lately],
    [3, lately],
    [4, '1'],
    [4, '1'],
    [4, '1'],
    [3, lately],
  ] as const) {
    await chord(Key.ALT, 'w')
    await clerk.see(`[role=gridcell][aria-invalid][id$="-${column}"].z-10`)
    await keys(text, Key.TAB)
  }
  await clerk.read('12 new, not saved. 1 row wrong.')
  await chord(Key.ALT, 'w')
  await clerk.read('More would be paid than the bill comes to.')
  await chord(Key.ALT, Key.DELETE)
  await clerk.read('11 new, not saved. Nothing is wrong.')
  await chord(Key.CONTROL, 's')
  await clerk.read('11 payments saved.')
  await clerk.read('Nothing to save.')
  expect(Number((await rows<{ n: number }>('SELECT COUNT(*) AS n FROM payment'))[0]!.n)).toBe(before + 499)
})

test('cells are typed into, filled down, emptied and taken back with the keys alone', async () => {
  await openGrid('premises', 'Quay Lane')
  await clerk.read('found among')
  const was = [await line(2), await line(3), await line(4)]
  // Down from the blank line to the stored ones, and across to the town.
  await keys(Key.DOWN, Key.RIGHT, 'Penhallow', Key.ENTER)
  await shows(2, 'Penhallow')
  await clerk.read('1 changed, not saved.')
  await keys(Key.UP, Key.chord(Key.SHIFT, Key.DOWN), Key.chord(Key.SHIFT, Key.DOWN))
  await chord(Key.ALT, 'r')
  await clerk.read('3 changed, not saved. Nothing is wrong.')
  await keys(Key.DELETE)
  await clerk.read('3 changed, not saved. 3 rows wrong.')
  await chord(Key.CONTROL, 'z')
  await clerk.read('3 changed, not saved. Nothing is wrong.')
  await chord(Key.CONTROL, 'z')
  await clerk.read('1 changed, not saved.')
  await chord(Key.CONTROL, 'y')
  await clerk.read('3 changed, not saved.')
  // One is typed into again, and left as it was.
  await keys(Key.F2, 'x', Key.ESCAPE)
  await clerk.read('3 changed, not saved. Nothing is wrong.')
  await chord(Key.CONTROL, 's')
  await clerk.read('3 premises saved.')
  const refs = [was[0]![0], was[1]![0], was[2]![0]].map((ref) => `'${ref}'`).join(', ')
  expect(
    (await rows<{ town: string }>(`SELECT town FROM premises WHERE premises_number IN (${refs})`)).map(
      ({ town }) => town,
    ),
  ).toEqual(['Penhallow', 'Penhallow', 'Penhallow'])
})

test('a new record is made across the blank line; what isn’t saved is still there when one comes back', async () => {
  await openGrid('premises')
  await keys('7 Otter Mews', Key.TAB, Key.TAB, 'OT1 1AA', Key.ENTER)
  await clerk.read('1 new, not saved. Nothing is wrong.')
  await clerk.driver.navigate().refresh()
  await clerk.driver
    .switchTo()
    .alert()
    .then(
      (alert) => alert.accept(),
      () => undefined,
    )
  await clerk.read('1 new, not saved. Nothing is wrong.')
  await shows(1, '7 Otter Mews')
  await chord(Key.CONTROL, 's')
  await clerk.read('1 premises saved.')
  expect(await rows("SELECT town, postcode FROM premises WHERE address = '7 Otter Mews'")).toEqual([
    { town: 'Otterby', postcode: 'OT1 1AA' },
  ])
})

test('what somebody else saved meanwhile comes in; where both wrote, it is said, and one’s own is kept if one says so', async () => {
  await openGrid('premises', '7 Otter Mews')
  await keys(Key.DOWN, Key.RIGHT, Key.RIGHT, 'OT2 2BB', Key.ENTER)
  await clerk.read('1 changed, not saved.')
  await sql(
    "UPDATE premises SET town = 'Sallow', postcode = 'OT9 9ZZ', row_rev = row_rev + 1, changed_by = 'Hester' WHERE address = '7 Otter Mews'",
  )
  await chord(Key.CONTROL, 's')
  await clerk.read('1 row wrong.')
  await shows(2, 'Sallow')
  await chord(Key.ALT, 'w')
  await clerk.read('Somebody else wrote “OT9 9ZZ” here meanwhile.')
  await keys(Key.F2, Key.ENTER)
  await clerk.read('1 changed, not saved. Nothing is wrong.')
  await chord(Key.CONTROL, 's')
  await clerk.read('1 premises saved.')
  expect(await rows("SELECT town, postcode FROM premises WHERE address = '7 Otter Mews'")).toEqual([
    { town: 'Sallow', postcode: 'OT2 2BB' },
  ])
})

test('what is copied from the grid is pasted into it again, also into stored records, and emptied where it was cut', async () => {
  await openGrid('premises', '7 Otter Mews')
  const clipboard = (kind: 'copy' | 'cut') =>
    clerk.driver.executeScript<string>(
      `const data = new DataTransfer(); document.activeElement.dispatchEvent(new ClipboardEvent('${kind}', { clipboardData: data, bubbles: true, cancelable: true })); return data.getData('text/plain')`,
    )
  await keys(Key.DOWN, Key.chord(Key.SHIFT, Key.RIGHT))
  expect(await clipboard('copy')).toBe('7 Otter Mews\tSallow')
  await keys(Key.UP)
  await clerk.paste('8 Otter Mews\tSallow\tOT1 1AB\n9 Otter Mews\tSallow\tOT1 1AC')
  await clerk.read('2 premises pasted.')
  await clerk.read('2 new, not saved. Nothing is wrong.')
  // Among the stored records a block writes over what is there, and adds nothing.
  await keys(Key.DOWN, Key.DOWN, Key.DOWN)
  await clerk.paste('7 Otter Mews\tOtterby\n10 Otter Mews\tOtterby')
  await clerk.read('1 row had no row to go into')
  await clerk.read('2 new, 1 changed, not saved. Nothing is wrong.')
  await keys(Key.RIGHT)
  expect(await clipboard('cut')).toBe('Otterby')
  await clerk.read('1 row wrong.')
  await chord(Key.CONTROL, 'z')
  await chord(Key.CONTROL, 's')
  await clerk.read('3 premises saved.')
  expect(await rows("SELECT address, town FROM premises WHERE address LIKE '% Otter Mews' ORDER BY address")).toEqual([
    { address: '7 Otter Mews', town: 'Otterby' },
    { address: '8 Otter Mews', town: 'Sallow' },
    { address: '9 Otter Mews', town: 'Sallow' },
  ])
})

test('the records of a list are typed into in its order, and one comes back to the list as it was', async () => {
  await clerk.go(`${emberly}/records/lists/list-unpaid`)
  await clerk.read(/\d+ visits/)
  const codes = () =>
    clerk.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('main [role=row]')].flatMap((row) => /V-\\d{5}/.exec(row.innerText) ?? [])`,
    )
  await clerk.driver.wait(async () => (await codes()).length > 5, patience)
  const listed = (await codes()).slice(0, 6)
  await clerk.press('Grid')
  await clerk.read('found by the list')
  await clerk.see('[aria-rowindex="8"] [role=gridcell]')
  expect((await codes()).slice(0, 6)).toEqual(listed)
  await focusGrid()
  const note = (
    await clerk.driver.executeScript<string[]>(
      "return [...document.querySelectorAll('[role=columnheader]')].map((head) => head.innerText)",
    )
  ).indexOf('Note')
  await keys(Key.HOME, Key.DOWN, ...Array<string>(note - 1).fill(Key.RIGHT), 'Ring the bell', Key.ENTER)
  await clerk.read('1 changed, not saved. Nothing is wrong.')
  await chord(Key.CONTROL, 's')
  await clerk.read('1 visit saved.')
  expect(await rows(`SELECT note FROM visit WHERE visit_code = '${listed[0]!}'`)).toEqual([{ note: 'Ring the bell' }])
  await clerk.press('List')
  await clerk.read(/\d+ visits/)
  await clerk.driver.wait(async () => (await codes()).slice(0, 6).join() === listed.join(), patience)
})

test('a page’s table is pasted as cells; what is copied from linked records shows for hundreds of rows before they are saved', async () => {
  await openGrid('work-line')
  // Nothing is there to save, and nothing goes wrong.
  await chord(Key.CONTROL, 's')
  const visits = await rows<{ code: string }>(
    "SELECT visit_code AS code FROM visit WHERE state = 'booked' AND visit_code NOT IN (SELECT visit FROM work_line WHERE service_item = 'SWP1') ORDER BY visit_code LIMIT 240",
  )
  const [item] = await rows<{ name: string; price: string }>(
    'SELECT what_it_is AS name, list_price AS price FROM service_item ORDER BY item_code LIMIT 1',
  )
  expect(visits.length).toBeGreaterThan(200)
  const lines = visits.map(({ code }) => `<tr><td>${code}</td><td>${item!.name}</td><td>1</td></tr>`).join('')
  await clerk.driver.executeScript(
    `const data = new DataTransfer(); data.setData('text/html', arguments[0])
     document.activeElement.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))`,
    `<table><tr><th>Visit</th><th>Service item</th><th>Quantity</th></tr>${lines}</table>`,
  )
  await clerk.read(`${visits.length} new, not saved.`)
  // The last of them, too, whose facts come last.
  await chord(Key.ALT, 'a')
  await shows(visits.length, item!.price)
  expect(await line(visits.length)).not.toContain('…')
  expect(await faults(clerk)).toEqual([])
})
