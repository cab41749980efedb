/** A day and time from the database's UTC clock, as people here write it. */
export const sayMade = (utc: string): string =>
  new Date(`${utc.replace(' ', 'T')}Z`).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  })
