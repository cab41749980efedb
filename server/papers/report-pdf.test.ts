import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import sharp from 'sharp'
import { afterAll, expect, test } from 'vitest'
import { evenWidth } from '@/core/letters'
import type { Item, Page } from '@/core/reports'
import { ReportPdf } from './report-pdf'

const folder = mkdtempSync(join(tmpdir(), 'hearth-pdf-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const text = (words: string, x: number, y: number, more: object = {}): Item => ({
  ...{ kind: 'text', x, y, size: 9, words },
  ...more,
})
const items: Item[] = [
  { kind: 'tint', x: 50, y: 65, width: 100, height: 10, tone: 'second' },
  text('Visits by town', 50, 50, { size: 18, bold: true }),
  { kind: 'line', x: 50, y: 60, width: 100, thick: 1, tone: 'ink' },
  text('Ωmega', 50, 80),
  text('12.50', 150, 80),
  {
    kind: 'path',
    points: [
      [50, 100],
      [80, 120],
    ],
    thick: 1,
    tone: 'first',
    dash: [2, 2],
  },
  text('Otter', 50, 95),
  text('by', 50 + evenWidth('Otter', 9, 'regular'), 95, { bold: true }),
]

async function fileOf(name: string, pages: readonly (readonly Item[])[]) {
  const pdf = new ReportPdf(
    { width: 595, height: 842 },
    { title: 'Visits & <more>', author: 'Averil', made: new Date(0) },
  )
  const parts: Buffer[] = []
  const all = (async () => {
    for await (const part of pdf.stream) parts.push(part as Buffer)
  })()
  for (const own of pages) pdf.page({ items: own, areas: [], marks: [] } satisfies Page)
  pdf.end()
  await all
  const path = join(folder, name)
  writeFileSync(path, Buffer.concat(parts))
  return { path, contents: Buffer.concat(parts).toString('latin1') }
}
const tell = (program: string, ...words: string[]) => execFileSync(program, words, { encoding: 'utf8', stdio: 'pipe' })

test('what has a colour of its own is drawn in it', async () => {
  const { path: file } = await fileOf('colours.pdf', [
    [
      { ...text('Visits', 50, 50, { size: 40, bold: true }), colour: '#c02020' } as Item,
      { kind: 'line', x: 50, y: 100, width: 400, thick: 20, tone: 'grey', colour: '#2020c0' },
    ],
  ])
  const picture = join(folder, 'colours')
  execFileSync('pdftoppm', ['-r', '72', '-png', '-singlefile', file, picture])
  const { data, info } = await sharp(`${picture}.png`).removeAlpha().raw().toBuffer({ resolveWithObject: true })
  const seen = new Set<string>()
  for (let at = 0; at < data.length; at += info.channels) seen.add([data[at], data[at + 1], data[at + 2]].join(' '))
  expect([...seen]).toEqual(expect.arrayContaining(['192 32 32', '32 32 192']))
})

test('whoever has it read out hears it line by line, in order, with what is a heading', async () => {
  const { path } = await fileOf('read.pdf', [items, [text('The second page', 50, 50)]])
  expect(tell('pdfinfo', path)).toMatch(/^Tagged:\s+yes$/m)
  const said = tell('pdfinfo', '-struct-text', path)
    .split('\n')
    .map((line) => line.trim())
    .filter(Boolean)
  expect(said).toEqual([
    ...['Document', 'Sect', 'H1 (block)', '"Visits by town"'],
    ...['P (block)', '"Ωmega 12.50"', 'P (block)', '"Otterby"'],
    ...['Sect', 'P (block)', '"The second page"'],
  ])
})

test('it is as archives want it: its letters within it and in Unicode, its colours told, no programs in it', async () => {
  const { path, contents } = await fileOf('kept.pdf', [items])
  expect(contents).toMatch(/<pdfaid:part>2<\/pdfaid:part>\s*<pdfaid:conformance>U<\/pdfaid:conformance>/)
  expect(contents).toContain('/GTS_PDFA1')
  expect(contents).toMatch(/\/ID \[/)
  expect(contents).not.toMatch(/\/(Encrypt|JavaScript|EmbeddedFile|SMask)\b/)
  const fonts = tell('pdffonts', path).trim().split('\n').slice(2)
  expect(fonts.length).toBeGreaterThan(1)
  for (const font of fonts) expect(font).toMatch(/yes +yes +yes +\d+ +\d+$/)
  const info = tell('pdfinfo', '-meta', path)
  expect(info).toContain('Visits &amp; &lt;more&gt;')
})

test('what has a letter that no typeface has says nothing of archives', async () => {
  const { contents } = await fileOf('lacking.pdf', [[text('漢', 50, 50)]])
  expect(contents).not.toContain('pdfaid')
})
