import type { Edit } from '@/core/book'
import type { KindName } from '@/core/kinds'
import { tie } from './edits'

type Settings = Extract<Edit, { kind: 'changeField' }>['to']

/** A table by name with a running key, and its fields: "Name line". */
export function table(name: string, ...fields: readonly (string | readonly [string, Settings])[]): Edit[] {
  const id = name.toLowerCase()
  return [
    { kind: 'addTable', id, name, keyField: `${id}-key` },
    ...fields.flatMap((field): Edit[] => {
      const [words, settings] = typeof field === 'string' ? [field, undefined] : field
      const at = words.lastIndexOf(' ')
      const own = `${id}_${words.slice(0, at).toLowerCase().replace(/\W/g, '-')}`
      const add: Edit = {
        kind: 'addField',
        table: id,
        id: own,
        name: words.slice(0, at),
        holds: words.slice(at + 1) as KindName,
      }
      return settings ? [add, { kind: 'changeField', field: own, to: settings }] : [add]
    }),
  ]
}

/** Each `many` points to one `one`. */
export const link = (one: string, many: string, more: Parameters<typeof tie>[3] = {}) =>
  tie(
    one,
    many,
    { link: `${one}--${many}`, field: `${many}__${one}`, table: `${one}-${many}` },
    { bMust: true, ...more },
  )
export const words = (...choices: string[]): Settings => ({
  choices: choices.map((word, at) => ({ id: `c${at}`, word })),
})

/** Two plain tables, against which nothing is to be said. */
export const client = table('Client', 'Name line', 'Town line')

export const job = table('Job', 'Due on date', 'Subject line')
