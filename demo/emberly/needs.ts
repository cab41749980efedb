/** What the office wrote down, and the parts of the design that meet it. */
export const emberlyNeeds: readonly {
  readonly text: string
  readonly metBy: readonly string[]
  /** What it names and nothing in the design is called. */
  readonly noPlace?: readonly string[]
  /** What is proposed from its words and is in the design under another name. */
  readonly elsewhere?: readonly string[]
}[] = [
  {
    text: 'For each premises we keep the address, the town, the postcode and how to get in.',
    metBy: ['Premises', 'Premises → Access note'],
    elsewhere: ['field/premises/how to get in'],
  },
  {
    text: 'A contact may be owner, tenant or agent of several premises, and a premises may have several contacts.',
    metBy: ['Premises contact', 'Role'],
    // They are words of the list that staff extend.
    noPlace: ['owner', 'tenant', 'agent'],
  },
  {
    text: 'Contacts often have two or three phone numbers.',
    metBy: ['Contact phone'],
    elsewhere: ['field/contact phone/phone number'],
  },
  {
    text: 'We need to know which model of stove stands where, in which room, and when it was fitted.',
    metBy: ['Appliance', 'Appliance → Fitted on'],
  },
  {
    text: 'Each model has a make, a fuel and how often it should be swept.',
    metBy: ['Appliance model', 'Appliance model → Sweep every'],
    elsewhere: ['field/appliance model/how swept'],
  },
  { text: 'Serial codes start with zeros and no two are the same.', metBy: ['Appliance → Serial code'] },
  {
    text: 'A visit is booked for one premises, on a day and time, and we ring somebody first.',
    metBy: ['Visit', 'Visit → Booked for', 'Visit → Call first'],
    elsewhere: ['field/visit/date and time'],
  },
  { text: 'A visit is booked, under way, done or cancelled.', metBy: ['Visit → State'] },
  {
    text: 'Ladders go from 2 to 14 metres; anything higher needs the tower crew.',
    metBy: ['Visit → Ladder height'],
    noPlace: ['tower crew'],
  },
  {
    text: 'One or more technicians go on a visit; one of them leads.',
    metBy: ['Visit technician', 'Visit technician → Leads'],
  },
  {
    text: 'On a visit we deal with one or more appliances and note the flue reading of each.',
    metBy: ['Visit appliance', 'Visit appliance → Flue reading'],
  },
  {
    text: 'The bill lists the work done with the price on the day, even if the price list changes later.',
    metBy: ['Work line', 'Work line → Price each'],
  },
  {
    text: 'The bill is the work and the parts; once the visit is done it stays what it was.',
    metBy: ['Visit → Bill total'],
  },
  { text: 'We must see what is still owed for each visit.', metBy: ['Visit → Still owed'] },
  { text: 'Parts used come off the stock.', metBy: ['Visit part', 'Part → In stock'] },
  {
    text: 'Every swept appliance gets a certificate, numbered afresh each year, valid until a date.',
    metBy: ['Certificate', 'Certificate → Valid until'],
    elsewhere: ['field/appliance/certificate', 'field/appliance/numbered afresh', 'field/appliance/date'],
  },
  {
    text: 'A visit may be paid in parts, by card, transfer or cash.',
    metBy: ['Payment', 'Way of paying'],
    elsewhere: ['field/visit/way of paying'],
  },
  {
    text: 'Technicians hold tickets that run out; we must see whose are running out.',
    metBy: ['Ticket', 'Ticket → Valid until'],
  },
  {
    text: 'List every appliance that has not been swept in the last twelve months.',
    metBy: [],
  },
]

/** Words of the office for tables that have longer names. */
export const emberlySames: readonly (readonly [string, string])[] = [
  ['Model', 'Appliance model'],
  ['Contact phone number', 'Contact phone'],
]
