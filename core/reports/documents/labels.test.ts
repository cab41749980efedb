import { expect, test } from 'vitest'
import { askedBook } from '@/tests/support/asked-design'
import { textsOn } from '@/tests/support/page-laws'
import type { Labels, Template } from '../../book'
import { evenWidth } from '../../letters'
import type { Page } from '../page'
import { LabelSheets } from './labels'
import { documentMeasures } from './lay-document'
import { readTemplate } from './read-template'

const points = 72 / 25.4
const labels: Labels = { across: 3, down: 8, width: 64, height: 34, left: 7, top: 12, stepAcross: 66, stepDown: 34 }
const template: Template = {
  id: 'label',
  table: 'house',
  name: 'Label',
  paper: { size: 'a4', margin: 5 },
  letters: 10,
  labels,
  columns: [{ id: 'town', shows: { kind: 'field', place: { way: [], field: 'house_town' } } }],
  blocks: [{ kind: 'address', lines: [[{ kind: 'field', column: 'town' }]] }],
}
const book = askedBook()

function sheets(towns: readonly string[], first = 1) {
  const found = readTemplate(book, template, { given: {}, now: { moment: '2027-03-12T10:00' } })
  if (!('read' in found)) throw new Error('It cannot be read.')
  const pages: Page[] = []
  const own = new LabelSheets(labels, first, (page) => pages.push(page))
  const said = { today: '2027-03-12', who: 'Averil', book: 'Asked' }
  const measures = documentMeasures(found.read)
  for (const town of towns)
    own.label({
      book,
      read: found.read,
      said,
      measures,
      filled: { ref: town, label: town, cells: { town }, rows: {}, holds: new Set() },
    })
  own.end()
  return { pages, fitted: own.fitted }
}

/** Which label of its sheet something stands on, from 1 on. */
const labelAt = ({ x, y }: { x: number; y: number }) => {
  const [column, row] = [(x / points - labels.left) / labels.stepAcross, (y / points - labels.top) / labels.stepDown]
  return Math.floor(row) * labels.across + Math.floor(column) + 1
}

test('labels stand one after the other, from any of the first sheet on', () => {
  const towns = Array.from({ length: 30 }, (_, at) => `Town ${at}`)
  const { pages } = sheets(towns, 5)
  expect(pages.length).toBe(2)
  const places = pages.map((page) => textsOn(page).map((item) => [item.words, labelAt(item)]))
  expect(places[0]).toEqual(towns.slice(0, 20).map((town, at) => [town, at + 5]))
  expect(places[1]).toEqual(towns.slice(20).map((town, at) => [town, at + 1]))
})

test('a full sheet is one, and none comes after it', () => {
  expect(sheets(Array.from({ length: 24 }, () => 'Otterby')).pages.length).toBe(1)
  expect(sheets([]).pages).toEqual([])
})

test('what is long has smaller letters, and what is longer still goes on on the next label; nothing leaves its label', () => {
  const long = 'The Old Maltings, behind the chandler’s, up the second stair '.repeat(4)
  const longer = 'Netherweir '.repeat(200)
  const { pages, fitted } = sheets(['Ash', long, longer, 'Otterby'])
  expect(fitted).toEqual({ smaller: 2, goOn: 1 })
  const texts = pages.flatMap(textsOn)
  for (const item of texts) {
    const label = labelAt(item)
    const right = item.x + evenWidth(item.words, item.size)
    expect(labelAt({ x: right, y: item.y })).toBe(label)
    expect(labelAt({ x: item.x, y: item.y - item.size * 0.7 })).toBe(label)
  }
  const all = texts.map(({ words }) => words).join(' ')
  expect(all.match(/Netherweir/g)).toHaveLength(200)
  expect(labelAt(texts.at(-1)!)).toBeGreaterThan(4)
})
