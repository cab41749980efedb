import ELK from 'elkjs/lib/elk-api'
import type { MapCard, MapLine } from '@/core/map'

type Spots = Readonly<Record<string, { readonly x: number; readonly y: number }>>

let elk: InstanceType<typeof ELK> | undefined

/** Lays cards out in a web worker, so that the window stays free; where each card should be. */
export async function layOut(cards: readonly MapCard[], lines: readonly MapLine[]): Promise<Spots> {
  elk ??= new ELK({ workerFactory: () => new Worker(new URL('./elk.worker.ts', import.meta.url)) })
  const graph = await elk.layout({
    id: 'map',
    layoutOptions: {
      'elk.algorithm': 'layered',
      'elk.direction': 'RIGHT',
      'elk.edgeRouting': 'ORTHOGONAL',
      'elk.aspectRatio': '1.6',
      'elk.layered.spacing.nodeNodeBetweenLayers': '110',
      'elk.spacing.nodeNode': '48',
      'elk.separateConnectedComponents': 'true',
      'elk.layered.nodePlacement.strategy': 'NETWORK_SIMPLEX',
      'elk.layered.wrapping.strategy': 'MULTI_EDGE',
    },
    children: cards.map(({ table, width, height }) => ({ id: table.id, width, height })),
    edges: lines
      .filter((line) => line.one !== line.many)
      .map((line) => ({ id: line.id, sources: [line.one], targets: [line.many] })),
  })
  return Object.fromEntries((graph.children ?? []).map((child) => [child.id, { x: child.x ?? 0, y: child.y ?? 0 }]))
}
