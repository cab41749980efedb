import { aOrAn, counted, inSentence, plural } from '../english'

/** So many records of a table, counted in the live database. */
interface Counted {
  readonly table: string
  readonly count: number
}

const records = ({ table, count }: Counted) => counted(count, inSentence(table))
const they = ({ count }: { readonly count: number }, one: string, several: string) => (count === 1 ? one : several)
const them = ({ count }: { readonly count: number }) => they({ count }, 'it', 'them')

/** What stands in the way of opening a book: in the design itself, or in the records that are there. */
export const openingProblems = {
  'no-tables': () => 'There are no tables yet. Make one in Tables first.',
  'table-without-key': ({ table }: { readonly table: string }) => `${table} has no key. Choose one in Tables first.`,
  'step-refused': () =>
    'The database refused a step, and everything was put back as it was. Look at the design and try again.',
  'record-came-meanwhile': () =>
    'Somebody entered a record while the book was about to be built again. Open it once more.',
  'first-words-need-more': ({ table, field }: { readonly table: string; readonly field: string }) =>
    `The first words of ${table} can’t be added while each must also have ${aOrAn(inSentence(field))}. Let ${field} be empty, or remove the words.`,
  'first-word-is-none': ({
    word,
    table,
    field,
  }: {
    readonly word: string
    readonly table: string
    readonly field: string
  }) => `“${word}” can’t be one of the first words of ${table}. Change it in Tables, or what ${field} may hold.`,
  'rule-broken-by-records': (problem: Counted & { readonly rule: string; readonly orNew?: true }) =>
    `${records(problem)} ${they(problem, 'breaks', 'break')} the rule “${problem.rule}”. Change ${them(problem)} in Records first${problem.orNew ? ', or let the rule be asked of new records only' : ''}.`,
  'records-outside': (problem: Counted & { readonly field: string; readonly allowed: string }) =>
    `${records(problem)} ${they(problem, 'has', 'have')} a value in ${problem.table} → ${problem.field} outside “${problem.allowed}”. Change ${them(problem)} in Records first.`,
  'not-on-list': (problem: Counted & { readonly field: string; readonly list: string; readonly examples: string }) =>
    `${records(problem)} ${they(problem, 'has', 'have')} a value in ${problem.field} that is not on the list ${problem.list}: ${problem.examples}. Add it to the words of ${problem.list}.`,
  'words-no-choice': (problem: Counted & { readonly field: string; readonly examples: string }) =>
    `Staff wrote ${counted(problem.count, 'word')} on the list ${problem.table} that ${they(problem, 'is', 'are')} no choice now: ${problem.examples}. Add ${them(problem)} to the choices of ${problem.field}, or remove ${them(problem)} in Records first.`,
  'table-still-filled': ({ table, count }: Counted) =>
    `${table} was removed from the design but still holds ${counted(count, 'record')}. Undo that, or remove the records.`,
  'column-still-filled': (problem: Counted & { readonly column: string }) =>
    `${problem.column} was removed from ${problem.table}, but ${records(problem)} ${they(problem, 'holds', 'hold')} something there. Undo that, or remove what they hold.`,
  'column-without-place': ({ column, table, count }: Counted & { readonly column: string }) =>
    `${column} of ${inSentence(table)} has no place any more, but ${counted(count, 'record')} ${they({ count }, 'holds', 'hold')} something there. Undo that, or empty the field first.`,
  'new-column-empty': (problem: Counted & { readonly column: string }) =>
    `${problem.column} must be filled, but ${records(problem)} would have nothing there. Let it start as something, or open it without “must be filled” and fill it in first.`,
  'carried-column-empty': (problem: Counted & { readonly column: string }) =>
    `${problem.column} must be filled, but ${records(problem)} would have nothing there. Open it without “must be filled” and fill it in first.`,
  'must-be-filled-now': (problem: Counted & { readonly column: string }) =>
    `${records(problem)} ${they(problem, 'has', 'have')} no ${inSentence(problem.column)}, which must be filled now. Fill them in Records first.`,
  'values-too-long': (problem: Counted & { readonly column: string; readonly most: number }) =>
    `${records(problem)} ${they(problem, 'has', 'have')} more than ${problem.most} characters in ${problem.column}. Shorten them first, or allow more.`,
  'another-kind': (problem: Counted & { readonly column: string }) =>
    `${problem.column} would hold another kind of value, and ${records(problem)} ${they(problem, 'has', 'have')} one already. Add a new field instead.`,
  'values-twice': ({ column, table, count }: Counted & { readonly column: string }) =>
    `${column} must be different for each ${inSentence(table)} now, but ${counted(count, 'value')} ${they({ count }, 'stands', 'stand')} there more than once. Change them in Records first.`,
  'key-twice': ({ table, count }: Counted) =>
    `The new key of ${table} must be different for every record, but ${counted(count, 'value')} of it ${they({ count }, 'stands', 'stand')} there more than once. Change them in Records first, or undo the change of key.`,
  'says-nothing-of-it': (problem: Counted & { readonly of: string }) =>
    `Each ${inSentence(problem.table)} must be linked to one ${inSentence(problem.of)}, but ${records(problem)} ${they(problem, 'says', 'say')} nothing of it. Fill that in first, in Records, or let the link be empty.`,
  'moved-without': (problem: Counted & { readonly column: string; readonly of: string }) =>
    `${problem.column} of ${inSentence(problem.of)} must be filled, but ${records(problem)} whose values move there ${they(problem, 'says', 'say')} nothing of it. Open it without “must be filled” and fill it in first.`,
  'moved-must-be-filled': (problem: Counted & { readonly column: string; readonly of: string }) =>
    `${problem.column} must be filled in each ${inSentence(problem.of)}, but ${records(problem)} ${they(problem, 'has', 'have')} none. Fill them in Records first.`,
  'moved-not-allowed': ({ table, count }: Counted) =>
    `${counted(count, 'value')} that ${they({ count }, 'moves', 'move')} to ${plural(inSentence(table))} ${they({ count }, 'is', 'are')} not allowed there. Change ${them({ count })} in Records first.`,
  'moved-twice': ({ table, count }: Counted) =>
    `Each ${inSentence(table)} must be different there, but ${counted(count, 'value')} would come more than once. Make what is meant to be one the same in Records first.`,
  'would-be-lost': (problem: Counted & { readonly without: string }) =>
    `${records(problem)} ${they(problem, 'has', 'have')} no ${inSentence(problem.without)} and would be lost. Link ${them(problem)} to one in Records first, or remove ${them(problem)}.`,
  'several-for-one': (problem: Counted & { readonly of: string }) =>
    `${records(problem)} ${they(problem, 'has', 'have')} more than one ${inSentence(problem.of)}, and could keep only one. Leave the two apart.`,
  'cannot-follow': (problem: Counted & { readonly of: string; readonly field: string }) =>
    `${records(problem)} ${they(problem, 'is', 'are')} linked to ${inSentence(problem.of)} through ${problem.field} and can’t follow. Keep the two tables separate, or empty ${problem.field} first.`,
}
