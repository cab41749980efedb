import type { CodeKind } from '../../book'

/** A code for scanning in modules: dark boxes by their left, top, width and height. */
export interface CodeDrawing {
  readonly width: number
  readonly height: number
  readonly isSquare: boolean
  readonly boxes: readonly (readonly [number, number, number, number])[]
}

/** Draws codes; undefined where a value can't be said by one. */
export type DrawCode = (kind: CodeKind, value: string) => CodeDrawing | undefined
