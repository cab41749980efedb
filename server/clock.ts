import type { Now } from '@/core/kinds'

const two = (part: number) => String(part).padStart(2, '0')

/** The office's wall-clock time, "2027-03-12T09:30". The server stands in the office's time zone (TZ). */
export function now(at: Date = new Date()): Now {
  const day = `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())}`
  return { moment: `${day}T${two(at.getHours())}:${two(at.getMinutes())}` }
}

/** A moment for the catalogue, in UTC with milliseconds, as MariaDB writes it. */
export const stamp = (at: Date = new Date()) => at.toISOString().replace('T', ' ').replace('Z', '')
