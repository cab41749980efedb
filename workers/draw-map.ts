import { type Remote, wrap } from 'comlink'
import type { DrawnMap, MapWish } from '@/core/map'
import type { MapDrawer } from './map.worker'

let drawer: Remote<MapDrawer> | undefined

/** Draws a map in a web worker, so that the window stays free. */
export async function drawMapApart(wish: MapWish): Promise<DrawnMap> {
  drawer ??= wrap<MapDrawer>(new Worker(new URL('./map.worker.ts', import.meta.url)))
  return drawer.drawMap(wish)
}
