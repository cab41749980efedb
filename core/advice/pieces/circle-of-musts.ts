import { fieldOf, mustHold, tableOf } from '../../book'
import { listed } from '../../words'
import type { BookPiece } from '../piece'

/** A circle of links that must all be filled can never be started: each record waits for the next. */
export const circleOfMusts: BookPiece = {
  scope: 'book',
  weight: 'must-settle',
  find(book) {
    const musts = book.links.filter((link) => {
      const table = tableOf(book, link.many)
      return mustHold(table, fieldOf(table, link.field))
    })
    const circles = new Map<string, string[]>()
    const walk = (id: string, path: readonly string[]) => {
      const at = path.indexOf(id)
      if (at >= 0) {
        const circle = path.slice(at)
        circles.set([...circle].sort().join(), circle)
        return
      }
      if (path.length > 20) return
      musts.filter((link) => link.many === id).forEach((link) => walk(link.one, [...path, id]))
    }
    book.tables.forEach((table) => walk(table.id, []))
    return [...circles.values()].map((circle) => ({
      about: circle[0]!,
      head: `${listed(circle.map((id) => tableOf(book, id).name))} can never be started`,
      text: 'Each must already have the next before it can be entered. Let one of these links be empty.',
    }))
  },
}
