import { expect, test } from 'vitest'
import { hiring, rulings } from '@/tests/support/ruled-design'
import { made } from '@/tests/support/made'
import { type Rule, tableOf } from '../../book'
import { wordProblem } from '../../words'
import { ownRules } from '../own-rules'
import { readDraft } from './read-draft'
import { draftOf } from './reopen-draft'
import { isStanding, type RuleDraft } from './rule-draft'

const design = hiring()
const { book } = design
const hire = tableOf(book, 'hire')

const written = (source: string): RuleDraft => ({ kind: 'written', source })
const apart: RuleDraft = { kind: 'apart', same: ['hire-room'], from: 'from', to: 'to', unless: '' }

test.each<readonly [RuleDraft, part: 'missing' | 'wrong' | 'hindrance', said: RegExp]>([
  [{ kind: 'together', fields: ['from'], blanks: 'differ' }, 'missing', /^Choose at least two fields/],
  [{ ...apart, to: '' }, 'missing', /^Choose when it begins/],
  [{ ...apart, to: '', unless: `State = 'calld off'` }, 'wrong', /Did you mean called off/],
  [{ ...apart, unless: 'Price' }, 'hindrance', /true or not/],
  [{ kind: 'closed', once: ' ', except: [], rows: true }, 'missing', /^Write what closes it/],
  [{ kind: 'closed', once: 'Pric > 1', except: [], rows: true }, 'wrong', /Did you mean Price/],
  [{ kind: 'closed', once: 'Price', except: [], rows: true }, 'hindrance', /true or not/],
  [{ kind: 'follows', field: '', steps: {} }, 'missing', /^Choose the field/],
  [{ kind: 'compare', subject: '', operator: '=', against: { value: '' } }, 'missing', /^Choose a field/],
  [written('"From day" < CURRENT_DATE'), 'wrong', /changes from day to day/],
  [written('"From day"'), 'wrong', /true or not/],
  [written('TRUE'), 'wrong', /at least one field/],
  [written('From > 1'), 'wrong', /can’t stand here/],
])('%j is no rule yet', (draft, part, said) => {
  const { says, ...read } = readDraft(book, hire, draft)
  expect(says).toBeUndefined()
  const problem = part === 'wrong' ? read.wrong?.problem : read[part]
  expect(problem && wordProblem(problem)).toMatch(said)
  expect([read.missing, read.wrong, read.hindrance].filter(Boolean)).toHaveLength(1)
})

test('nothing typed yet is neither a rule nor wrong', () => {
  expect(readDraft(book, hire, written('  '))).toEqual({})
})

test('what changes from day to day can be asked of new records', () => {
  expect(readDraft(book, hire, written('"From day" >= CURRENT_DATE'), { onlyNew: true })).toHaveProperty('says')
})

test('a table without a key keeps no rule over several records', () => {
  const keyless = made(book, { kind: 'setKey', table: 'extra', fields: [] })
  const table = tableOf(keyless, 'extra')
  const draft: RuleDraft = { kind: 'together', fields: ['what', 'cost'], blanks: 'differ' }
  expect(readDraft(keyless, table, draft).hindrance).toEqual({ kind: 'rule-needs-key', table: 'Extra' })
  expect(readDraft(keyless, table, written('Cost > 1'))).toHaveProperty('says')
})

test.each(Object.keys(rulings))('the rule “%s” is opened as it was put together, and says the same again', (name) => {
  const { table, words, says, more } = rulings[name]!
  const rule = { id: name, table, words, says: says(design), ...more } as Rule
  const ruled = made(book, { kind: 'addRule', ...rule })
  const own = ownRules(ruled).find((one) => one.rule.id === name)!
  const draft = draftOf(ruled, own)
  expect(readDraft(ruled, own.table, draft, isStanding(draft) ? {} : more).says).toEqual(rule.says)
})
