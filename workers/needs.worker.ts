import { expose } from 'comlink'
import { proposalsFor } from '@/core/needs'

const reader = { proposalsFor }
export type NeedsReader = typeof reader

expose(reader)
