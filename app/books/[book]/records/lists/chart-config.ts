import type { ChartConfiguration } from 'chart.js'
import type { Drawing } from '@/core/lists'
import { nth } from '@/core/words'
import { colourAt, hatched, inTurn, type Look } from './chart-look'

const dashes = [[], [7, 4], [2, 3], [10, 3, 2, 3], [4, 2], [1, 4], [14, 3]]
const points = ['circle', 'rect', 'triangle', 'rectRot', 'star', 'crossRot', 'dash'] as const

/** How a drawing is drawn by the library, in the colours of the page. */
export function configOf(
  drawing: Drawing,
  look: Look,
  onOpen: (place: number, series: number) => void,
): ChartConfiguration {
  const { kind, places, series, of, along, write } = drawing
  const isShares = kind === 'shares'
  const text = { color: look.grey, font: { family: look.font, size: 13 } }
  const axis = { ticks: text, grid: { color: look.line }, border: { color: look.grey } }
  const titled = (words: string) => ({ display: true, text: words, ...text })
  if (kind === 'scatter') return scatterOf(drawing, look, onOpen)
  return {
    type: isShares ? 'pie' : kind === 'lines' ? 'line' : 'bar',
    data: {
      labels: [...places],
      datasets: series.map(({ name, values }, at) => ({
        label: name,
        data: [...values],
        ...(isShares
          ? {
              backgroundColor: places.map((_, place) => hatched(look, place)),
              borderColor: look.paper,
            }
          : { backgroundColor: hatched(look, at), borderColor: colourAt(look, at) }),
        ...(kind === 'lines' && {
          borderDash: inTurn(dashes, at),
          pointStyle: inTurn(points, at),
          backgroundColor: colourAt(look, at),
          borderWidth: 2,
        }),
      })),
    },
    options: {
      responsive: true,
      maintainAspectRatio: false,
      animation: false,
      onClick: (_event, [met]) => met && onOpen(met.index, met.datasetIndex),
      onHover: (event, met) => {
        const target = event.native?.target as HTMLElement | null
        if (target) target.style.cursor = met.length > 0 ? 'pointer' : ''
      },
      plugins: {
        legend: {
          display: isShares || series.length > 1,
          position: 'bottom',
          labels: { ...text, usePointStyle: kind === 'lines' },
        },
        tooltip: {
          callbacks: {
            label: ({ dataset, raw }) =>
              `${series.length > 1 ? `${dataset.label ?? ''}: ` : ''}${raw === null ? '' : write(Number(raw))}`,
          },
        },
      },
      scales: isShares
        ? {}
        : {
            x: { ...axis, grid: { display: false }, stacked: kind === 'stacked', title: titled(along) },
            y: {
              ...axis,
              beginAtZero: true,
              stacked: kind === 'stacked',
              title: titled(of),
              ticks: {
                ...text,
                ...wholeTicks(series.flatMap(({ values }) => values)),
                callback: (value) => write(Number(value)),
              },
            },
          },
    },
  }
}

/** Of whole things there are no tenths along an axis. */
const wholeTicks = (values: readonly (number | null)[]) =>
  values.every((value) => value === null || Number.isInteger(value)) ? { precision: 0 } : {}

/** Each place as a point, by two numbers of its own. */
function scatterOf(drawing: Drawing, look: Look, onOpen: (place: number, series: number) => void): ChartConfiguration {
  const { places, series, across = [], of, along, write, writeAcross = String } = drawing
  const text = { color: look.grey, font: { family: look.font, size: 13 } }
  const titled = (words: string) => ({ display: true, text: words, ...text })
  const axis = (words: string, say: (value: number) => string, values: readonly (number | null)[]) => ({
    beginAtZero: true,
    grace: '5%',
    grid: { color: look.line },
    border: { color: look.grey },
    title: titled(words),
    ticks: { ...text, ...wholeTicks(values), callback: (value: string | number) => say(Number(value)) },
  })
  const told = places.flatMap((name, at) => {
    const [x, y] = [across[at] ?? null, series[0]?.values[at] ?? null]
    return x === null || y === null ? [] : [{ name, at, x, y }]
  })
  return {
    type: 'scatter',
    data: {
      datasets: [
        {
          data: told.map(({ x, y }) => ({ x, y })),
          backgroundColor: colourAt(look, 0),
          borderColor: look.paper,
          pointRadius: 5,
          pointHoverRadius: 7,
        },
      ],
    },
    options: {
      responsive: true,
      maintainAspectRatio: false,
      animation: false,
      onClick: (_event, [met]) => met && told[met.index] && onOpen(nth(told, met.index).at, 0),
      plugins: {
        legend: { display: false },
        tooltip: {
          callbacks: {
            label({ dataIndex }) {
              const { name, x, y } = nth(told, dataIndex)
              return `${name}: ${write(y)}, ${writeAcross(x)}`
            },
          },
        },
      },
      scales: { x: axis(along, writeAcross, across), y: axis(of, write, series[0]?.values ?? []) },
    },
  }
}
