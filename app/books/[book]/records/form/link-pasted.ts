import type { UseFormReturn } from 'react-hook-form'
import { type Book, linkOf, tableOf } from '@/core/book'
import { unmatchedWords } from '@/core/kinds'
import { type FormText, type Inset, keyOfRef, type RowText } from '@/core/records'
import type { LinkOption } from '@/ui/controls'
import { searchLinked } from './search-linked'

interface Wish {
  readonly base: string
  readonly bookId: string
  readonly book: Book
  readonly form: UseFormReturn<FormText>
  readonly name: `insets.${string}`
  readonly inset: Inset
}

const askedAtOnce = 4

/**
 * Finds the records that the words in pasted links name, each words once, and puts them in where the words still
 * stand. How many links fit no one record.
 */
export async function linkPasted({
  base,
  bookId,
  book,
  form,
  name,
  inset,
}: Wish): Promise<{ readonly unclear: number }> {
  const rows = () => (form.getValues(name as 'insets.x') as readonly RowText[] | undefined) ?? []
  const links = inset.fields.filter(({ kind, id }) => kind === 'link' && id !== inset.link.field)
  const wanted = links.flatMap((field) => {
    const words = rows().flatMap((row) => unmatchedWords(row.text[field.id] ?? '') ?? [])
    return [...new Set(words)].map((said) => ({ field, said }))
  })
  const next = wanted.values()
  const work = async () => {
    for (const { field, said } of next) {
      const target = tableOf(book, linkOf(book, field.id).one)
      const meant = namedBy(said, (await searchLinked(base, bookId, target, said)) ?? [])
      if (!meant) continue
      for (const [at, row] of rows().entries()) {
        if (unmatchedWords(row.text[field.id] ?? '') !== said) continue
        form.setValue(`${name}.${at}.labels.${field.id}` as 'text.x', meant.label)
        form.setValue(`${name}.${at}.text.${field.id}` as 'text.x', meant.ref, { shouldDirty: true })
      }
    }
  }
  await Promise.all(Array.from({ length: askedAtOnce }, work))
  const unclear = links.flatMap(({ id }) => rows().filter((row) => unmatchedWords(row.text[id] ?? '') !== undefined))
  return { unclear: unclear.length }
}

/** The only record that goes by just these words, or by this number; nothing is guessed. */
function namedBy(said: string, found: readonly LinkOption[]): LinkOption | undefined {
  const plain = (words: string) => words.trim().replace(/\s+/g, ' ').toLocaleLowerCase()
  const named = found.filter(({ ref, label }) =>
    [label, ...(keyOfRef(ref, 1) ?? [])].some((words) => plain(words) === plain(said)),
  )
  return named.length === 1 ? named[0] : undefined
}
