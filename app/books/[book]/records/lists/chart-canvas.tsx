'use client'

import {
  ArcElement,
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PieController,
  PointElement,
  ScatterController,
  Tooltip,
} from 'chart.js'
import { useEffect, useImperativeHandle, useRef, type Ref } from 'react'
import type { Drawing } from '@/core/lists'
import { configOf } from './chart-config'
import { lookOf } from './chart-look'

Chart.register(
  ArcElement,
  BarController,
  BarElement,
  CategoryScale,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PieController,
  PointElement,
  ScatterController,
  Tooltip,
)

/** A chart as a picture for paper. */
export interface ChartPicture {
  readonly png: () => Promise<Blob | null>
}

interface Props {
  readonly drawing: Drawing
  readonly words: string
  readonly onOpen: (place: number, series: number) => void
  readonly ref?: Ref<ChartPicture>
}

/** A chart; what it says stands beside it as a table for those who can't see it. */
export function ChartCanvas({ drawing, words, onOpen, ref }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const chart = useRef<Chart>(undefined)
  const open = useRef(onOpen)
  useEffect(() => {
    open.current = onOpen
  }, [onOpen])
  useEffect(() => {
    const here = canvas.current
    if (!here) return
    let isGone = false
    const draw = () => {
      if (isGone) return
      chart.current?.destroy()
      chart.current = new Chart(
        here,
        configOf(drawing, lookOf(here), (a, b) => open.current(a, b)),
      )
    }
    void document.fonts.load(`13px ${getComputedStyle(here).fontFamily}`).then(draw, draw)
    draw()
    // In the other theme, colours are others.
    const theme = new MutationObserver(draw)
    theme.observe(document.documentElement, { attributes: true, attributeFilter: ['class', 'data-theme'] })
    return () => {
      isGone = true
      theme.disconnect()
      chart.current?.destroy()
    }
  }, [drawing])
  useImperativeHandle(ref, () => ({ png: () => pictureOf(drawing) }), [drawing])
  return <canvas ref={canvas} role="img" aria-label={words} tabIndex={-1} />
}

/** Reads something of the look as it is in the light theme; nothing is drawn meanwhile. */
function inLightTheme<Read>(read: () => Read): Read {
  const { dataset } = document.documentElement
  const { theme } = dataset
  dataset.theme = 'light'
  const found = read()
  if (theme === undefined) delete dataset.theme
  else dataset.theme = theme
  return found
}

/** Drawn once more, large enough for paper: 2 400 by 1 350 points, on white. */
async function pictureOf(drawing: Drawing): Promise<Blob | null> {
  const frame = document.createElement('div')
  frame.style.cssText = 'position:fixed;left:-10000px;top:0;width:960px;height:540px'
  const canvas = frame.appendChild(document.createElement('canvas'))
  document.body.append(frame)
  const look = inLightTheme(() => lookOf(canvas))
  const config = configOf(drawing, look, () => undefined)
  const white = { id: 'paper', beforeDraw: ({ ctx, width, height }: Chart) => fill(ctx, look.paper, width, height) }
  const chart = new Chart(canvas, {
    ...config,
    plugins: [white],
    options: { ...config.options, devicePixelRatio: 2.5 },
  })
  const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/png'))
  chart.destroy()
  frame.remove()
  return blob
}

function fill(pen: CanvasRenderingContext2D, colour: string, width: number, height: number): void {
  pen.save()
  pen.fillStyle = colour
  pen.fillRect(0, 0, width, height)
  pen.restore()
}
