import { emptyBook, type Book, type Edit } from '@/core/book'
import { plainLook } from '@/core/kinds'
import { openPairs } from '@/core/pairings'
import { DesignWriter } from '../design'
import { emberlyDerived } from './derived'
import { emberlyLists } from './lists'
import { emberlyDocuments } from './documents'
import { emberlyForms } from './forms'
import { emberlyReports } from './reports'
import { emberlyRules } from './rules'
import { emberlyNeeds, emberlySames } from './needs'

export const emberlyName = 'Emberly Flue Care'

/** The design of the demo book, as edits. */
export function emberlyDesign(): { readonly edits: readonly Edit[]; readonly book: Book } {
  const design = new DesignWriter(emptyBook(emberlyName, plainLook))
  things(design)
  ties(design)
  emberlyDerived(design)
  emberlyRules(design)
  emberlyLists(design)
  emberlyReports(design)
  emberlyDocuments(design)
  emberlyForms(design)
  design.needs(emberlyNeeds)
  for (const [word, table] of emberlySames) design.same(word, table)
  // Whatever pairs are left have no direct link: the office went through them all.
  for (const { a, b } of openPairs(design.result)) design.noTie(a.name, b.name)
  return { edits: design.edits, book: design.result }
}

function things(design: DesignWriter): void {
  for (const list of ['Fuel', 'Role', 'Way of paying']) design.wordList(list)

  design.table('Premises', 'A house, shop or hall whose flues we look after.', { prefix: 'P-', width: 4 })
  design.field('Premises', 'Address', 'line', { length: 80, must: true, example: '14 Quay Lane' })
  design.field('Premises', 'Town', 'line', { length: 40, must: true, startsAs: 'Otterby' })
  design.field('Premises', 'Postcode', 'code', { length: 8, note: 'As on the post, with the space' })
  design.field('Premises', 'Access note', 'passage', { note: 'Keys, dogs, parking' })
  design.knownBy('Premises', 'Address', 'Town')

  design.table('Contact', 'A person we deal with: an owner, a tenant, an agent.')
  design.field('Contact', 'Name', 'line', { must: true })
  design.field('Contact', 'E-mail', 'email')
  design.table('Contact phone', 'One row for each number a contact can be rung on.')
  design.field('Contact phone', 'Number', 'phone', { must: true })
  design.field('Contact phone', 'Where', 'choice', { ...design.choices('mobile', 'home', 'work'), startsAs: 'mobile' })

  design.table('Appliance model', 'A make and model of stove, fire or boiler.')
  design.field('Appliance model', 'Make', 'line', { length: 40, must: true })
  design.field('Appliance model', 'Model', 'line', { length: 40, must: true })
  design.field('Appliance model', 'Sweep every', 'whole', {
    unit: 'months',
    least: '1',
    most: '60',
    must: true,
    startsAs: '12',
  })
  design.knownBy('Appliance model', 'Make', 'Model')

  design.table('Appliance', 'One stove, fire or boiler standing in one premises.', { prefix: 'A-', width: 5 })
  design.field('Appliance', 'Room', 'line', { length: 40, must: true })
  design.field('Appliance', 'Serial code', 'code', {
    length: 20,
    unique: true,
    note: 'On the plate at the back; keep leading zeros',
  })
  design.field('Appliance', 'Fitted on', 'date', { most: '2099-12-31' })

  design.table('Technician', 'One of us who goes out.')
  design.field('Technician', 'Name', 'line', { must: true })
  design.field('Technician', 'Phone', 'phone')
  design.field('Technician', 'Started on', 'date')
  design.field('Technician', 'Photo', 'file', { picturesOnly: true, megabytes: 5 })
  design.table('Ticket', 'A qualification that a technician holds.')
  design.field('Ticket', 'Ticket name', 'line', { length: 60, must: true })
  design.field('Ticket', 'Valid until', 'date', { must: true })

  design.table('Visit', 'One row for each booked call-out.', { name: 'Visit code', prefix: 'V-', width: 5 })
  design.field('Visit', 'Booked for', 'dateTime', { must: true })
  design.field('Visit', 'State', 'choice', {
    ...design.choices('booked', 'under way', 'done', 'cancelled'),
    must: true,
    startsAs: 'booked',
  })
  design.field('Visit', 'Ladder height', 'exact', {
    digits: 2,
    decimals: 1,
    unit: 'm',
    least: '2.0',
    most: '14.0',
    refusal: 'Over 14 m needs the tower crew; under 2 m needs no ladder.',
  })
  design.field('Visit', 'Tidiness', 'mark', { note: 'How the customer found us, 5 is best' })
  design.field('Visit', 'Note', 'passage')
  design.knownBy('Visit', 'key', 'Booked for')

  design.table('Service item', 'Work we do at a list price.', { name: 'Item code', code: true, length: 8 })
  design.field('Service item', 'What it is', 'line', { must: true, unique: true })
  design.field('Service item', 'List price', 'money', { must: true })
  design.knownBy('Service item', 'What it is')
  design.table('Work line', 'One line of work done on a visit.', { name: 'Line number' })
  design.field('Work line', 'Quantity', 'whole', { least: '1', most: '99', must: true, startsAs: '1' })

  design.table('Part', 'Something we keep in the van or the store.', { name: 'Part code', code: true, length: 10 })
  design.field('Part', 'Part name', 'line', { must: true })
  design.knownBy('Part', 'Part name')
  design.field('Part', 'In stock', 'whole', { least: '0', must: true, startsAs: '0' })
  design.field('Part', 'List price', 'money', { must: true })

  design.table('Certificate', 'What we leave behind: this flue was swept and is safe.', {
    prefix: 'C-',
    width: 4,
    yearly: true,
  })
  design.field('Certificate', 'Issued on', 'date', { must: true, startsAs: 'today' })
  design.field('Certificate', 'Valid until', 'date', { must: true })
  design.field('Certificate', 'Finding', 'choice', {
    ...design.choices('safe', 'safe with advice', 'not safe'),
    must: true,
  })

  design.table('Payment', 'Money received for a visit; a visit may be paid in parts.')
  design.field('Payment', 'Paid on', 'date', { must: true, startsAs: 'today' })
  design.field('Payment', 'Amount', 'money', { must: true, least: '0.01' })
}

