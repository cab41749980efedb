import {
  checkValue,
  type FieldSettings,
  isDerived,
  kindOf,
  plainLook,
  settingLimits,
  settingRanges,
  type SettingName,
  showValue,
  type Look,
} from '../kinds'
import { fail, ok, type Result, wordProblem } from '../words'
import type { Field } from './book'

const always: readonly SettingName[] = ['must', 'note', 'example', 'refusal']
/** What a derived field may carry besides what its kind uses: nobody types it, so nothing typed is refused. */
const ofDerived: readonly (keyof Field)[] = ['note', 'example', 'source', 'freezes']

/** Keeps what a field's kind has a use for, so that nothing of a former kind lingers. */
export function onlyUsed(field: Field): Field {
  const besides = isDerived(field) ? ofDerived : always
  const used = new Set<string>(['id', 'name', 'kind', 'liveName', ...besides, ...kindOf(field.kind).uses])
  if (field.kind === 'link') used.add('unique')
  if (field.kind !== 'workedOut') used.delete('freezes')
  return Object.fromEntries(Object.entries(field).filter(([key]) => used.has(key))) as unknown as Field
}

/** Checks a field's settings among each other and returns them tidied, bounds in the shape of the kind. */
export function checkSettings(field: Field, look: Look): Result<Field> {
  for (const [name, range] of Object.entries(settingRanges)) {
    const set = field[name as keyof typeof settingRanges]
    if (set !== undefined && (!Number.isInteger(set) || set < range.least || set > range.most)) {
      return fail({ kind: 'setting-out-of-range', setting: range.title, least: range.least, most: range.most })
    }
  }
  for (const [name, limit] of Object.entries(settingLimits.texts)) {
    const length = field[name as keyof typeof settingLimits.texts]?.length ?? 0
    if (length > limit) return fail({ kind: 'too-long', limit, length })
  }
  const choices = checkChoices(field)
  if (!choices.ok) return choices
  const tidy: { -readonly [Key in keyof FieldSettings]: FieldSettings[Key] } = {}
  for (const [name, title] of [
    ['least', 'At least'],
    ['most', 'At most'],
    ['startsAs', 'Starts as'],
  ] as const) {
    const read = readSetting(field, name)
    if (!read.ok) return fail({ kind: 'setting-not-value', setting: title, because: wordProblem(read.problem) })
    tidy[name] = read.value
  }
  const checked = { ...field, ...tidy }
  const { least, most } = checked
  if (least !== undefined && most !== undefined && kindOf(field.kind).compare(least, most) > 0) {
    return fail({ kind: 'bounds-crossed', least: showValue(least, field, look), most: showValue(most, field, look) })
  }
  if (checked.startsAs !== undefined && !isMoment(field, checked.startsAs)) {
    const start = checkValue(checked.startsAs, checked, look)
    if (!start.ok) return fail({ kind: 'setting-not-value', setting: 'Starts as', because: wordProblem(start.problem) })
  }
  return ok(
    onlyUsed(Object.fromEntries(Object.entries(checked).filter((entry) => entry[1] !== undefined)) as unknown as Field),
  )
}

/** "today", "tomorrow" and "now" stand for the moment a record is begun. */
const isMoment = (field: Field, value: string) =>
  (field.kind === 'date' && (value === 'today' || value === 'tomorrow')) ||
  (field.kind === 'dateTime' && value === 'now')

function readSetting(field: Field, name: 'least' | 'most' | 'startsAs'): Result<string | undefined> {
  const value = field[name]
  if (value === undefined || value === '') return ok(undefined)
  if (name === 'startsAs' && isMoment(field, value)) return ok(value)
  return kindOf(field.kind).read(value, { ...field, least: undefined, most: undefined }, plainLook)
}

function checkChoices({ choices = [] }: Field): Result<null> {
  const seen = new Set<string>()
  if (choices.length > settingLimits.choices)
    return fail({ kind: 'too-many', what: 'choice', limit: settingLimits.choices })
  for (const { word } of choices) {
    if (!word.trim()) return fail({ kind: 'choice-blank' })
    if (word.length > settingLimits.choiceLength)
      return fail({ kind: 'too-long', limit: settingLimits.choiceLength, length: word.length })
    if (seen.has(word.trim().toLowerCase())) return fail({ kind: 'choice-twice', choice: word.trim() })
    seen.add(word.trim().toLowerCase())
  }
  return ok(null)
}
