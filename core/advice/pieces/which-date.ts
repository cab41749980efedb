import { listed } from '../../words'
import type { TablePiece } from '../piece'

/** A plain “Date” beside other days: which moment is meant? */
export const whichDate: TablePiece = {
  scope: 'table',
  weight: 'worth-a-look',
  find: (table) => {
    const days = table.fields.filter((field) => field.kind === 'date' || field.kind === 'dateTime')
    const plain = days.find((field) => /^(date|day|when|time)$/i.test(field.name))
    if (!plain || days.length < 2) return []
    const others = days.filter((field) => field !== plain).map((field) => field.name)
    return [
      {
        about: plain.id,
        head: `Which day is ${table.name} → ${plain.name}?`,
        text: `There is also ${listed(others)}. Say the moment in the name: booked on, paid on, sent on.`,
      },
    ]
  },
}
