'use client'

import { flushSync } from 'react-dom'
import { createRoot } from 'react-dom/client'
import type { PaperPlan } from '@/core/map'
import { MapPicture, type Pictured } from '@/ui/drawing/map/picture'
import type { MapTheme } from '@/ui/drawing/map/theme'
import type { TitleWords } from '@/ui/drawing/map/title-block'
import { withDots } from './png-dots'
import { typefacesFor } from './typefaces'

interface FileWish {
  readonly pictured: Pictured
  readonly theme: MapTheme
  readonly words: TitleWords | undefined
}

/** The drawing as the text of an SVG file. */
function svgOf(picture: React.ReactElement): string {
  const place = document.createElement('div')
  const root = createRoot(place)
  flushSync(() => root.render(picture))
  const text = new XMLSerializer().serializeToString(place.querySelector('svg')!)
  root.unmount()
  return text
}

/** One file with its typefaces in it, so that it looks the same everywhere. */
export async function svgFile({ pictured, theme, words }: FileWish): Promise<string> {
  const drawn = (style?: string) =>
    svgOf(<MapPicture pictured={pictured} theme={theme} words={words} {...(style && { style })} />)
  return `<?xml version="1.0" encoding="UTF-8"?>\n${drawn(await typefacesFor(drawn()))}`
}

/** Each page of a plan as a drawing of its own, with marks where it meets its neighbours. */
export const svgPages = ({ pictured, theme, words }: FileWish, plan: PaperPlan): string[] =>
  plan.pages.map(({ view, column, row }) =>
    svgOf(
      <MapPicture pictured={pictured} theme={theme} words={words} view={view}>
        {plan.pages.length > 1 && (
          <g stroke={theme.soft} fill="none" strokeDasharray="6 6">
            {column > 0 && <path d={`M${view.x + plan.shared} ${view.y} v${view.height}`} />}
            {column < plan.columns - 1 && (
              <path d={`M${view.x + view.width - plan.shared} ${view.y} v${view.height}`} />
            )}
            {row > 0 && <path d={`M${view.x} ${view.y + plan.shared} h${view.width}`} />}
            {row < plan.rows - 1 && <path d={`M${view.x} ${view.y + view.height - plan.shared} h${view.width}`} />}
            <text x={view.x + 12} y={view.y + view.height - 12} fontSize={14} stroke="none" fill={theme.soft}>
              {`Page ${row * plan.columns + column + 1} of ${plan.pages.length}: row ${row + 1}, column ${column + 1}`}
            </text>
          </g>
        )}
      </MapPicture>,
    ),
  )

const mostPixels = 16_000
const mostArea = 200_000_000

/** A picture made of pixels; as many as the browser can draw where more are asked for. */
export async function pngFile(svg: string, width: number, height: number, wish: number) {
  const scale = Math.min(wish, mostPixels / width, mostPixels / height, Math.sqrt(mostArea / (width * height)))
  const image = new Image()
  const address = URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }))
  try {
    await new Promise((resolve, reject) => {
      image.onload = resolve
      image.onerror = () => reject(new Error('The drawing could not be read.'))
      image.src = address
    })
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(width * scale)
    canvas.height = Math.round(height * scale)
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'))
    if (!blob) throw new Error('The picture is too large for this browser.')
    const sized = withDots(new Uint8Array(await blob.arrayBuffer()), scale * 96)
    return { blob: new Blob([sized], { type: 'image/png' }), width: canvas.width, height: canvas.height, scale }
  } finally {
    URL.revokeObjectURL(address)
  }
}
