import type { DesignWriter } from '../design'

/** What the office wants refused, or asked about, beyond what single fields ask. */
export function emberlyRules(design: DesignWriter): void {
  design.limit('Visit technician', 'Visit', 1, { field: 'Leads', is: '1' })

  design.rule('Certificate', '"Valid until" > "Issued on"', 'A certificate ends after the day it is issued.')
  design.rule('Certificate', '"Valid until" - "Issued on" <= 400', 'A certificate is good for thirteen months at most.')
  design.ruleThat('Certificate', 'A certificate stays as it was issued; make out a new one.', {
    kind: 'closed',
    once: '"Issued on" < CURRENT_DATE',
    except: [],
    rows: false,
  })
  design.rule(
    'Visit appliance',
    'Appliance.Premises."Premises number" = Visit.Premises."Premises number"',
    'That appliance stands in another premises.',
  )
  design.rule(
    'Visit',
    `NOT (State = 'done') OR COUNT("Work line") > 0`,
    'A visit that is done has at least one work line.',
  )
  design.rule('Visit', 'COALESCE(Paid, 0) <= "Bill total"', 'More would be paid than the bill comes to.')
  design.rule('Visit', `NOT (State = 'booked') OR Tidiness IS NULL`, 'Nobody can say how tidy we were before we came.')
  design.ruleThat('Visit', 'A visit can’t become that from what it is now.', {
    kind: 'follows',
    field: 'State',
    steps: {
      booked: ['under way', 'done', 'cancelled'],
      'under way': ['done', 'cancelled'],
      cancelled: ['booked'],
      done: [],
    },
  })
  design.ruleThat('Work line', 'That work is on the bill already; change its quantity.', {
    kind: 'together',
    fields: ['Visit', 'Service item'],
    blanks: 'differ',
  })
  design.ruleThat('Ticket', 'There is such a ticket already.', {
    kind: 'together',
    fields: ['Technician', 'Ticket name', 'Valid until'],
    blanks: 'alike',
  })
  design.rule('Payment', '"Paid on" >= CAST(Visit."Booked for" AS DATE)', 'It is paid before the visit.', {
    warns: true,
  })
  design.rule('Payment', '"Paid on" <= CURRENT_DATE', 'That day is still to come.', { onlyNew: true })
  design.rule('Technician', 'Supervisor."Technician number" <> "Technician number"', 'Nobody supervises themselves.')
  design.rule(
    'Contact',
    '"E-mail" IS NOT NULL OR COUNT("Contact phone") > 0',
    'There is no e-mail and no phone number to reach them by.',
    { warns: true },
  )
  design.ruleThat('Visit', 'There is a visit to these premises then already.', {
    kind: 'apart',
    same: ['Premises'],
    from: 'Booked for',
    to: 'Over by',
    unless: `State = 'cancelled'`,
  })
}
