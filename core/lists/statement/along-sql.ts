import type { Along } from '../../book'

/**
 * What a number is among those of all records of a list, as a window (ISO SQL:2003) over them in their order. Blanks
 * count as nothing: they have no rank, and leave a running total as it is.
 */
export function alongSql(value: string, name: Along, order: string): string {
  switch (name) {
    case 'share':
      return `ROUND(100.0 * ${value} / NULLIF(SUM(${value}) OVER (), 0), 1)`
    case 'running':
      return `SUM(${value}) OVER (ORDER BY ${order} ROWS UNBOUNDED PRECEDING)`
    case 'rank':
      // Nothing is ranked before what is there.
      return `CASE WHEN ${value} IS NOT NULL THEN RANK() OVER (ORDER BY ${value} IS NULL, ${value} DESC) END`
    case 'difference':
      return `${value} - LAG(${value}) OVER (ORDER BY ${order})`
  }
}
