import { fail, ok } from '../words'
import type { FieldKind } from './kind'
import { lineChecks, matches, quoteText, readLine, textKind } from './text'

const emailShape = String.raw`[^\s@<>"(),;]+@[^\s@<>"(),;.]+(\.[^\s@<>"(),;.]+)+`
const phoneShape = String.raw`\+?[\d\s().\-/]+(\s?(x|ext\.?)\s?\d{1,6})?`
const phoneDigits = { least: 4, most: 21 }
const webShape = String.raw`https?://[^\s/?#.]+(\.[^\s/?#.]+)+(:\d{1,5})?([/?#]\S*)?`

const wholly = (shape: string) => new RegExp(`^(?:${shape})$`, 'i')
const [isEmail, isPhone, isWeb] = [wholly(emailShape), wholly(phoneShape), wholly(webShape)]

/** Whether a text is one e-mail address, and nothing besides. */
export const isEmailAddress = (text: string): boolean => text.length <= 254 && isEmail.test(text)

/** An e-mail address: something, one @, and a domain with a dot. */
export const email: FieldKind = {
  ...textKind,
  title: 'E-mail',
  short: 'email',
  holds: 'an e-mail address',
  span: () => 6,
  uses: ['unique'],
  starts: {},
  read(typed) {
    const text = readLine(typed, 254)
    if (!text.ok || isEmail.test(text.value)) return text
    return fail({ kind: 'not-email', text: text.value })
  },
  columnType: () => ({ is: 'text', most: 254 }),
  checks: () => [
    { name: 'address', sql: (column) => `${column} LIKE '_%@_%._%'` },
    { name: 'shape', sql: (column) => matches(column, emailShape), mariadb: true },
  ],
  specimen: () => 'averil.teal@otterby.example',
  summary: () => 'E-mail address',
}

/** A phone number as people write it; at least four and at most fifteen digits. */
export const phone: FieldKind = {
  ...textKind,
  title: 'Phone',
  short: 'phone',
  holds: 'a phone number, as people write it',
  span: () => 4,
  uses: ['unique'],
  starts: {},
  read(typed) {
    const text = readLine(typed, 40)
    if (!text.ok) return text
    const digits = text.value.replace(/\D/g, '').length
    if (isPhone.test(text.value) && digits >= phoneDigits.least && digits <= phoneDigits.most) return text
    return fail({ kind: 'not-phone', text: text.value })
  },
  columnType: () => ({ is: 'text', most: 40 }),
  checks: () => [
    ...lineChecks,
    {
      name: 'shape',
      sql: (column) =>
        `${matches(column, phoneShape)} AND CHAR_LENGTH(REGEXP_REPLACE(${column}, ${quoteText('\\D')}, '')) BETWEEN ${phoneDigits.least} AND ${phoneDigits.most}`,
      mariadb: true,
    },
  ],
  specimen: () => '01555 0142',
  summary: () => 'Phone number',
}

/** A web address; https:// is put before it where it is missing. */
export const web: FieldKind = {
  ...textKind,
  title: 'Web address',
  short: 'url',
  holds: 'the address of a page',
  span: () => 6,
  uses: [],
  starts: {},
  read(typed) {
    const text = readLine(typed, 700)
    if (!text.ok) return text
    const address =
      /^[a-z][a-z\d+.-]*:/i.test(text.value) && !/^[\w.-]+\.\w+:\d/.test(text.value)
        ? text.value
        : `https://${text.value}`
    // Only http and https: a script address in a record must never become something to click.
    if (isWeb.test(address)) return ok(address)
    return fail({ kind: 'not-web', text: text.value })
  },
  columnType: () => ({ is: 'text', most: 708 }),
  checks: () => [
    { name: 'address', sql: (column) => `${column} LIKE 'http%://_%'` },
    { name: 'shape', sql: (column) => matches(column, webShape), mariadb: true },
  ],
  specimen: () => 'https://emberly.example',
  summary: () => 'Web address',
}
