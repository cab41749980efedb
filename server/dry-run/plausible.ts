import { base, en, en_GB, Faker } from '@faker-js/faker'
import type { Field, Table } from '@/core/book'
import { addDays, type Look, type Value } from '@/core/kinds'
import type { Dice, MakeUp } from '@/core/made-up'
import { specimenOf } from '@/core/patterns'
import { now } from '../clock'

/** Made-up values that fit what a field is called and what it holds; the same seed makes the same. */
export function plausible(look: Look, seed: number): { readonly makeUp: MakeUp; readonly dice: Dice } {
  const faker = new Faker({ locale: [en_GB, en, base], seed })
  const today = now().moment.slice(0, 10)
  return {
    makeUp: (table, field) => valueFor(faker, look, today, table, field),
    dice: (sides) => faker.number.int({ min: 0, max: Math.max(0, sides - 1) }),
  }
}

function valueFor(faker: Faker, look: Look, today: string, table: Table, field: Field): Value {
  const between = (least: number, most: number, decimals = 0) => number(faker, field, least, most, decimals)
  switch (field.kind) {
    case 'line':
      return fit(lineFor(faker, table, field), field)
    case 'passage':
      return faker.word.words({ count: { min: 5, max: 14 } }) + '.'
    case 'code':
      return codeFor(faker, field)
    case 'whole':
      return between(1, /year/i.test(field.name) ? 9 : 40)
    case 'exact':
      return between(1, 100, field.decimals ?? 2)
    case 'money':
      return between(5, 400, look.currencyDecimals)
    case 'measured':
      return between(1, 50, 1)
    case 'mark':
      return String(faker.number.int({ min: 1, max: field.scale ?? 5 }))
    case 'date':
      return dayFor(faker, today, field)
    case 'time':
      return timeFor(faker)
    case 'dateTime':
      return `${dayFor(faker, today, field)}T${timeFor(faker)}`
    case 'tick':
      return faker.datatype.boolean({ probability: 0.3 }) ? '1' : '0'
    case 'choice':
      return field.choices?.length ? faker.helpers.arrayElement(field.choices).word : null
    case 'email':
      return `${faker.internet
        .username()
        .toLowerCase()
        .replace(/[^a-z\d.]/g, '')}@example.org`
    case 'phone':
      // A range that is kept free for made-up numbers.
      return `01632 960${faker.string.numeric(3)}`
    case 'web':
      return `https://example.org/${faker.lorem.slug(2)}`
    case 'file':
    case 'link':
    case 'running':
    case 'borrowed':
    case 'copied':
    case 'gathered':
    case 'workedOut':
      return null
  }
}

/** What lines of such a name hold, first match first. */
const lines: readonly (readonly [RegExp, (faker: Faker) => string])[] = [
  [/\b(first|given|fore) ?name/i, (faker) => faker.person.firstName()],
  [/\b(last|family|sur) ?name/i, (faker) => faker.person.lastName()],
  [/\b(town|city|village|place)\b/i, (faker) => faker.location.city()],
  [/\b(street|address|road)\b/i, (faker) => faker.location.streetAddress()],
  [/\b(county|region|area)\b/i, (faker) => `${faker.person.lastName()}shire`],
  [/\bcountry\b/i, (faker) => `${faker.person.lastName()}land`],
  [/\bpost ?code|\bzip\b/i, (faker) => faker.helpers.replaceSymbols('??# #??')],
  [/\b(make|maker|brand|supplier|company|firm|organisation|manufacturer)\b/i, (faker) => faker.company.name()],
  [/\bmodel\b/i, (faker) => `${capital(faker.word.noun())} ${faker.number.int({ min: 1, max: 90 })}`],
  [/\b(colou?r)\b/i, (faker) => faker.color.human()],
  [/\b(serial|reference|ref|registration|plate|number|no)\b/i, (faker) => faker.helpers.replaceSymbols('??-#####')],
  [/\b(by|person|contact|author|who|signed)\b/i, (faker) => faker.person.fullName()],
  [/\b(job|role|trade|profession)\b/i, (faker) => faker.person.jobType()],
]

const people =
  /\b(person|customer|client|member|contact|employee|staff|technician|driver|pupil|student|teacher|patient|guest|owner|tenant|author|volunteer|binder)\b/i
const firms = /\b(company|firm|supplier|organisation|manufacturer|maker|school|club|shop|publisher)\b/i

function lineFor(faker: Faker, table: Table, field: Field): string {
  if (/\bname\b/i.test(field.name) && !/\b(first|given|last|family)\b/i.test(field.name)) {
    if (people.test(table.name)) return faker.person.fullName()
    if (firms.test(table.name)) return faker.company.name()
  }
  if (table.role === 'word-list') return faker.word.adjective()
  const known = lines.find(([name]) => name.test(field.name))
  return known ? known[1](faker) : capital(`${faker.word.adjective()} ${faker.word.noun()}`)
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1)

const fit = (words: string, { length = 60, exactLength }: Field) =>
  exactLength ? words.padEnd(length, 'x').slice(0, length) : words.slice(0, length).trim()

function codeFor(faker: Faker, { length = 10, exactLength, pattern }: Field): string {
  if (pattern) return specimenOf(pattern, (many) => faker.number.int({ min: 0, max: many - 1 }))
  const long = exactLength ? length : Math.min(length, 8)
  return faker.string.alphanumeric({ length: long, casing: 'upper' })
}

function number(faker: Faker, { least, most }: Field, low: number, high: number, decimals: number): string {
  const min = least === undefined ? Math.min(low, Number(most ?? low)) : Number(least)
  const max = most === undefined ? Math.max(high, min + high) : Number(most)
  const step = 10 ** Math.min(decimals, 4)
  const value = faker.number.int({
    min: Math.ceil(min * step),
    max: Math.max(Math.ceil(min * step), Math.floor(max * step)),
  })
  return decimals === 0 ? String(value) : (value / step).toFixed(decimals)
}

/** Births lie far back, what is due ahead, what is booked around today, everything else in the last year. */
function dayFor(faker: Faker, today: string, { name, least, most }: Field): string {
  const days = faker.number.int({ min: 0, max: 364 })
  const away = /\bbirth|\bborn\b/i.test(name)
    ? -6500 - days * 50
    : /\b(due|next|until|end|expir|renew|valid|return)/i.test(name)
      ? Math.ceil(days / 4)
      : /\b(booked|planned|arranged|from)\b/i.test(name)
        ? 60 - days
        : -days
  const day = addDays(today, away)
  if (least !== undefined && day < least.slice(0, 10)) return addDays(least.slice(0, 10), days % 30)
  if (most !== undefined && day > most.slice(0, 10)) return addDays(most.slice(0, 10), -(days % 30))
  return day
}

/** A working hour, on the quarter. */
const timeFor = (faker: Faker) =>
  `${String(faker.number.int({ min: 8, max: 17 })).padStart(2, '0')}:${faker.helpers.arrayElement(['00', '15', '30', '45'])}`
