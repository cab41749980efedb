import type { Field } from '../../book'
import { aOrAn, capital, inSentence, listed } from '../../words'
import type { TablePiece } from '../piece'

// Words that sort facts of the thing itself.
const common = new Set(
  'first last start end date day time number total unit list daily weekly monthly yearly hourly net gross home work main second third next old new full short long min max usual real actual planned expected best opening closing purchase selling serial booked sweep access valid ladder fitted way price left right outer inner own'.split(
    ' ',
  ),
)

/** Customer name, Customer phone, Customer town: a customer is a thing of its own. */
export const factsOfAnotherThing: TablePiece = {
  scope: 'table',
  weight: 'worth-a-look',
  find: (table) => {
    const groups = new Map<string, Field[]>()
    for (const field of table.fields) {
      const space = field.name.indexOf(' ')
      if (space < 0 || field.kind === 'link' || table.key.includes(field.id)) continue
      const prefix = field.name.slice(0, space).toLowerCase()
      if (common.has(prefix) || prefix === table.name.toLowerCase().split(' ')[0]) continue
      const group = groups.get(prefix)
      if (group) group.push(field)
      else groups.set(prefix, [field])
    }
    return [...groups]
      .filter(([, fields]) => fields.length >= 3)
      .map(([prefix, fields]) => ({
        about: fields[0]!.id,
        head: `${table.name} has fields about ${aOrAn(prefix)}`,
        text: `${listed(fields.map((field) => field.name))} would be typed again with every ${inSentence(table.name)}, and one day they will differ.`,
        mends: [
          {
            say: `Make ${capital(prefix)} a table of its own`,
            edits: (freshId: () => string) => [
              {
                kind: 'splitTable',
                table: table.id,
                id: freshId(),
                name: capital(prefix),
                keyField: freshId(),
                fields: fields.map((field) => field.id),
                as: 'kind',
                link: freshId(),
                linkField: freshId(),
              } as const,
            ],
          },
        ],
      }))
  },
}
