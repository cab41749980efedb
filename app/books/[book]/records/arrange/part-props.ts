import type { FormPart } from '@/core/book'
import type { Arranging } from './arranging'

/** A part of a form that is chosen, and how it is changed. */
export interface PartProps<Part extends FormPart = FormPart> extends Pick<
  Arranging,
  'tableId' | 'lines' | 'starts' | 'change' | 'leaveOut'
> {
  readonly part: Part
  readonly put: (to: Partial<Part>) => void
}
