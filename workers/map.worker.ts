import { expose } from 'comlink'
import { drawMap } from '@/core/map'

const drawer = { drawMap }
export type MapDrawer = typeof drawer

expose(drawer)
