import { expect, test } from 'vitest'
import { hintedKind } from '.'

test.each([
  ['Date of birth', 'date'],
  ['Date and time', 'dateTime'],
  ['Start time', 'time'],
  ['Time opened', 'dateTime'],
  ['Running time', 'whole'],
  ['Number of seats', 'whole'],
  ['Maximum number of places', 'whole'],
  ['Registration number', 'code'],
  ['Invoice number', 'running'],
  ['House number', 'whole'],
  ['Year joined', 'whole'],
  ['Date joined', 'date'],
  ['Price per hour', 'money'],
  ['Hourly wage', 'money'],
  ['Weight', 'exact'],
  ['Share', 'exact'],
  ['Note', 'passage'],
  ['Description of the fault', 'passage'],
  ['E-mail address', 'email'],
  ['Mobile number', 'phone'],
  ['Web site', 'web'],
  ['Passport photo', 'file'],
  ['Postcode', 'code'],
  ['Rating', 'mark'],
  ['whether it fits', 'tick'],
  ['Best before date', 'date'],
] as const)('%s is %s', (name, kind) => {
  expect(hintedKind(name)).toBe(kind)
})

test.each(['Name', 'Colour', 'Town', 'Updated by', 'Candidate', 'constructor', ''])('“%s” says nothing', (name) => {
  expect(hintedKind(name)).toBeUndefined()
})