function ties(design: DesignWriter): void {
  design.link('Contact phone', 'Contact', { must: true, onRemove: 'remove', label: 'is rung on', back: 'belongs to' })
  design.key('Contact phone', 'Contact', 'Number')
  design.make({ kind: 'removeField', field: 'contact-phone__key' })
  design.knownBy('Contact phone', 'Number')
  design.join('Premises contact', 'Premises', 'Contact')
  design.link('Premises contact', 'Role', { must: true })
  design.link('Appliance model', 'Fuel', { must: true })
  design.link('Appliance', 'Premises', { must: true, label: 'houses', back: 'stands in' })
  design.link('Appliance', 'Appliance model', { must: true, as: 'Model', label: 'stands as', back: 'is made as' })
  design.knownBy('Appliance', 'Model', 'Room')
  design.link('Technician', 'Technician', { as: 'Supervisor', onRemove: 'leave', label: 'supervises' })
  design.link('Ticket', 'Technician', { must: true, onRemove: 'remove', label: 'holds' })
  design.key('Ticket', 'Technician', 'Ticket name')
  design.make({ kind: 'removeField', field: 'ticket__key' })
  design.link('Visit', 'Premises', { must: true, label: 'is booked for', back: 'goes to' })
  design.link('Visit', 'Contact', { as: 'Call first', onRemove: 'leave', label: 'is called before' })
  design.join('Visit technician', 'Visit', 'Technician')
  design.field('Visit technician', 'Leads', 'tick')
  design.join('Visit appliance', 'Visit', 'Appliance')
  design.field('Visit appliance', 'Flue reading', 'measured', { least: '0', most: '1' })
  design.field('Visit appliance', 'Passed', 'tick')
  design.link('Work line', 'Visit', { must: true, onRemove: 'remove', label: 'holds' })
  design.link('Work line', 'Service item', { must: true, label: 'is charged on', back: 'is for' })
  design.join('Visit part', 'Visit', 'Part')
  design.field('Visit part', 'Quantity', 'whole', { least: '1', most: '99', must: true, startsAs: '1' })
  design.link('Certificate', 'Visit appliance', { must: true, oneToOne: true, as: 'For', label: 'is certified by' })
  design.link('Payment', 'Visit', { must: true, label: 'is paid by', back: 'is for' })
  design.link('Payment', 'Way of paying', { must: true })
}
