import type { List } from '@/core/book'

/** Which records a document is written for. */
export type WrittenFor =
  | { readonly kind: 'record'; readonly ref: string; readonly label: string }
  | { readonly kind: 'marked'; readonly refs: readonly string[] }
  | { readonly kind: 'list'; readonly list: List; readonly given: Readonly<Record<string, string>> }

/** What goes to the server of it. */
export const sentOf = (
  of: WrittenFor,
): { readonly refs: readonly string[] } | Omit<Extract<WrittenFor, { kind: 'list' }>, 'kind'> =>
  of.kind === 'record'
    ? { refs: [of.ref] }
    : of.kind === 'marked'
      ? { refs: of.refs }
      : { list: of.list, given: of.given }

// Of this window alone: what is marked, or a list as it is just now, has no address of its own.
const nameOf = (base: string) => `hearth-hand-out ${base}`

export interface KeptFor {
  readonly table: string
  readonly of: WrittenFor
}

/** Keeps for this window which records are to have documents; false without room for it. */
export function keepFor(base: string, kept: KeptFor): boolean {
  try {
    sessionStorage.setItem(nameOf(base), JSON.stringify(kept))
    return true
  } catch {
    return false
  }
}

export function keptFor(base: string): KeptFor | undefined {
  try {
    return (JSON.parse(sessionStorage.getItem(nameOf(base)) ?? 'null') as KeptFor | null) ?? undefined
  } catch {
    return undefined
  }
}

interface Wish {
  readonly table: string
  /** A kept document, or one that the program writes by itself. */
  readonly document: string
  readonly ref?: string
  readonly label?: string
}

const pathTo = (page: 'out' | 'mail', base: string, { table, document, ref, label }: Wish): string =>
  `${base}/documents/${page}?${new URLSearchParams({ table, document, ...(ref !== undefined && { ref, label: label ?? ref }) })}`

/** Where documents are looked at and handed out; for what is kept in this window where no record is named. */
export const outPath = (base: string, wish: Wish): string => pathTo('out', base, wish)

/** Where their e-mails are looked at and sent. */
export const mailPath = (base: string, wish: Wish, of: WrittenFor): string =>
  pathTo('mail', base, { ...wish, ...(of.kind === 'record' && { ref: of.ref, label: of.label }) })
