import { type Documents, one, text, words } from './drafting'

/** What is handed over when an appliance was swept. */
export function certificate({ keep }: Documents): void {
  const done = one('certificate__for')
  keep('document-certificate', 'certificate', 'Certificate', {}, (draft) => [
    words(),
    { kind: 'words', look: 'title', align: 'middle', of: [text('Certificate of sweeping')] },
    { kind: 'words', look: 'heading', align: 'middle', of: [draft.chip('certificate__key')] },
    { kind: 'line' },
    words(
      text('The appliance '),
      draft.chip('visit-appliance__appliance', done, { bold: true }),
      text(' at '),
      draft.chip('certificate__address', [], { bold: true }),
      text(' was swept and looked at on our visit of '),
      draft.chip('visit__booked-for', [...done, ...one('visit-appliance__visit')], { as: 'weekday' }),
      text('.'),
    ),
    words(text('We found it: '), draft.chip('certificate__finding', [], { as: 'capitals', bold: true })),
    {
      kind: 'fields',
      across: 2,
      columns: [
        draft.of('certificate__issued-on'),
        draft.of('certificate__valid-until'),
        draft.of('visit-appliance__flue-reading', done),
        draft.of('appliance__serial-code', [...done, ...one('visit-appliance__appliance')]),
      ],
    },
    {
      kind: 'only',
      id: 'certificate-unsafe',
      when: {
        kind: 'compare',
        place: { way: [], field: 'certificate__finding' },
        how: 'is',
        with: [{ value: 'not safe' }],
      },
      of: [words(text('Do not light it before it was put right and looked at again.', true))],
    },
    { kind: 'signatures', of: ['Day', 'Signed for Emberly Flue Care'] },
    {
      kind: 'words',
      look: 'small',
      of: [text('Keep this certificate: your insurer may ask for it. It says what we found on that day.')],
    },
  ])
}
