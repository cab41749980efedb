import type { EditionNow } from '@/server/reports'

/** How many pages there are, or how far they are. */
export const sayPages = ({ pages, laid }: EditionNow, here: number): string =>
  laid
    ? `page ${Math.min(here + 1, pages)} of ${pages.toLocaleString('en-GB')}`
    : `page ${here + 1}, ${pages.toLocaleString('en-GB')} laid so far`
