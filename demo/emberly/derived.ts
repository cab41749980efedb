import type { DesignWriter } from '../design'

/** What the office wants to see without typing it: borrowed, copied, gathered and worked out. */
export function emberlyDerived(design: DesignWriter): void {
  design.derive('Appliance', 'Sweep every', 'borrowed', 'Model."Sweep every"')
  design.derive('Visit appliance', 'Seen on', 'workedOut', 'CAST(Visit."Booked for" AS DATE)')
  design.derive(
    'Appliance',
    'Last swept',
    'gathered',
    'MAX("Visit appliance"."Seen on") FILTER (WHERE "Visit appliance".Passed)',
    { note: 'The last visit on which it passed' },
  )
  design.derive('Appliance model', 'Standing', 'gathered', 'COUNT(Appliance)', {
    note: 'How many of them stand somewhere',
  })
  design.derive('Premises', 'Appliances', 'gathered', 'COUNT(Appliance)')
  design.derive('Premises', 'Next visit', 'gathered', `MIN(Visit."Booked for") FILTER (WHERE Visit.State = 'booked')`)
  design.derive(
    'Technician',
    'Visits led',
    'gathered',
    'COUNT("Visit technician") FILTER (WHERE "Visit technician".Leads)',
  )
  design.derive('Technician', 'Tickets', 'gathered', 'COUNT(Ticket)')

  const onTheDay = { note: 'The price on the day' }
  design.derive('Work line', 'Price each', 'copied', '"Service item"."List price"', onTheDay)
  design.derive('Work line', 'Amount', 'workedOut', 'Quantity * "Price each"')
  design.derive('Visit part', 'Price each', 'copied', 'Part."List price"', onTheDay)
  design.derive('Visit part', 'Amount', 'workedOut', 'Quantity * "Price each"')
  design.derive('Part', 'Used so far', 'gathered', 'SUM("Visit part".Quantity)')

  design.derive('Visit', 'Over by', 'workedOut', `"Booked for" + INTERVAL '90' MINUTE`)
  design.derive('Visit', 'Work', 'gathered', 'SUM("Work line".Amount)')
  design.derive('Visit', 'Parts', 'gathered', 'SUM("Visit part".Amount)')
  design.derive('Visit', 'Bill total', 'workedOut', 'COALESCE(Work, 0) + COALESCE(Parts, 0)', {}, `State = 'done'`)
  design.derive('Visit', 'Paid', 'gathered', 'SUM(Payment.Amount)')
  design.derive('Visit', 'Still owed', 'workedOut', '"Bill total" - COALESCE(Paid, 0)')
  design.derive('Certificate', 'Address', 'borrowed', '"For".Visit.Premises.Address')
}
