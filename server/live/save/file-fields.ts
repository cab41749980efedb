import { tableOf } from '@/core/book'
import { kindOf } from '@/core/kinds'
import { fileProblem } from '../files'
import type { Unit } from '../unit'
import type { Guard } from './guard'
import { RowRefused } from './row-refused'

/** Files are kept once for each content, whatever field they were uploaded for: each is asked by the field it comes to. */
export const filesFit = (unit: Unit): Guard => ({
  concerns: (table) => tableOf(unit.live.book, table).fields.some(({ kind }) => kindOf(kind).control === 'file'),
  async before({ table, values }) {
    for (const field of tableOf(unit.live.book, table).fields) {
      const hash = kindOf(field.kind).control === 'file' ? values?.[field.id] : undefined
      const problem = hash && (await fileProblem(unit, field, hash))
      if (problem) throw new RowRefused(field.id, problem)
    }
  },
})
