import type { KeyboardEvent } from 'react'

const steps: Readonly<Record<string, readonly [down: number, right: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
}

const cellsOf = (row: Element | undefined) => [...(row?.querySelectorAll<HTMLElement>('[data-cell]') ?? [])]

/** The rows that are drawn, from the top down; they needn't stand so in the page. */
const rowsIn = (grid: HTMLElement) =>
  [...grid.querySelectorAll<HTMLElement>('[data-row]')].sort(
    (a, b) => a.getBoundingClientRect().top - b.getBoundingClientRect().top,
  )

/**
 * Goes from cell to cell of a grid with the arrow keys, a page and to either end of a row too. What isn't drawn yet is
 * brought into sight first. True where the key was for that.
 */
export function walkCells(event: KeyboardEvent<HTMLElement>): boolean {
  const grid = event.currentTarget
  const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-cell]')
  if (event.altKey || event.ctrlKey || event.metaKey) return false
  if (!cell) {
    if (event.target !== grid || event.key !== 'ArrowDown') return false
    return reach(event, cellsOf(rowsIn(grid)[0])[0])
  }
  const row = cell.closest<HTMLElement>('[data-row]')
  if (!row) return false
  const own = cellsOf(row)
  const column = own.indexOf(cell)
  if (event.key === 'Home') return reach(event, own[0])
  if (event.key === 'End') return reach(event, own.at(-1))
  const [down, right] = steps[event.key] ?? [0, 0]
  if (right !== 0) return reach(event, own[column + right] ?? cell)
  if (down === 0) return false
  const next = () => {
    const rows = rowsIn(grid)
    return cellsOf(rows[rows.indexOf(row) + down])[column]
  }
  if (next()) return reach(event, next())
  event.preventDefault()
  grid.scrollBy({ top: down * 200 })
  // Drawn with the next picture, at the earliest.
  requestAnimationFrame(() => requestAnimationFrame(() => next()?.focus()))
  return true
}

function reach(event: KeyboardEvent, cell: HTMLElement | undefined): boolean {
  event.preventDefault()
  cell?.focus()
  cell?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
  return true
}
