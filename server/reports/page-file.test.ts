import { existsSync, mkdirSync, mkdtempSync, rmSync, utimesSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { PageFile, sweepIn } from './page-file'

const page = (words: string) => ({
  items: [{ kind: 'text' as const, x: 1, y: 2, size: 9, words }],
  areas: [],
  marks: [],
})

test('pages are read by their number, however long each is, and are gone when they are no longer wanted', async () => {
  const file = await PageFile.make()
  await file.add([page('one'), page('Ω'.repeat(5000))])
  await file.add([page('three')])
  expect(file.count).toBe(3)
  expect(await Promise.all([2, 1, 0, 3].map((at) => file.page(at)))).toEqual([
    page('three'),
    page('Ω'.repeat(5000)),
    page('one'),
    undefined,
  ])
  await file.remove()
  await expect(file.page(0)).rejects.toThrow()
})

test('what a server left behind long ago is swept away, and nothing else', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'sweep-'))
  const names = ['hearth-pages-old', 'hearth-pages-new', 'others-old']
  const old = new Date(Date.now() - 24 * 3_600_000)
  for (const name of names) {
    mkdirSync(join(folder, name))
    if (name.endsWith('old')) utimesSync(join(folder, name), old, old)
  }
  await sweepIn(folder)
  expect(names.map((name) => existsSync(join(folder, name)))).toEqual([false, true, true])
  rmSync(folder, { recursive: true })
})
