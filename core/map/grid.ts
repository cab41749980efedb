import { type Box, type Side, step } from './geometry'

/** The four ways along the grid, in turning order. */
const right = 0
const down = 1
const left = 2
const up = 3

export const outward: Record<Side, number> = { right, bottom: down, left, top: up }

/**
 * The ground that lines are laid on: which cells belong to cards, which to the ends of lines, and which lines run
 * through them already. Cells stand on the grid's crossings.
 */
export class Ground {
  readonly columns: number
  readonly rows: number
  /** The card that keeps a cell free, counted from one; -1 where several do. */
  readonly owner: Int16Array
  /** How many ends of lines keep a cell to themselves. */
  readonly kept: Uint8Array
  /** How many lines run through a cell sideways, and up or down. */
  readonly level: Uint8Array
  readonly upright: Uint8Array

  constructor(
    readonly x: number,
    readonly y: number,
    width: number,
    height: number,
  ) {
    this.columns = Math.round(width / step) + 1
    this.rows = Math.round(height / step) + 1
    const cells = this.columns * this.rows
    this.owner = new Int16Array(cells)
    this.kept = new Uint8Array(cells)
    this.level = new Uint8Array(cells)
    this.upright = new Uint8Array(cells)
  }

  column = (x: number) => Math.round((x - this.x) / step)
  row = (y: number) => Math.round((y - this.y) / step)
  cell = (x: number, y: number) => this.row(y) * this.columns + this.column(x)
  point = (cell: number) => ({
    x: this.x + (cell % this.columns) * step,
    y: this.y + Math.floor(cell / this.columns) * step,
  })
  isInside = (x: number, y: number) => {
    const [column, row] = [this.column(x), this.row(y)]
    return column >= 0 && row >= 0 && column < this.columns && row < this.rows
  }

  /** One step on; steps never leave the ground where the cells at its rim aren't entered. */
  along = (cell: number, way: number, steps = 1) => cell + steps * [1, this.columns, -1, -this.columns][way]!

  /** A card with the cells around it. */
  setCard(box: Box, card: number): void {
    const [from, to] = [this.column(box.x) - 1, this.column(box.x + box.width) + 1]
    for (let row = this.row(box.y) - 1; row <= this.row(box.y + box.height) + 1; row++)
      for (let column = from; column <= to; column++) {
        const cell = row * this.columns + column
        this.owner[cell] = this.owner[cell] === 0 || this.owner[cell] === card ? card : -1
      }
  }

  /** Marks the cells that a line runs through, corners both ways; with -1 it is taken up again. */
  lay(points: readonly { readonly x: number; readonly y: number }[], by: 1 | -1): void {
    for (const [at, point] of points.entries()) {
      const next = points[at + 1]
      if (!next) break
      const sideways = point.y === next.y
      const through = sideways ? this.level : this.upright
      const way = sideways ? (next.x > point.x ? right : left) : next.y > point.y ? down : up
      const last = this.cell(next.x, next.y)
      for (let cell = this.cell(point.x, point.y); ; cell = this.along(cell, way)) {
        through[cell]! += by
        if (cell === last) break
      }
    }
  }
}
