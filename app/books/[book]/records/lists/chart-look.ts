/** The colours and strokes of a chart, so that its parts are told apart with colours and without. */
export interface Look {
  readonly colours: readonly string[]
  readonly grey: string
  readonly line: string
  readonly paper: string
  readonly font: string
}

const tokens = ['--spruce', '--bright-brass', '--sky', '--plum', '--moss', '--ash-5', '--ash-4']

/** The colours as they are where an element stands: a canvas knows nothing of themes. */
export function lookOf(element: HTMLElement): Look {
  const probe = document.createElement('span')
  element.parentElement?.append(probe)
  const colour = (name: string) => {
    probe.style.color = `var(${name})`
    return getComputedStyle(probe).color
  }
  const look = {
    colours: tokens.map(colour),
    grey: colour('--ash-6'),
    line: colour('--ash-3'),
    paper: colour('--paper'),
    font: getComputedStyle(element).fontFamily,
  }
  probe.remove()
  return look
}

type Stroke = readonly [fromX: number, fromY: number, toX: number, toY: number]
const rising: Stroke = [0, 1, 1, 0]
const falling: Stroke = [0, 0, 1, 1]
/** How each series is hatched, in a tile one by one; the first is plain. */
const strokes: readonly (readonly Stroke[])[] = [
  [],
  [rising],
  [falling],
  [[0, 0.5, 1, 0.5]],
  [rising, falling],
  [[0.5, 0, 0.5, 1]],
  [],
]

/** A colour with strokes across it, each series its own way: they are told apart without the colour too. */
export function hatched(look: Look, at: number): CanvasPattern | string {
  const colour = colourAt(look, at)
  // In the next round of colours, strokes go another way.
  const wished = inTurn(strokes, at + Math.floor(at / look.colours.length))
  if (wished.length === 0) return colour
  const tile = document.createElement('canvas')
  const [size, pen] = [8, tile.getContext('2d')]
  tile.width = tile.height = size
  if (!pen) return colour
  pen.fillStyle = colour
  pen.fillRect(0, 0, size, size)
  pen.strokeStyle = look.paper
  pen.lineWidth = 1.1
  pen.beginPath()
  for (const [fromX, fromY, toX, toY] of wished) {
    pen.moveTo(fromX * size, fromY * size)
    pen.lineTo(toX * size, toY * size)
  }
  pen.stroke()
  return pen.createPattern(tile, 'repeat') ?? colour
}

/** One after the other, from the first again after the last. */
export function inTurn<One>(all: readonly One[], at: number): One {
  const one = all[at % all.length]
  if (one === undefined) throw new Error('There is nothing to take turns.')
  return one
}

export const colourAt = ({ colours }: Look, at: number) => inTurn(colours, at)
