import type { KindName } from '../kinds'
import type { ReadField, Reading } from './reading'

/** A fact of a starter table; `usual` ones are ticked to begin with. */
export interface StarterField {
  readonly name: string
  readonly kind: KindName
  readonly usual: boolean
  readonly choices?: readonly string[]
}

export interface Starter {
  readonly name: string
  readonly say: string
  readonly fields: readonly StarterField[]
}

const usual = (name: string, kind: KindName = 'line', choices?: readonly string[]): StarterField => ({
  name,
  kind,
  usual: true,
  ...(choices && { choices }),
})
const also = (name: string, kind: KindName = 'line', choices?: readonly string[]): StarterField => ({
  ...usual(name, kind, choices),
  usual: false,
})

/** Everyday tables to begin from; fields are chosen, named and put in order before anything is made. */
export const starters: readonly Starter[] = [
  {
    name: 'Person',
    say: 'Customers, members, patients: anybody the office knows by name.',
    fields: [
      usual('First name'),
      usual('Last name'),
      usual('Phone', 'phone'),
      usual('E-mail', 'email'),
      also('Title'),
      also('Date of birth', 'date'),
      also('Language'),
      also('Note', 'passage'),
      also('Photo', 'file'),
    ],
  },
  {
    name: 'Organisation',
    say: 'Firms, clubs, schools, authorities.',
    fields: [
      usual('Name'),
      usual('Phone', 'phone'),
      usual('E-mail', 'email'),
      also('Web site', 'web'),
      also('Registration number', 'code'),
      also('Note', 'passage'),
    ],
  },
  {
    name: 'Address',
    say: 'Where somebody lives or something stands.',
    fields: [
      usual('Street'),
      usual('Town'),
      usual('Postcode', 'code'),
      also('Country'),
      also('How to get in', 'passage'),
    ],
  },
  {
    name: 'Phone',
    say: 'Where one person has several numbers.',
    fields: [usual('Number', 'phone'), usual('Used for', 'choice', ['home', 'work', 'mobile']), also('Note')],
  },
  {
    name: 'Employee',
    say: 'Who works here.',
    fields: [
      usual('First name'),
      usual('Last name'),
      usual('Mobile', 'phone'),
      also('E-mail', 'email'),
      also('Started on', 'date'),
      also('Left on', 'date'),
      also('Hourly wage', 'money'),
    ],
  },
  {
    name: 'Item',
    say: 'What is sold, lent or kept in stock.',
    fields: [
      usual('Item code', 'code'),
      usual('Name'),
      usual('Price', 'money'),
      also('Description', 'passage'),
      also('Unit'),
      also('In stock', 'whole'),
      also('Picture', 'file'),
    ],
  },
  {
    name: 'Job',
    say: 'A piece of work from its order to its end.',
    fields: [
      usual('Subject'),
      usual('Taken in on', 'date'),
      usual('Due on', 'date'),
      usual('State', 'choice', ['open', 'in progress', 'done', 'cancelled']),
      also('Description', 'passage'),
      also('Agreed price', 'money'),
    ],
  },
  {
    name: 'Appointment',
    say: 'Somebody at a place at a time.',
    fields: [
      usual('Starts', 'dateTime'),
      usual('Minutes', 'whole'),
      usual('State', 'choice', ['booked', 'held', 'cancelled']),
      also('Reason'),
      also('Note', 'passage'),
    ],
  },
  {
    name: 'Order',
    say: 'What a customer asked for; its lines are a table of their own.',
    fields: [
      usual('Ordered on', 'date'),
      usual('State', 'choice', ['open', 'sent', 'cancelled']),
      also('Deliver by', 'date'),
      also('Note', 'passage'),
    ],
  },
  {
    name: 'Payment',
    say: 'Money that came or went.',
    fields: [
      usual('Paid on', 'date'),
      usual('Amount', 'money'),
      usual('Way of paying', 'choice', ['cash', 'card', 'transfer']),
      also('Reference', 'code'),
      also('Note'),
    ],
  },
  {
    name: 'Loan',
    say: 'Something out of the house and due back.',
    fields: [
      usual('Lent on', 'date'),
      usual('Due back on', 'date'),
      usual('Returned on', 'date'),
      also('Condition'),
      also('Note', 'passage'),
    ],
  },
  {
    name: 'Document',
    say: 'A file with what it is and until when it holds.',
    fields: [
      usual('Title'),
      usual('File', 'file'),
      also('Dated', 'date'),
      also('Valid until', 'date'),
      also('Note', 'passage'),
    ],
  },
  {
    name: 'Vehicle',
    say: 'Cars, vans, boats.',
    fields: [
      usual('Registration', 'code'),
      usual('Make'),
      usual('Model'),
      also('Year', 'whole'),
      also('Mileage', 'whole'),
      also('Next service', 'date'),
    ],
  },
]

/** A starter with the chosen fields, as what is read from words. */
export const readStarter = (name: string, fields: readonly StarterField[]): Reading => ({
  tables: [
    {
      name,
      fields: fields.map(({ usual: _usual, ...field }): ReadField => ({ ...field, evidence: [] })),
      evidence: [],
    },
  ],
  ties: [],
  questions: [],
  open: [],
  phrases: [],
})
