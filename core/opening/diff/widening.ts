import type { ColumnType } from '../../kinds'

/** Whether every value of one column type fits another unchanged. */
export function isWidening(from: ColumnType, to: ColumnType): boolean {
  switch (from.is) {
    case 'text':
      return to.is === 'longText' || (to.is === 'text' && to.most >= from.most)
    case 'whole':
      if (to.is === 'exact') return from.bytes === 4 && to.whole >= 10
      return (
        to.is === 'whole' &&
        to.unsigned === from.unsigned &&
        (to.bytes === from.bytes || (from.bytes === 4 && to.bytes === 8))
      )
    case 'exact':
      return to.is === 'exact' && to.whole >= from.whole && to.scale >= from.scale
    default:
      return from.is === to.is
  }
}

/** The new length in characters where only the length of a text shrinks. */
export const narrowedLength = (from: ColumnType, to: ColumnType): number | undefined =>
  from.is === 'text' && to.is === 'text' && to.most < from.most ? to.most : undefined
