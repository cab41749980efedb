import type { Edit } from '@/core/book'
import { link, table, words } from './tables'

/** Designs that nobody would object to; what is said of them would be a false alarm. */
export const goodBooks: Record<string, readonly Edit[]> = {
  library: [
    ...table('Reader', 'First name line', 'Last name line', ['E-mail email', { unique: true }], 'Joined on date'),
    ...table('Title', 'Name line', 'Author line', ['Year whole', { least: '1400', most: '2100' }]),
    ...table('Copy', ['Shelf mark code', { unique: true }], ['Condition choice', words('good', 'worn', 'lost')]),
    ...table('Loan', 'Lent on date', 'Due on date', 'Back on date'),
    link('title', 'copy'),
    link('copy', 'loan'),
    link('reader', 'loan'),
  ],
  kennels: [
    ...table('Owner', 'Name line', 'Mobile phone', 'E-mail email'),
    ...table('Dog', 'Name line', 'Born on date', ['Weight exact', { unit: 'kg' }], 'Microchip code'),
    ...table('Stay', 'Arrives on date', 'Leaves on date', ['State choice', words('booked', 'running', 'over')]),
    link('owner', 'dog'),
    link('dog', 'stay'),
  ],
  courses: [
    ...table('Tutor', 'Name line', 'Hourly wage money'),
    ...table('Course', 'Title line', 'Fee money', ['Places whole', { least: '1', most: '40' }]),
    ...table('Student', 'Name line', 'Date of birth date'),
    link('tutor', 'course'),
    link('course', 'student', { bHasSeveral: true, name: 'Enrolment' }),
    { kind: 'addField', table: 'course-student', id: 'enrolled', name: 'Enrolled on', holds: 'date' },
  ],
  workshop: [
    ...table('Vehicle', ['Plate code', { unique: true, must: true }], 'Make line', 'Model line'),
    ...table('Repair', 'Brought in on date', 'Fault passage'),
    ...table('Part', 'Part code code', 'Name line', 'List price money', ['In stock whole', { least: '0' }]),
    link('vehicle', 'repair'),
    link('repair', 'part', { bHasSeveral: true, name: 'Part used' }),
    { kind: 'addField', table: 'repair-part', id: 'used', name: 'Quantity', holds: 'whole' },
    { kind: 'changeField', field: 'used', to: { least: '1' } },
    { kind: 'addField', table: 'repair-part', id: 'price', name: 'Price each', holds: 'money' },
  ],
  archive: [
    ...table('Room', 'Name line', ['Floor whole', { least: '-2', most: '9' }]),
    ...table('Box', ['Label code', { unique: true }]),
    ...table('Document', 'Title line', 'Summary passage', 'Written on date'),
    link('room', 'box'),
    link('box', 'document'),
    link('document', 'document', { name: 'Answers', bMust: false }),
  ],
}
