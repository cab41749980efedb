import type { LinkOption } from '@/ui/controls'

const most = 12

const place = (book: string, table: string) => `hearth-lately ${book} ${table}`

/** The records of a table that somebody linked to last, in this browser, the latest first. */
export function lately(book: string, table: string): readonly LinkOption[] {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(place(book, table)) ?? '[]')
    return Array.isArray(found) ? (found as LinkOption[]).slice(0, most) : []
  } catch {
    return []
  }
}

export function noteLately(book: string, table: string, { ref, label }: LinkOption): void {
  const others = lately(book, table).filter((one) => one.ref !== ref)
  try {
    localStorage.setItem(place(book, table), JSON.stringify([{ ref, label }, ...others].slice(0, most)))
  } catch {
    // A browser that keeps nothing finds records all the same.
  }
}
