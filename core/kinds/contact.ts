import { fail, ok } from '../words'
import type { FieldKind } from './kind'
import { readLine, textKind } from './text'

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
    if (!text.ok || /^[^\s@<>"(),;]+@[^\s@<>"(),;.]+(\.[^\s@<>"(),;.]+)+$/.test(text.value)) return text
    return fail({ kind: 'not-email', text: text.value })
  },
  sqlType: () => 'VARCHAR(254)',
  checks: () => [{ name: 'address', sql: (column) => `${column} LIKE '_%@_%._%'` }],
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
    if (/^\+?[\d\s().\-/]+(\s?(x|ext\.?)\s?\d{1,6})?$/i.test(text.value) && digits >= 4 && digits <= 21) return text
    return fail({ kind: 'not-phone', text: text.value })
  },
  sqlType: () => 'VARCHAR(40)',
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
    if (/^https?:\/\/[^\s/?#.]+(\.[^\s/?#.]+)+(:\d{1,5})?([/?#]\S*)?$/i.test(address)) return ok(address)
    return fail({ kind: 'not-web', text: text.value })
  },
  sqlType: () => 'VARCHAR(708)',
  checks: () => [{ name: 'address', sql: (column) => `${column} LIKE 'http%://_%'` }],
  specimen: () => 'https://emberly.example',
  summary: () => 'Web address',
}
