import { expose } from 'comlink'
import { readNeeds } from '@/core/reading'

const reader = { readNeeds }
export type NeedsReader = typeof reader

expose(reader)
