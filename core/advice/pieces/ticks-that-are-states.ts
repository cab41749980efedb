import { freeName } from '../../book'
import { listed } from '../../words'
import type { TablePiece } from '../piece'

/** Ticks of which only one can hold are one choice. */
export const ticksThatAreStates: TablePiece = {
  scope: 'table',
  weight: 'worth-a-look',
  find: (table) => {
    const states = table.fields.filter(
      (field) =>
        field.kind === 'tick' &&
        /^(is )?(open|closed|new|booked|planned|started|in progress|waiting|done|finished|cancelled|canceled|paid|unpaid|sent|delivered|ordered|accepted|rejected|active|inactive|draft|approved|confirmed|pending|returned|lost)$/i.test(
          field.name,
        ),
    )
    if (states.length < 3) return []
    return [
      {
        about: states[0]!.id,
        head: `${table.name} has ${states.length} ticks for one state`,
        text: `${listed(states.map((field) => field.name))} could all be ticked at once. One choice field holds exactly one of them.`,
        mends: [
          {
            say: 'Make them one choice',
            edits: (freshId: () => string) => {
              const id = freshId()
              return [
                {
                  kind: 'addField',
                  table: table.id,
                  id,
                  name: freeName('State', table.fields),
                  holds: 'choice',
                  before: states[0]!.id,
                } as const,
                {
                  kind: 'changeField',
                  field: id,
                  to: { choices: states.map((field) => ({ id: freshId(), word: field.name.toLowerCase() })) },
                } as const,
                ...states.map((field) => ({ kind: 'removeField', field: field.id }) as const),
              ]
            },
          },
        ],
      },
    ]
  },
}
