import { aOrAn, inSentence } from '../../words'
import type { TablePiece } from '../piece'

/** Nobody knows a customer by a bare number. */
export const knownByNumberAlone: TablePiece = {
  scope: 'table',
  weight: 'worth-a-look',
  find: (table) => {
    const [known, ...more] = table.fields.filter((field) => table.knownBy.includes(field.id))
    if (more.length > 0 || known?.kind !== 'running' || known.prefix) return []
    const named = table.fields.find(
      (field) =>
        ['line', 'code'].includes(field.kind) &&
        /^(name|title|full name|last name|surname|address|code|subject)$/i.test(field.name),
    )
    if (!named) return []
    return [
      {
        about: table.id,
        head: `Staff would choose ${aOrAn(inSentence(table.name))} by number`,
        text: `Nobody knows it by “${known.name}”. They will look for its ${inSentence(named.name)}.`,
        mends: [
          {
            say: `Show it as ${named.name}`,
            edits: () => [{ kind: 'setKnownBy', table: table.id, fields: [named.id] }],
          },
        ],
      },
    ]
  },
}
