import type { TablePiece } from '../piece'

/** A name and its parts kept side by side will disagree. */
export const nameAndItsParts: TablePiece = {
  scope: 'table',
  weight: 'worth-a-look',
  find: (table) => {
    const has = (pattern: RegExp) => table.fields.find((field) => pattern.test(field.name))
    const whole = has(/^(name|full name)$/i)
    const [first, last] = [has(/^(first|given) ?name$/i), has(/^(last ?name|surname|family name)$/i)]
    if (!whole || !first || !last) return []
    return [
      {
        about: whole.id,
        head: `${table.name} keeps the name twice`,
        text: `${whole.name} repeats ${first.name} and ${last.name}; after the first wedding they differ. Lists can put the two together.`,
        mends: [{ say: `Remove ${whole.name}`, edits: () => [{ kind: 'removeField', field: whole.id }] }],
      },
    ]
  },
}
