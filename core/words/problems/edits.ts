import { aOrAn, counted, listed } from '../english'
import type { PartWord } from './part-word'

/** Wrong with an edit to a book. */
export const editProblems = {
  'ground-dark': () => 'On this ground the smaller words can’t be read. Take a lighter one.',
  'colour-pale': ({ what }: { readonly what: 'words' | 'lines' }) =>
    `The colour of ${what === 'words' ? 'headings' : 'lines'} is too pale on white paper, in grey above all. Choose a darker one.`,
  gone: (problem: { readonly what: PartWord }) => `That ${problem.what} is no longer in the book.`,
  'name-blank': (problem: { readonly what: PartWord }) => `Give the ${problem.what} a name.`,
  'name-too-long': (problem: { readonly what: PartWord; readonly limit: number }) =>
    `The name of ${aOrAn(problem.what)} has at most ${problem.limit} characters.`,
  'name-taken': (problem: { readonly what: PartWord; readonly name: string; readonly within?: string }) =>
    `There is already ${aOrAn(problem.what)} called “${problem.name}”${problem.within ? ` in ${problem.within}` : ''}. Choose another name.`,
  'not-plain': (problem: { readonly table: string }) =>
    `${problem.table} only joins others or lists words, and can’t be brought together with another table.`,
  'list-holds-facts': (problem: { readonly table: string }) =>
    `${problem.table} holds more than words, or nothing uses it, and can’t become the choices of a field.`,
  'key-stays': (problem: { readonly field: string }) =>
    `${problem.field} is the key and stays where it is. Choose other fields, or another key first.`,
  'too-many': (problem: { readonly what: PartWord; readonly limit: number }) =>
    `A book holds at most ${counted(problem.limit, problem.what)} here.`,
  stale: (problem: { readonly what: string }) => `${problem.what} has changed since.`,
  'nothing-to-change': () => 'There is nothing to change.',
  'setting-out-of-range': (problem: { readonly setting: string; readonly least: number; readonly most: number }) =>
    `${problem.setting} goes from ${problem.least} to ${problem.most}.`,
  'bounds-crossed': (problem: { readonly least: string; readonly most: string }) =>
    `Nothing can be at least ${problem.least} and at most ${problem.most}.`,
  'choice-blank': () => 'A choice can’t be empty.',
  'choice-twice': (problem: { readonly choice: string }) => `“${problem.choice}” is there twice.`,
  /** Why the value is none, as a sentence. */
  'setting-not-value': (problem: { readonly setting: string; readonly because: string }) =>
    `${problem.setting}: ${problem.because}`,
  'not-as-key': (problem: { readonly field: string; readonly because: string }) =>
    `${problem.field} can’t be part of the key: ${problem.because}.`,
  'rule-without-words': () => 'Write down what staff should read when the rule refuses.',
  'not-live-name': (problem: { readonly name: string; readonly because: string }) =>
    `“${problem.name}” can’t be a name in the database, because ${problem.because}.`,
  'link-needs-key': (problem: { readonly table: string }) => `Give ${problem.table} a key first; links point to it.`,
  'link-by-pairing': () => 'A link comes from a pairing: answer its two questions in Pairings.',
  'key-holds-links': (problem: { readonly table: string; readonly links: readonly string[] }) =>
    `Other tables link to the key of ${problem.table} (${listed(problem.links)}). Remove those links first.`,
  'joining-holds-facts': (problem: { readonly table: string; readonly fields: readonly string[] }) =>
    `${problem.table} has fields of its own (${listed(problem.fields)}). Remove the table yourself if they may go.`,
  'joining-linked': (problem: { readonly table: string; readonly by: readonly string[] }) =>
    `${listed(problem.by)} links to ${problem.table}. Remove that link first.`,
  'must-cannot-leave': (problem: { readonly field: string }) =>
    `${problem.field} must be filled, so records can’t be left without it. Keep the record, or remove them too.`,
  'nothing-to-undo': () => 'There is nothing of yours to undo.',
  'nothing-to-redo': () => 'There is nothing to redo.',
  clash: (problem: { readonly by: string; readonly did: string }) =>
    `${problem.by} made another change first: “${problem.did}”. Yours was not made; look at it and decide.`,
  'not-a-book': () => 'This is not a record book that can be read.',
}
