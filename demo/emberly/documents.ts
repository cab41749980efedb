import {
  type Block,
  type Column,
  type ColumnShows,
  type Edit,
  type Inline,
  type Mail,
  type Template,
  type Way,
} from '@/core/book'
import type { DesignWriter } from '../design'

const text = (words: string, bold?: true): Inline => ({ kind: 'text', words, ...(bold && { bold }) })
const words = (...of: Inline[]): Block => ({ kind: 'words', of })
const one = (...fields: string[]): Way => fields.map((field) => ({ to: 'one', field }))
const today: Inline = { kind: 'said', what: 'today' }

/** A document while it is put together: what its text takes is numbered as it comes. */
class Draft {
  readonly columns: Column[] = []
  column(shows: ColumnShows): string {
    const id = `c${this.columns.length + 1}`
    this.columns.push({ id, shows })
    return id
  }
  of = (field: string, way: Way = []): string => this.column({ kind: 'field', place: { way, field } })
  chip = (field: string, way: Way = [], more: Partial<Extract<Inline, { kind: 'field' }>> = {}): Inline => ({
    kind: 'field',
    column: this.of(field, way),
    ...more,
  })
  all = (field: string, way: Way, more: Partial<Extract<Inline, { kind: 'field' }>> = {}): Inline => ({
    kind: 'field',
    column: this.column({ kind: 'several', place: { way, field }, as: 'together' }),
    ...more,
  })
}

/** What the office hands to people. */
export function emberlyDocuments(design: DesignWriter): void {
  const rowsOf = (many: string, from: string): Way => {
    const link = design.result.links.find((each) => each.many === many && each.one === from)
    if (!link) throw new Error(`Expected ${many} to be linked to ${from}.`)
    return [{ to: 'rows', link: link.id }]
  }
  const keep = (
    id: string,
    table: string,
    name: string,
    more: Partial<Template>,
    write: (draft: Draft) => Block[],
    mail?: (draft: Draft) => Mail,
  ) => {
    const draft = new Draft()
    const blocks = write(draft)
    const letter = mail?.(draft)
    const edit: Edit = {
      kind: 'addTemplate',
      id,
      table,
      name,
      paper: { size: 'a4', margin: 20 },
      letters: 10.5,
      ...more,
      ...(letter && { mail: letter }),
      columns: draft.columns,
      blocks,
    }
    design.make(edit)
  }
  const field = (id: string, way: Way = []): Column => ({ id, shows: { kind: 'field', place: { way, field: id } } })
  design.make({
    kind: 'changeLetterhead',
    to: {
      name: 'Emberly Flue Care',
      lines: '4 Ferry Lane\nOtterby OT1 4EF\n01555 0142 · office@emberly.example',
      foot: 'Sweeping, servicing and certificates for stoves, fires and boilers',
    },
  })
  const premises = one('visit__premises')
  const address = (draft: Draft, way: Way): Inline[][] => [
    [draft.chip('premises__address', way)],
    [draft.chip('premises__town', way)],
    [draft.chip('premises__postcode', way)],
  ]
  const amounts: Column[] = ['quantity', 'price-each', 'amount'].map((name) => field(`work-line__${name}`))

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
        [{ kind: 'said', what: 'who' }, { kind: 'turn' }, { kind: 'said', what: 'book' }],
      ],
      attached: true,
    }),
  )

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
    words(text('Yours sincerely,')),
    words(),
    words(),
    words({ kind: 'said', what: 'who' }),
    words({ kind: 'said', what: 'book' }),
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
        [{ kind: 'said', what: 'who' }, { kind: 'turn' }, { kind: 'said', what: 'book' }],
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
