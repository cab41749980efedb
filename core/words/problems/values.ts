import { counted, inSentence, listed } from '../english'
import { short } from './short'

/** Wrong with one value. */
export const valueProblems = {
  blank: (problem: { readonly field: string }) => `${problem.field} must be filled.`,
  'link-unmatched': (problem: { readonly words: string }) =>
    `No record is chosen yet for “${short(problem.words)}”. Choose it from the list.`,
  'too-long': (problem: { readonly limit: number; readonly length: number }) =>
    `This is ${counted(problem.length, 'character')} long; at most ${problem.limit.toLocaleString('en-GB')} fit.`,
  'odd-characters': () => 'This has characters that can’t be seen. Type it instead of pasting.',
  'not-shaped': (problem: { readonly shape: string; readonly example: string }) =>
    `It is written as ${problem.shape}; such as ${problem.example}.`,
  'check-digit': () => 'A figure in it is mistyped: its check digit doesn’t fit. Compare it with the original.',
  'not-length': (problem: { readonly length: number; readonly found: number }) =>
    `This must be exactly ${counted(problem.length, 'character')}; it has ${problem.found}.`,
  'not-whole': (problem: { readonly text: string }) => `“${short(problem.text)}” is not a whole number such as 12.`,
  'not-number': (problem: { readonly text: string; readonly example: string }) =>
    `“${short(problem.text)}” is not a number such as ${problem.example}.`,
  'too-many-decimals': (problem: { readonly decimals: number }) =>
    problem.decimals === 0
      ? 'Only whole numbers fit here.'
      : `At most ${counted(problem.decimals, 'decimal')} ${problem.decimals === 1 ? 'fits' : 'fit'} here.`,
  'too-many-digits': (problem: { readonly digits: number }) =>
    `At most ${counted(problem.digits, 'digit')} fit before the decimal point.`,
  below: (problem: { readonly least: string }) => `This must be ${problem.least} or more.`,
  above: (problem: { readonly most: string }) => `This must be ${problem.most} or less.`,
  'not-date': (problem: { readonly text: string; readonly example: string }) =>
    `“${short(problem.text)}” is not a date such as ${problem.example}.`,
  /** Where the month is one, how it is called and on which day it ends. */
  'no-such-day': (problem: { readonly text: string; readonly month?: string; readonly last?: number }) =>
    problem.month
      ? `There is no “${short(problem.text)}”: ${problem.month} ends on the ${problem.last}${problem.last === 31 ? 'st' : 'th'}.`
      : `There is no such day as “${short(problem.text)}”.`,
  'not-time': (problem: { readonly text: string }) => `“${short(problem.text)}” is not a time such as 09:30.`,
  'not-date-time': (problem: { readonly text: string; readonly example: string }) =>
    `“${short(problem.text)}” is not a date and time such as ${problem.example}.`,
  'not-tick': (problem: { readonly text: string }) => `“${short(problem.text)}” is neither yes nor no.`,
  'not-choice': (problem: { readonly text: string; readonly choices: readonly string[] }) =>
    `“${short(problem.text)}” is not one of the choices: ${problem.choices.length > 8 ? `${problem.choices.slice(0, 8).join(', ')} and more` : listed(problem.choices, 'or')}.`,
  'not-mark': (problem: { readonly text: string; readonly scale: number }) =>
    `“${short(problem.text)}” is not a mark from 1 to ${problem.scale}.`,
  'not-email': (problem: { readonly text: string }) =>
    `“${short(problem.text)}” is not an e-mail address such as office@firm.example.`,
  'not-phone': (problem: { readonly text: string }) =>
    `“${short(problem.text)}” is not a phone number such as 01555 0142.`,
  'not-web': (problem: { readonly text: string }) =>
    `“${short(problem.text)}” is not a web address such as https://firm.example.`,
  'given-by-book': (problem: { readonly field: string }) =>
    `The book gives ${inSentence(problem.field)}; it can’t be typed.`,
  'in-own-words': (problem: { readonly words: string }) => problem.words,
}
