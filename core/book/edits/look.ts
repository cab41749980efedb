import * as z from 'zod'
import { Look } from '../../kinds'
import { setKeys } from '../build-steps'
import { bookId } from '../steps'
import { type EditKind, orNothing, readName, typedName } from './edit-kind'

const ChangeLook = z.strictObject({
  kind: z.literal('changeLook'),
  name: typedName.optional(),
  look: Look.partial().optional(),
})

/** The name of the book, its currency, its date and number styles. */
export const changeLook: EditKind<z.infer<typeof ChangeLook>> = {
  schema: ChangeLook,
  steps(book, { name: typed, look }) {
    const name = readName(typed ?? book.name, 'book', [])
    return name.ok ? orNothing(setKeys(book, bookId, { name: name.value, look: { ...book.look, ...look } })) : name
  },
  say: (_book, { name }) =>
    name ? `Call the book ${name.trim()}` : 'Change how the book writes dates, numbers and money',
}
