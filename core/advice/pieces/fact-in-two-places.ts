import { type Field, findTable, type Table } from '../../book'
import { aOrAn, capital, inSentence, oncePer } from '../../words'
import { namedFields } from '../named-fields'
import type { BookPiece } from '../piece'

// Facts that each thing has of its own, and prices, which are copied on purpose on the day.
const general =
  /^(name|title|note|notes|description|state|status|date|number|code|type|kind|phone|e-?mail|price.*|amount|quantity|colour|color|photo|start.*|end.*|valid until|remarks?|comments?)$/i
const same = new Set(['line', 'code', 'passage', 'phone', 'email', 'web', 'date'])

/** The fields of the one table that tell a fact of the other again; worked out once for two tables as they stand. */
const sharedFacts = oncePer((one: Table) => oncePer((many: Table) => lookFor(one, many)))

function lookFor(one: Table, many: Table): Field[] {
  const names = namedFields(one)
  return [...namedFields(many)].flatMap(([name, field]) => {
    const other = names.get(name)
    const twice = other && other.kind === field.kind && same.has(field.kind) && !one.key.includes(other.id)
    return twice && !general.test(field.name) ? [field] : []
  })
}

/** The same fact here and in what is linked to: one day they differ. */
export const factInTwoPlaces: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) =>
    book.links.flatMap((link) => {
      const [one, many] = [findTable(book, link.one), findTable(book, link.many)]
      if (!one || !many || one === many || many.role === 'joining') return []
      return sharedFacts(one)(many).map((field) => ({
        about: field.id,
        head: `${field.name} stands in ${one.name} and in ${many.name}`,
        text: `${capital(aOrAn(inSentence(many.name)))} is linked to its ${inSentence(one.name)}, which has ${inSentence(field.name)} already. Kept twice, the two will differ.`,
        mends: [
          { say: `Remove it from ${many.name}`, edits: () => [{ kind: 'removeField', field: field.id } as const] },
        ],
      }))
    }),
}
