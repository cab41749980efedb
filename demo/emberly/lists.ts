import type { Column, Condition, Edit, List, Way } from '@/core/book'
import type { DesignWriter } from '../design'

/** The lists that the office keeps for everybody. */
export function emberlyLists(design: DesignWriter): void {
  const rowsOf = (many: string, one: string): Way => {
    const link = design.result.links.find((each) => each.many === many && each.one === one)
    if (!link) throw new Error(`Expected ${many} to be linked to ${one}.`)
    return [{ to: 'rows', link: link.id }]
  }
  const through = (joining: string, from: string, to: string): Way => [
    ...rowsOf(joining, from),
    { to: 'one', field: `${joining}__${to}` },
  ]
  const field = (id: string, way: Way = []): Column => ({
    id: id.replace('__', '-'),
    shows: { kind: 'field', place: { way, field: id } },
  })
  const several = (id: string, way: Way): Column => ({
    id: id.replace('__', '-'),
    shows: { kind: 'several', place: { way, field: id }, as: 'together' },
  })
  const count = (id: string, way: Way): Column => ({ id, shows: { kind: 'gathered', way, name: 'count' } })
  const one = (field: string): Way => [{ to: 'one', field }]
  const is = (id: string, value: string): Condition => ({
    kind: 'compare',
    place: { way: [], field: id },
    how: 'is',
    with: [{ value }],
  })
  const none = (way: Way): Condition => ({ kind: 'has', way, most: 0 })
  const keep = (
    id: string,
    name: string,
    list: Omit<List, 'id' | 'name' | 'asks'> & { readonly asks?: List['asks']; readonly of: readonly Condition[] },
  ) => {
    const { of, ...rest } = list
    const where = of.length > 0 ? { where: { kind: 'all' as const, of } } : {}
    const edit: Edit = { kind: 'addList', id, name, asks: [], ...rest, ...where }
    design.make(edit)
  }
  const technicians = through('visit-technician', 'visit', 'technician')

  keep('list-unpaid', 'Done and nothing paid yet', {
    folder: 'Money',
    pinned: true,
    ready: true,
    table: 'visit',
    columns: [
      field('visit__key'),
      field('visit__booked-for'),
      field('premises__address', one('visit__premises')),
      field('premises__town', one('visit__premises')),
      several('technician__name', technicians),
      field('visit__bill-total'),
    ],
    of: [is('visit__state', 'done'), none(rowsOf('payment', 'visit'))],
    order: [{ column: 'visit-booked-for', down: true }],
  })
  keep('list-no-contact', 'Premises without a contact', {
    table: 'premises',
    columns: [field('premises__address'), field('premises__town'), count('visits', rowsOf('visit', 'premises'))],
    of: [none(rowsOf('premises-contact', 'premises'))],
    order: [{ column: 'visits', down: true }],
  })
  keep('list-certificates', 'Certificates that run out in the next 30 days', {
    pinned: true,
    table: 'certificate',
    columns: [field('certificate__key'), field('certificate__issued-on'), field('certificate__valid-until')],
    of: [
      {
        kind: 'within',
        place: { way: [], field: 'certificate__valid-until' },
        span: { which: 'next', unit: 'day', count: 30 },
      },
    ],
    order: [{ column: 'certificate-valid-until' }],
  })

  const visits = through('visit-appliance', 'appliance', 'visit')
  const lastTwelveMonths = { which: 'last', unit: 'month', count: 12 } as const
  const bookedFor = { way: [], field: 'visit__booked-for' }
  const home = [
    field('premises__address', one('appliance__premises')),
    field('premises__town', one('appliance__premises')),
  ]
  keep('list-not-swept', 'Appliances not swept in twelve months', {
    pinned: true,
    answers: 'List every appliance that has not been swept in the last twelve months',
    table: 'appliance',
    columns: [...home, field('appliance__room'), field('appliance__last-swept')],
    of: [
      {
        kind: 'has',
        way: visits,
        most: 0,
        where: {
          kind: 'all',
          of: [is('visit__state', 'done'), { kind: 'within', place: bookedFor, span: lastTwelveMonths }],
        },
      },
    ],
    order: [{ column: 'appliance-last-swept' }],
  })
  keep('list-due-contacts', 'Contacts with an appliance to sweep', {
    table: 'contact',
    columns: [
      field('contact__name'),
      field('contact__e-mail'),
      several('premises__address', through('premises-contact', 'contact', 'premises')),
    ],
    of: [
      {
        kind: 'has',
        way: [...through('premises-contact', 'contact', 'premises'), ...rowsOf('appliance', 'premises')],
        least: 1,
        where: { kind: 'in', list: 'list-not-swept' },
      },
    ],
    order: [{ column: 'contact-name' }],
  })
  keep('list-last-visit', 'Last visit of each appliance', {
    table: 'appliance',
    columns: [
      ...home,
      field('appliance__room'),
      {
        id: 'last-visit',
        heading: 'Last visit',
        shows: { kind: 'gathered', way: visits, name: 'greatest', field: 'visit__booked-for' },
      },
    ],
    of: [],
    order: [{ column: 'last-visit', down: true }],
  })
  keep('list-owed', 'Still owed, by premises and age', {
    folder: 'Money',
    answers: 'what is still owed for each visit',
    table: 'visit',
    columns: [field('visit__key'), field('visit__booked-for'), field('visit__bill-total'), field('visit__still-owed')],
    of: [
      is('visit__state', 'done'),
      { kind: 'compare', place: { way: [], field: 'visit__still-owed' }, how: 'more', with: [{ value: '0.00' }] },
    ],
    order: [{ column: 'visit-booked-for' }],
    groups: [
      { place: { way: [], field: 'visit__premises' }, by: { column: 'visit-still-owed' }, down: true },
      { place: bookedFor, step: 'quarter' },
    ],
    figures: [{ column: 'visit-still-owed', name: 'total' }],
    shown: { as: 'crossed', of: { column: 'visit-still-owed' } },
  })
  keep('list-town-month', 'Visits by month and town', {
    pinned: true,
    table: 'visit',
    columns: [field('visit__key'), field('visit__booked-for'), field('visit__premises'), field('visit__state')],
    of: [{ kind: 'within', place: bookedFor, span: lastTwelveMonths }],
    order: [{ column: 'visit-booked-for' }],
    groups: [{ place: bookedFor, step: 'month' }, { place: { way: one('visit__premises'), field: 'premises__town' } }],
    shown: { as: 'chart', of: { size: true }, chart: 'stacked' },
  })
  keep('list-visits-town', 'Visits of this year, by town', {
    table: 'visit',
    columns: [
      field('visit__key'),
      field('visit__booked-for'),
      field('premises__address', one('visit__premises')),
      several('technician__name', technicians),
      field('visit__state'),
      field('visit__work'),
      field('visit__bill-total'),
    ],
    of: [{ kind: 'within', place: bookedFor, span: { which: 'this', unit: 'year' } }],
    order: [{ column: 'visit-booked-for' }],
    groups: [{ place: { way: one('visit__premises'), field: 'premises__town' } }],
    figures: [
      { column: 'visit-work', name: 'total' },
      { column: 'visit-bill-total', name: 'total' },
    ],
  })
  const ofVisit = one('visit-technician__visit')
  const technician = { way: [], field: 'visit-technician__technician' }
  const calls = [field('visit__key', ofVisit), field('visit__booked-for', ofVisit), field('visit__premises', ofVisit)]
  keep('list-led', 'Who led how many visits', {
    table: 'visit-technician',
    columns: calls,
    of: [is('visit-technician__leads', '1')],
    order: [{ column: 'visit-booked-for', down: true }],
    groups: [{ place: technician, by: { size: true }, down: true }],
  })
  keep('list-first-three', 'The three busiest technicians of each month', {
    table: 'visit-technician',
    columns: calls,
    of: [{ kind: 'within', place: { way: ofVisit, field: 'visit__booked-for' }, span: lastTwelveMonths }],
    order: [{ column: 'visit-booked-for' }],
    groups: [
      { place: { way: ofVisit, field: 'visit__booked-for' }, step: 'month', down: true },
      { place: technician, by: { size: true }, down: true, first: 3 },
    ],
  })
  keep('list-parts', 'Parts used against stock', {
    table: 'part',
    columns: [
      field('part__part-name'),
      field('part__in-stock'),
      field('part__used-so-far'),
      count('visits', through('visit-part', 'part', 'visit')),
    ],
    of: [],
    order: [{ column: 'part-used-so-far', down: true }],
  })
  keep('list-contacts-twice', 'Contacts that may be there twice', {
    table: 'contact',
    columns: [
      field('contact__name'),
      field('contact__e-mail'),
      several('contact-phone__number', rowsOf('contact-phone', 'contact')),
    ],
    of: [{ kind: 'repeats', places: [{ way: [], field: 'contact__name' }], nearly: true }],
    order: [{ column: 'contact-name' }],
  })
  keep('list-takings', 'Takings by week and way of paying', {
    folder: 'Money',
    table: 'payment',
    columns: [field('payment__key'), field('payment__paid-on'), field('payment__visit'), field('payment__amount')],
    of: [{ kind: 'within', place: { way: [], field: 'payment__paid-on' }, span: lastTwelveMonths }],
    order: [{ column: 'payment-paid-on' }],
    groups: [
      { place: { way: [], field: 'payment__paid-on' }, step: 'week', down: true },
      { place: { way: [], field: 'payment__way-of-paying' } },
    ],
    figures: [{ column: 'payment-amount', name: 'total' }],
    shown: { as: 'crossed', of: { column: 'payment-amount' } },
  })
  keep('list-of-premises', 'All visits of one premises', {
    table: 'visit',
    columns: [
      field('visit__key'),
      field('visit__booked-for'),
      field('visit__state'),
      several('technician__name', technicians),
      field('visit__bill-total'),
      field('visit__still-owed'),
    ],
    of: [{ kind: 'compare', place: { way: [], field: 'visit__premises' }, how: 'is', with: [{ ask: 'premises' }] }],
    asks: [{ id: 'premises', words: 'Premises', place: { way: [], field: 'visit__premises' } }],
    order: [{ column: 'visit-booked-for', down: true }],
    figures: [
      { column: 'visit-bill-total', name: 'total' },
      { column: 'visit-still-owed', name: 'total' },
    ],
  })
}
