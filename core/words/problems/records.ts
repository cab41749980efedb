import { aOrAn, capital, counted, inSentence, listed, plural } from '../english'
import { short } from './short'

/** Wrong with a record as a whole, or with saving or removing it. */
export const recordProblems = {
  /** Another record has the same in these fields; the value where there is one and people can read it. */
  taken: (problem: { readonly table: string; readonly fields: readonly string[]; readonly value?: string }) =>
    problem.fields.length === 1
      ? `Another ${inSentence(problem.table)} already has ${problem.value ? `“${short(problem.value)}”` : 'this'} as its ${problem.fields[0]}; it must be different for each.`
      : `Another ${inSentence(problem.table)} already has the same ${listed(problem.fields)}. At least one of them must be different.`,
  /** Another record is linked to the same ones: the tables at the other ends. */
  'linked-already': (problem: { readonly table: string; readonly to: readonly string[] }) =>
    problem.to.length === 1
      ? `This ${inSentence(problem.to[0]!)} already has ${aOrAn(inSentence(problem.table))}.`
      : `This ${inSentence(problem.to[1]!)} is already on this ${inSentence(problem.to[0]!)}.`,
  'no-such-record': (problem: { readonly table: string }) =>
    `This ${inSentence(problem.table)} is no longer there. Somebody may have removed it.`,
  'dead-link': (problem: { readonly field: string; readonly table: string }) =>
    `The ${inSentence(problem.table)} chosen for ${problem.field} is no longer there. Choose another.`,
  'needs-one': (problem: { readonly table: string; readonly child: string }) =>
    `${capital(aOrAn(inSentence(problem.table)))} needs at least one ${inSentence(problem.child)}. Add it below.`,
  'left-without': (problem: { readonly table: string; readonly record: string; readonly child: string }) =>
    `${problem.table} ${short(problem.record)} would be left without ${aOrAn(inSentence(problem.child))}, and it needs at least one. Give it another first.`,
  twice: (problem: { readonly child: string; readonly value: string }) =>
    `“${short(problem.value)}” is listed twice under ${plural(problem.child)}. Remove one of them.`,
  'in-use': (problem: { readonly table: string; readonly by: readonly { table: string; count: number }[] }) => {
    if (problem.by.length === 0)
      return `This ${inSentence(problem.table)} is still used by other records. Remove or change those first.`
    return `This ${inSentence(problem.table)} is still used by ${listed(problem.by.map((use) => counted(use.count, inSentence(use.table))))}. Remove or change those first.`
  },
  'changed-meanwhile': (problem: { readonly by: string }) =>
    `${problem.by} changed this record while you were typing. Choose what to keep.`,
  'database-refused': () =>
    'The database did not accept this record. Nothing was changed; check the values and save again.',
  'form-outdated': (problem: { readonly table: string }) =>
    `The book was opened with a changed design meanwhile, and ${inSentence(problem.table)} has no place for something you typed here. Note it down, load the page again, and enter it in its new place.`,
  'being-opened': (problem: { readonly book: string }) =>
    `${problem.book} is being opened with a changed design just now. Nothing you typed is lost; try again in a moment.`,
  /** In megabytes: what is free, and what must stay so. */
  'disk-full': (problem: { readonly free: number; readonly least: number }) =>
    `The disk on which Hearth Table keeps its records is nearly full: ${problem.free} MB are free, and ${problem.least} MB must stay so. Nothing can be saved until there is room again. What you typed is still here; tell whoever looks after this computer.`,
  'asks-too-much': (problem: { readonly seconds: number }) =>
    `This takes longer than ${counted(problem.seconds, 'second')}, and was stopped so that others can go on. Ask for less: a narrower condition, or fewer letters to find.`,
  'condition-too-heavy': (problem: { readonly most: number }) =>
    `This condition looks at more than ${problem.most} values of other records. Remove some parts of it.`,
  busy: () => 'Too much is being looked up just now. Try again in a moment.',
  'save-too-big': (problem: { readonly megabytes: number }) =>
    `This is more than the ${problem.megabytes} MB that can be saved at once. Save part of the rows first, then add the others.`,
  'file-too-big': (problem: { readonly megabytes: number }) =>
    `The file is larger than the ${problem.megabytes} MB that fit here. Choose a smaller one.`,
  'file-not-picture': (problem: { readonly name: string }) =>
    `“${short(problem.name)}” is not a picture (PNG, JPEG, WebP or GIF).`,
  'no-such-file': () => 'The file did not arrive whole. Choose it again.',
  'file-empty': (problem: { readonly name: string }) =>
    `“${short(problem.name)}” is empty: there is nothing in the file. Choose another one.`,
  'not-open': (problem: { readonly book: string }) =>
    `${problem.book} has not been opened yet. Open it in the Workshop first.`,
  'not-allowed': () => 'Your sign-in does not allow this. Ask the administrator of this book.',
}
