import type { Now } from '@/core/kinds'

/** The wall clock of whoever types, for "today" and for years left out. */
export function officeNow(): Now {
  const at = new Date()
  return { moment: new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16) }
}
