import { kindOf } from '../kinds'
import type { ReadField, Reading } from '../needs'

interface PlainField {
  readonly name: string
  readonly kind: string
}

/** A reading as other programs take it: kinds by their short names, no evidence. */
interface PlainReading {
  readonly tables: readonly { readonly name: string; readonly fields: readonly PlainField[] }[]
  readonly links: readonly {
    readonly from: string
    readonly to: string
    readonly kind: string
    readonly mandatory: boolean
    readonly limit: number | null
    readonly fields: readonly PlainField[]
  }[]
  readonly questions: readonly { readonly text: string; readonly tables: readonly string[] }[]
  readonly open: readonly string[]
}

export function plainReading({ tables, ties, questions, open }: Reading): PlainReading {
  return {
    tables: tables.map(({ name, fields }) => ({ name, fields: fields.map(plainField) })),
    links: ties.map(({ from, to, kind, must, limit, fields }) => ({
      from,
      to,
      kind,
      mandatory: must,
      limit: limit?.most ?? null,
      fields: fields.map(plainField),
    })),
    questions: questions.map(({ text, tables: about }) => ({ text, tables: about })),
    open: open.map(({ text }) => text),
  }
}

const plainField = ({ name, kind, choices }: ReadField) => ({
  name,
  kind: kindOf(kind).short,
  ...(choices && { choices }),
})
