import type { HistoryEntry } from '@/server/books'

/** A line of the history: what was done, or taken back. */
export const sayEntry = ({ kind, say }: Pick<HistoryEntry, 'kind' | 'say'>) => (kind === 'undo' ? `Undo: ${say}` : say)
