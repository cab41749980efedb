import type { Field, Table } from '../../book'
import { displayOf } from '../../expressions'
import { type KindName, kindOf } from '../../kinds'
import { namedFields } from '../named-fields'
import type { BookPiece } from '../piece'

const plain = /^(number|no|code|note|notes|name|type|kind|size|reference|photo|picture|value|quantity)$/i
const families: readonly (readonly KindName[])[] = [
  ['line', 'passage', 'code'],
  ['whole', 'exact', 'measured'],
  ['date', 'dateTime'],
]
const alike = (a: KindName, b: KindName) =>
  a === b || families.some((family) => family.includes(a) && family.includes(b))

/** One word with two meanings confuses every list. */
export const oneNameTwoKinds: BookPiece = {
  scope: 'book',
  weight: 'worth-a-look',
  find: (book) => {
    const byName = new Map<string, { table: Table; field: Field }[]>()
    for (const table of book.tables) {
      for (const [name, field] of namedFields(table)) {
        if (field.kind === 'link') continue
        const places = byName.get(name) ?? []
        // What is derived is as what it looks like.
        places.push({ table, field: displayOf(book, field) })
        byName.set(name, places)
      }
    }
    return [...byName.values()].flatMap((places) => {
      const [first] = places
      const other = places.find(({ field }) => !alike(field.kind, first!.field.kind))
      if (!other || plain.test(first!.field.name)) return []
      return [
        {
          about: other.field.id,
          head: `${first!.field.name} means two things`,
          text: `In ${first!.table.name} it is ${kindOf(first!.field.kind).title.toLowerCase()}, in ${other.table.name} ${kindOf(other.field.kind).title.toLowerCase()}. Use one kind, or two names.`,
        },
      ]
    })
  },
}
