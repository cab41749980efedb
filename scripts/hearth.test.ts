import { spawnSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { answer } from './command-answers'
import { emberlyDesign } from '@/demo/emberly/design'
import { applyEdit } from '@/core/book'

const folder = mkdtempSync(join(tmpdir(), 'hearth-command-'))
const { book } = emberlyDesign()

function file(name: string, contents: unknown): string {
  const path = join(folder, name)
  writeFileSync(path, typeof contents === 'string' ? contents : JSON.stringify(contents))
  return path
}

function hearth(...words: string[]) {
  const { code, out, err } = answer(words)
  return { status: code, stdout: out, stderr: err }
}

/** As from a terminal. */
const typed = (...words: string[]) =>
  spawnSync(process.execPath, ['--import', 'tsx', 'scripts/hearth.ts', ...words], { encoding: 'utf8' })

test('check prints the advice on a book as JSON', () => {
  const bare = applyEdit(book, { kind: 'addTable', id: 'bare', name: 'Bare', keyField: 'bare-key' })
  const { stdout, status } = hearth('check', file('bare.json', bare.ok ? bare.value.book : {}))
  expect(status).toBe(0)
  expect((JSON.parse(stdout) as { piece: string; about: string }[]).map(({ piece, about }) => [piece, about])).toEqual([
    ['tableWithKeyOnly', 'bare'],
    ['nobodyAskedForIt', 'bare'],
    ['tableTiedToNothing', 'bare'],
  ])
  expect(hearth('check', file('good.json', book)).stdout).toBe('[]\n')
})

test('sql prints the script of the whole database', () => {
  const { stdout, status } = hearth('sql', file('good.json', book), '--for', 'mariadb')
  expect(status).toBe(0)
  expect(stdout.match(/^CREATE TABLE/gm)).toHaveLength(book.tables.length + 1)
  expect(stdout.match(/FOREIGN KEY/g)!.length).toBe(book.links.length + 1)
})

test.each(['postgresql', 'sqlite'])('sql prints a script for %s too', (dialect) => {
  const { stdout, status } = hearth('sql', file('good.json', book), '--for', dialect)
  expect(status).toBe(0)
  expect(stdout.match(/^CREATE TABLE/gm)).toHaveLength(book.tables.length + 1)
  expect(stdout).toContain('-- Kept by MariaDB alone')
})

test('read-needs prints the design that words describe', () => {
  const needs = join(folder, 'needs.txt')
  writeFileSync(
    needs,
    'Each owner has a name.\nA dog belongs to one owner and has a date of birth.\nList all dogs of an owner.\n',
  )
  const { stdout, status } = hearth('read-needs', needs)
  expect(status).toBe(0)
  expect(JSON.parse(stdout)).toEqual({
    tables: [
      { name: 'Owner', fields: [{ name: 'Name', kind: 'text' }] },
      { name: 'Dog', fields: [{ name: 'Date of birth', kind: 'date' }] },
    ],
    links: [{ from: 'Owner', to: 'Dog', kind: '1-n', mandatory: true, limit: null, fields: [] }],
    questions: [{ text: 'List all dogs of an owner', tables: ['Dog', 'Owner'] }],
    open: ['Can one owner have more than one dog?'],
  })
})

test('evaluate prints what an expression gives, or where it goes wrong', () => {
  const good = file('good.json', book)
  const record = file('visit.json', { 'Ladder height': 4.5, Premises: { Town: 'Otterby' } })
  const { stdout, status } = hearth('evaluate', good, 'Visit', `Premises.Town || ' ' || "Ladder height" * 2`, record)
  expect([status, JSON.parse(stdout)]).toEqual([0, { value: 'Otterby 9.0' }])
  const wrong = hearth('evaluate', good, 'Visit', 'Premises.Twon', record)
  expect([wrong.status, wrong.stderr]).toEqual([
    1,
    'At character 1: Premises has no field “Twon”. Did you mean Town?\n',
  ])
})

test.each<[string, string[], number, RegExp]>([
  ['no verb', [], 2, /npm run -s hearth/],
  ['a verb that is none', ['dance'], 2, /npm run -s hearth/],
  ['a verb that every object has', ['constructor'], 2, /npm run -s hearth/],
  ['another dialect', ['sql', file('good.json', book), '--for', 'dbase'], 2, /made for mariadb, postgresql, sqlite/],
  ['a missing file', ['check', join(folder, 'nowhere.json')], 1, /can’t be read as JSON/],
  ['words in a missing file', ['read-needs', join(folder, 'nowhere.txt')], 1, /can’t be read/],
  ['something that is no book', ['check', file('other.json', { hello: 'world' })], 1, /not a record book/],
])('%s ends with words and the right code', (_what, words, code, says) => {
  const { status, stderr, stdout } = hearth(...words)
  expect([status, stdout]).toEqual([code, ''])
  expect(stderr).toMatch(says)
})

test('typed in a terminal, it prints what it answers and ends with its code', () => {
  const fine = typed('sql', file('good.json', book))
  expect([fine.status, fine.stderr]).toEqual([0, ''])
  expect(fine.stdout).toBe(hearth('sql', file('good.json', book)).stdout)
  const wrong = typed('dance')
  expect([wrong.status, wrong.stdout]).toEqual([2, ''])
  expect(wrong.stderr).toContain('npm run -s hearth')
})
