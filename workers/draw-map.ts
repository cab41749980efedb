import { type Remote, wrap } from 'comlink'
import type { DrawnMap, MapWish } from '@/core/map'
import type { MapDrawer } from './map.worker'

const begin = (): Remote<MapDrawer> => wrap<MapDrawer>(new Worker(new URL('./map.worker.ts', import.meta.url)))

// Begun as soon as the page has this: it takes a third of a second, which the page needs for itself meanwhile.
let drawer = typeof Worker === 'undefined' ? undefined : begin()

/** Draws a map in a web worker, so that the window stays free. */
export async function drawMapApart(wish: MapWish): Promise<DrawnMap> {
  drawer ??= begin()
  return drawer.drawMap(wish)
}
