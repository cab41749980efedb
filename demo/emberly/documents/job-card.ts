import { type Documents, field, one, text, words } from './drafting'

/** What a technician takes along to a visit. */
export function jobCard({ rowsOf, keep }: Documents): void {
  const premises = one('visit__premises')
  keep(
    'document-card',
    'visit',
    'Job card',
    { paper: { size: 'a4', margin: 15 }, letters: 9.5, bare: true },
    (draft) => [
      {
        kind: 'words',
        look: 'title',
        of: [draft.chip('visit__key'), text(' · '), draft.chip('premises__town', premises)],
      },
      {
        kind: 'fields',
        across: 3,
        blanks: true,
        columns: [
          draft.of('visit__booked-for'),
          draft.of('visit__over-by'),
          draft.of('visit__ladder-height'),
          draft.of('visit__premises'),
          draft.of('visit__call-first'),
          draft.column({
            kind: 'several',
            place: {
              way: [...one('visit__call-first'), ...rowsOf('contact-phone', 'contact')],
              field: 'contact-phone__number',
            },
            as: 'together',
          }),
        ],
      },
      words(text('To get in: ', true), draft.chip('premises__access-note', premises, { none: 'nothing is known.' })),
      words(text('Note: ', true), draft.chip('visit__note', [], { none: 'none.' })),
      {
        kind: 'rows',
        id: 'card-appliances',
        way: rowsOf('visit-appliance', 'visit'),
        columns: [
          field('visit-appliance__appliance'),
          field('appliance__serial-code', one('visit-appliance__appliance')),
          field('appliance__last-swept', one('visit-appliance__appliance')),
          field('visit-appliance__flue-reading'),
          field('visit-appliance__passed'),
        ],
        order: [],
        heading: 'Appliances',
      },
      {
        kind: 'rows',
        id: 'card-technicians',
        way: rowsOf('visit-technician', 'visit'),
        columns: [
          field('visit-technician__technician'),
          field('visit-technician__leads'),
          field('technician__phone', one('visit-technician__technician')),
        ],
        order: [],
        heading: 'Who goes',
      },
      { kind: 'words', look: 'heading', of: [text('What was done, and what was used')] },
      { kind: 'room', lines: 7 },
      { kind: 'code', as: 'code128', column: draft.of('visit__key'), align: 'end' },
      { kind: 'signatures', of: ['Technician', 'Customer'] },
    ],
  )
}
