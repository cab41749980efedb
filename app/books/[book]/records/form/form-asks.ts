import type { PartConditions } from '@/core/forms'
import type { Typed } from '@/core/records'

/** The conditions of a form, and what the boxes of a new record start with. */
export interface FormAsks {
  readonly conditions: PartConditions
  readonly begun: Typed
}

/** Of a form that is only arranged nothing is asked: all of it shows. */
export const asksNothing: FormAsks = { conditions: { told: [], faults: [] }, begun: {} }
