import type { Way } from '@/core/book'
import { address, type Documents, field, one, signed, sincerely, text, today, words } from './drafting'

/** Letters and e-mails that ask people to have their appliances swept, and labels for the envelopes. */
export function reminders({ rowsOf, keep }: Documents): void {
  const home = one('appliance__premises')
  keep('document-reminder', 'appliance', 'Sweeping reminder', { window: 'uk' }, (draft) => [
    {
      kind: 'address',
      lines: [
        [
          draft.all(
            'contact__name',
            [...home, ...rowsOf('premises-contact', 'premises'), ...one('premises-contact__contact')],
            { none: 'The occupier' },
          ),
        ],
        ...address(draft, home),
      ],
    },
    { kind: 'words', align: 'end', of: [today] },
    words(text('Your ', true), draft.chip('appliance__model', [], { bold: true }), text(' is due to be swept', true)),
    words(text('Dear all,')),
    words(
      text('The '),
      draft.chip('appliance__model'),
      text(' in your '),
      draft.chip('appliance__room'),
      text(' was last swept '),
      draft.chip('appliance__last-swept', [], { as: 'long', none: 'before we kept records of it' }),
      text(', and its maker wants it swept every '),
      draft.chip('appliance__sweep-every', [], { as: 'counted', noun: 'month' }),
      text('. Please ring us, or write, to choose a day.'),
    ),
    {
      kind: 'only',
      id: 'reminder-never',
      when: { kind: 'compare', place: { way: [], field: 'appliance__last-swept' }, how: 'blank', with: [] },
      of: [words(text('As we have never looked at it, we shall bring somebody who knows this make.'))],
    },
    ...sincerely,
  ])

  const theirs: Way = [
    ...rowsOf('premises-contact', 'contact'),
    ...one('premises-contact__premises'),
    ...rowsOf('appliance', 'premises'),
  ]
  keep(
    'document-due',
    'contact',
    'Due to be swept',
    { window: 'uk' },
    (draft) => [
      { kind: 'address', lines: [[draft.chip('contact__name')]] },
      { kind: 'words', align: 'end', of: [today] },
      words(text('Due to be swept', true)),
      words(text('Dear '), draft.chip('contact__name'), text(',')),
      words(text('These appliances of yours were not swept in the last twelve months:')),
      {
        kind: 'rows',
        id: 'due-appliances',
        way: theirs,
        columns: [
          field('appliance__model'),
          field('appliance__room'),
          field('premises__address', home),
          field('appliance__last-swept'),
          field('appliance__sweep-every'),
        ],
        where: { kind: 'in', list: 'list-not-swept' },
        order: [{ column: 'appliance__last-swept' }],
        none: 'None: all were swept within the year.',
      },
      words(text('Please ring us, or write, to choose a day.')),
      words(text('Yours sincerely,')),
      words(),
      words({ kind: 'said', what: 'who' }),
      words({ kind: 'said', what: 'book' }),
    ],
    (draft) => ({
      to: draft.of('contact__e-mail'),
      subject: [text('Your appliances are due to be swept')],
      message: [
        [text('Dear '), draft.chip('contact__name'), text(',')],
        [text('Some of the appliances that we look after for you are due to be swept: they are in the letter.')],
        [text('Please ring us, or answer this e-mail, to choose a day.')],
        signed,
      ],
      attached: true,
    }),
  )

  keep(
    'document-labels',
    'premises',
    'Address label',
    {
      paper: { size: 'a4', margin: 5 },
      letters: 10,
      bare: true,
      labels: { across: 3, down: 8, width: 70, height: 37, left: 0, top: 0.5, stepAcross: 70, stepDown: 37 },
    },
    (draft) => [{ kind: 'address', lines: address(draft, []) }],
  )
}
