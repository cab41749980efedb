import { type Book, type FormPart, findLink, tableOf } from '../book'
import { plural } from '../words'
import { linkedField } from './shown-lines'

/** What a part of a form is called in its outline, and where it is moved. */
export function partNameOf(book: Book, tableId: string, part: FormPart): string {
  const { fields } = tableOf(book, tableId)
  const nameOf = (id: string) => fields.find((field) => field.id === id)?.name ?? 'something removed'
  switch (part.kind) {
    case 'field':
      return part.label ?? nameOf(part.id)
    case 'rows': {
      const link = findLink(book, part.id)
      return part.label ?? (link ? plural(tableOf(book, link.many).name) : 'something removed')
    }
    case 'totals':
      return part.fields.map(nameOf).join(', ')
    case 'linked': {
      const found = linkedField(book, tableId, part)
      return part.label ?? (found ? `${found.link.name} → ${found.field.name}` : 'something removed')
    }
    case 'words':
      return `“${part.words.length > 40 ? `${part.words.slice(0, 39)}…` : part.words}”`
    case 'line':
      return 'Line'
    case 'group':
      return part.heading ?? 'Group'
  }
}
