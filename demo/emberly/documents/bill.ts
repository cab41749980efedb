import { address, type Documents, field, one, signed, text, today, words } from './drafting'

/** The bill of a visit. */
export function bill({ rowsOf, keep }: Documents): void {
  const premises = one('visit__premises')
  const amounts = ['quantity', 'price-each', 'amount'].map((name) => field(`work-line__${name}`))
  keep(
    'document-bill',
    'visit',
    'Bill',
    { window: 'uk', handed: { numbered: { prefix: 'B-', width: 4, yearly: true } } },
    (draft) => [
      {
        kind: 'address',
        lines: [[draft.chip('contact__name', one('visit__call-first'))], ...address(draft, premises)],
      },
      { kind: 'words', look: 'title', of: [text('Bill '), { kind: 'said', what: 'number' }] },
      words(
        text('For our visit '),
        draft.chip('visit__key'),
        text(' on '),
        draft.chip('visit__booked-for', [], { as: 'weekday' }),
      ),
      words(text('Written on '), today),
      {
        kind: 'rows',
        id: 'bill-work',
        way: rowsOf('work-line', 'visit'),
        columns: [field('work-line__service-item'), ...amounts],
        order: [],
        figures: [{ column: 'work-line__amount', name: 'total' }],
        heading: 'Work',
      },
      {
        kind: 'rows',
        id: 'bill-parts',
        way: rowsOf('visit-part', 'visit'),
        columns: [
          field('visit-part__part'),
          field('visit-part__quantity'),
          field('visit-part__price-each'),
          field('visit-part__amount'),
        ],
        order: [],
        figures: [{ column: 'visit-part__amount', name: 'total' }],
        heading: 'Parts',
      },
      { kind: 'line' },
      {
        kind: 'fields',
        across: 1,
        columns: [draft.of('visit__bill-total'), draft.of('visit__paid'), draft.of('visit__still-owed')],
      },
      {
        kind: 'only',
        id: 'bill-owed',
        when: {
          kind: 'compare',
          place: { way: [], field: 'visit__still-owed' },
          how: 'more',
          with: [{ value: '0.00' }],
        },
        of: [
          words(
            text('Please pay '),
            draft.chip('visit__still-owed', [], { bold: true }),
            text(' within fourteen days, and say '),
            { kind: 'said', what: 'number', bold: true },
            text(' when you do.'),
          ),
        ],
      },
      {
        kind: 'only',
        id: 'bill-paid',
        when: {
          kind: 'compare',
          place: { way: [], field: 'visit__still-owed' },
          how: 'atMost',
          with: [{ value: '0.00' }],
        },
        of: [words(text('Paid, with thanks.', true))],
      },
    ],
    (draft) => ({
      to: draft.of('contact__e-mail', one('visit__call-first')),
      subject: [text('Bill '), { kind: 'said', what: 'number' }, text(' for visit '), draft.chip('visit__key')],
      message: [
        [text('Dear '), draft.chip('contact__name', one('visit__call-first')), text(',')],
        [
          text('With this e-mail you get our bill for the visit on '),
          draft.chip('visit__booked-for', [], { as: 'weekday' }),
          text('. It comes to '),
          draft.chip('visit__bill-total'),
          text('.'),
        ],
        signed,
      ],
      attached: true,
    }),
  )
}
