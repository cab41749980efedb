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
    list: Pick<List, 'table' | 'columns' | 'order'> & { readonly of: readonly Condition[] },
  ) => {
    const { of, ...rest } = list
    const edit: Edit = { kind: 'addList', id, name, asks: [], ...rest, where: { kind: 'all', of } }
    design.make(edit)
  }
  const technicians = through('visit-technician', 'visit', 'technician')

  keep('list-unpaid', 'Done and nothing paid yet', {
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
}
