import * as z from 'zod'
import { fail } from '../../words'
import { setKeys } from '../build-steps'
import { lookFaults } from '../form-colours'
import { FormLook } from '../form-look'
import { bookId } from '../steps'
import { type EditKind, orNothing } from './edit-kind'

const ChangeFormLook = z.strictObject({
  kind: z.literal('changeFormLook'),
  /** As it is to be; what isn't in it is as the program has it. */
  to: FormLook,
})

/** How all forms of the book look. */
export const changeFormLook: EditKind<z.infer<typeof ChangeFormLook>> = {
  schema: ChangeFormLook,
  steps(book, { to: { colours = {}, ...rest } }) {
    const [fault] = lookFaults({ colours })
    if (fault) return fail(fault === 'ground' ? { kind: 'ground-dark' } : { kind: 'colour-pale', what: 'words' })
    const look = { ...rest, ...(Object.keys(colours).length > 0 && { colours }) }
    return orNothing(setKeys(book, bookId, { formLook: Object.keys(look).length > 0 ? look : undefined }))
  },
  say: () => 'Change how forms look',
}
