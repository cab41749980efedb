import type { Drawing } from '../../lists'
import { capital } from '../../words'
import { type Block, type Drawn, wordsBlock } from '../layout/blocks'
import { barBlocks } from './bars'
import { legendBlocks } from './legend'
import { plotBlock } from './plot'

/**
 * A chart as blocks of a report. Bars lie on their side, each beside its name and its number, so that none of those is
 * cut off, and many of them go on on the next page; lines and points are one block.
 * @param room how high a page is within what stands around it, in points
 */
export function chartBlocks(drawn: Drawn, drawing: Drawing, room: number): Block[] {
  const { size } = drawn.measures
  const { kind, of, along, series, across } = drawing
  const title = wordsBlock(drawn, `${capital(of)} ${across ? 'against' : 'by'} ${along}`, {
    size: size * 1.1,
    weight: 'bold',
    above: size * 1.2,
  })
  const legend = series.length > 1 ? legendBlocks(drawn, drawing) : []
  const isPlot = kind === 'lines' || kind === 'scatter'
  const plot = isPlot && plotBlock(drawn, drawing, room)
  const body = plot ? [plot] : isPlot ? [tooSmall(drawn)] : barBlocks(drawn, drawing)
  return [title, ...legend, ...body, ...notDrawn(drawn, drawing)].map((block) => ({ ...block, of: 'chart' as const }))
}

/** On paper so small nothing could be told from a chart. */
const tooSmall = (drawn: Drawn): Block =>
  wordsBlock(drawn, 'The chart needs larger paper, or smaller letters.', {
    size: drawn.measures.size,
    weight: 'regular',
    tone: 'grey',
    above: 0,
  })

/** That there is more than is drawn, where there is: a picture must not look whole when it isn't. */
function notDrawn(drawn: Drawn, { places, series, more }: Drawing): Block[] {
  const said = [
    ...(more && more.places > 0 ? [`The first ${places.length} are drawn, ${more.places} more are not.`] : []),
    ...(more && more.series > 0
      ? [`The first ${series.length} of ${series.length + more.series} have a shade each; the others are not drawn.`]
      : []),
  ]
  const { size } = drawn.measures
  const look = { size: Math.max(6, size * 0.92), weight: 'regular', tone: 'grey', above: size * 0.3 } as const
  return said.length > 0 ? [wordsBlock(drawn, said.join(' '), look)] : []
}
