import type { Edit, Field, Table } from '../book'
import { singular } from '../words'
import { capital } from '../words'

/** The edits that give a fact that comes several times rows of its own, and take its old boxes out. */
export function rowsOf(table: Table, field: Field, freshId: () => string, boxes: readonly Field[] = [field]): Edit[] {
  const name = capital(singular(field.name))
  const [rows, value] = [freshId(), freshId()]
  const ids = {
    table: freshId(),
    links: [freshId(), freshId()] as [string, string],
    fields: [freshId(), freshId()] as [string, string],
  }
  return [
    { kind: 'addTable', id: rows, name: `${table.name} ${name.toLowerCase()}`.slice(0, 60), keyField: freshId() },
    { kind: 'addField', table: rows, id: value, name, holds: field.kind === 'passage' ? 'line' : field.kind },
    {
      kind: 'answerPairing',
      a: table.id,
      b: rows,
      aHasSeveral: true,
      bHasSeveral: false,
      aMust: false,
      bMust: true,
      ids,
    },
    { kind: 'changeLink', link: ids.links[0], onRemove: 'remove' },
    ...boxes.map((box): Edit => ({ kind: 'removeField', field: box.id })),
  ]
}
