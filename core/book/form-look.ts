import * as z from 'zod'
import { PaperColour } from './paper-colour'

/** How all forms of a book look. What isn't said is as the program has it. */
export const FormLook = z.strictObject({
  /** With the letterhead's logo above. */
  logo: z.literal(true).optional(),
  /** What headings are written in, and what groups stand on, as on white paper. */
  colours: z.strictObject({ words: PaperColour.optional(), ground: PaperColour.optional() }).optional(),
  letters: z.enum(['small', 'large']).optional(),
  room: z.enum(['tight', 'wide']).optional(),
})
export type FormLook = Readonly<z.infer<typeof FormLook>>
