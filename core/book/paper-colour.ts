import * as z from 'zod'

/** A colour of the office's own, as CSS writes it: "#14625c". */
export const PaperColour = z.string().regex(/^#[0-9a-f]{6}$/)
