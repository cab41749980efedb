import type { Form, FormLines, FormPart } from '@/core/book'
import type { DesignWriter } from '../design'

const box = (id: string, span: number, more: Partial<Extract<FormPart, { kind: 'field' }>> = {}) =>
  ({ kind: 'field', id, span, ...more }) as const
const totals = ['visit__work', 'visit__parts', 'visit__bill-total', 'visit__paid', 'visit__still-owed']

/**
 * The firm's own job card: where and when side by side, who goes beside how it was found, then what was done. How tidy
 * it was is asked once the visit is done.
 */
const jobCard = (design: DesignWriter): FormLines => [
  [
    {
      ...{ kind: 'group', id: 'card-where', span: 7, heading: 'Where' },
      lines: [
        [box('visit__premises', 12)],
        [{ kind: 'linked', id: 'card-access', span: 12, link: 'visit__premises', field: 'premises__access-note' }],
        [box('visit__call-first', 12, { labelled: 'beside' })],
      ],
    },
    {
      ...{ kind: 'group', id: 'card-when', span: 5, heading: 'When' },
      lines: [
        [box('visit__booked-for', 12)],
        [box('visit__over-by', 12)],
        [box('visit__state', 12, { labelled: 'beside' })],
      ],
    },
  ],
  [
    { kind: 'rows', id: 'visit-technician__l1', span: 6, label: 'Who goes' },
    {
      ...{ kind: 'group', id: 'card-found', span: 6, heading: 'How it was' },
      lines: [
        [box('visit__ladder-height', 5), box('visit__tidiness', 7, { shows: design.kept('Visit', `State = 'done'`) })],
        [box('visit__note', 12, { tall: 2 })],
      ],
    },
  ],
  [{ kind: 'rows', id: 'visit-appliance__l1', span: 12, label: 'Appliances seen' }],
  [{ kind: 'rows', id: 'work-line__visit__l', span: 12, label: 'Work done' }],
  [{ kind: 'rows', id: 'visit-part__l1', span: 12, label: 'Parts used' }],
  [{ kind: 'totals', id: 'card-totals', span: 5, gap: 7, fields: totals }],
]

/** At the telephone only what is asked there; whoever calls a visit off says why. */
const telephone = (design: DesignWriter): FormLines => [
  [box('visit__premises', 6), box('visit__call-first', 6)],
  [box('visit__booked-for', 5), box('visit__state', 3)],
  [
    box('visit__note', 12, {
      help: 'What was said on the telephone.',
      must: design.kept('Visit', `State = 'cancelled'`),
    }),
  ],
]

export function emberlyForms(design: DesignWriter): void {
  const forms: readonly Form[] = [
    { id: 'form-job-card', table: 'visit', name: 'Job card', lines: jobCard(design), without: [] },
    {
      ...{ id: 'form-telephone', table: 'visit', name: 'At the telephone', lines: telephone(design) },
      without: [
        ...['visit__ladder-height', 'visit__tidiness', 'visit__over-by', ...totals],
        ...['visit-technician__l1', 'visit-appliance__l1', 'work-line__visit__l', 'visit-part__l1'],
      ],
      for: ['administrator', 'staff'],
    },
  ]
  for (const form of forms) design.make({ kind: 'addForm', ...form })
}
