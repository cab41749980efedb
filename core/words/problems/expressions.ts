import { capital, listed } from '../english'

interface Named {
  readonly field: string
  readonly table: string
}
/** With the sentence of another problem within its own. */
interface Worded {
  readonly words: string
}

/** What an expression can give, as it is said of what is wanted or found. */
export const typeWords = {
  exact: 'a number',
  measured: 'a measured number',
  text: 'text',
  date: 'a date',
  time: 'a time',
  moment: 'a date with time',
  truth: 'yes or no',
  nothing: 'nothing',
}
export type TypeWord = keyof typeof typeWords

interface Found {
  readonly found: TypeWord
}

const meant = (near: readonly string[]) => (near.length > 0 ? ` Did you mean ${listed(near, 'or')}?` : '')

/** How a value is written that was written as text. */
const slips = {
  date: (text: string) => ` A date is written DATE ’${text}’.`,
  time: (text: string) => ` A time is written TIME ’${text}’.`,
  moment: (text: string) => ` A date with time is written TIMESTAMP ’${text}’.`,
  number: () => ' A number stands without marks around it.',
}
export interface Slip {
  readonly as: keyof typeof slips
  readonly text: string
}
const saySlip = (slip: Slip | undefined) => (slip ? slips[slip.as](slip.text) : '')

const forms = { DATE: '’2027-03-12’', TIME: '’09:30’', TIMESTAMP: '’2027-03-12 09:30’' }

/** Wrong with how an expression is written. */
const writingProblems = {
  'expression-empty': () => 'Nothing is written yet. Write an expression, such as a field’s name.',
  'expression-too-long': ({ most }: { readonly most: number }) =>
    `An expression may have at most ${most.toLocaleString('en-GB')} characters.`,
  'no-meaning': ({ sign }: { readonly sign: string }) => `“${sign}” has no meaning here.`,
  'name-open': () => 'The name that begins here has no closing " mark.',
  'text-open': () => 'The text that begins here has no closing ’ mark.',
  'one-too-many': ({ written }: { readonly written: string }) => `“${written}” is one too many here.`,
  'word-missing': ({ word }: { readonly word: string }) => `${word} is missing here.`,
  'sign-missing': ({ sign }: { readonly sign: string }) => `“${sign}” is missing here.`,
  'something-missing': () => 'A field, a number or a text is missing here.',
  'name-missing': () => 'A name is missing here.',
  'field-after-point': () => 'After the point stands the name of a field.',
  'kept-word': ({ word }: { readonly word: string }) =>
    `${word} can’t stand here. A name like that is written in " marks.`,
  'whens-missing': () => 'After CASE stands WHEN … THEN ….',
  'interval-text': () => 'Here stands a whole number between ’ marks, as in INTERVAL ’3’ DAY.',
  'interval-whole': () => 'An interval counts whole units, as in INTERVAL ’3’ DAY.',
  'interval-unit': () => 'After the number stands YEAR, MONTH, DAY, HOUR or MINUTE.',
  'extract-unit': () => 'EXTRACT takes YEAR, MONTH, DAY, HOUR or MINUTE.',
  'cast-type': () => 'CAST makes DECIMAL(10,2), INTEGER, VARCHAR(20), DATE or TIMESTAMP.',
  'size-missing': () => 'Here stands a number.',
  'escape-text': () => 'Here stands one character between ’ marks.',
  'escape-one': () => 'After ESCAPE stands one character, such as ’|’.',
  'not-what': () => 'After NOT stands BETWEEN, IN or LIKE here.',
  'nested-too-deep': ({ most }: { readonly most: number }) =>
    `Brackets and signs may be nested ${most} deep at most. Split the expression.`,
  'too-many-operators': ({ most }: { readonly most: number }) =>
    `An expression may have at most ${most} operators. Split it.`,
  /** The sentence that says what is missing where the expression ends. */
  'ends-too-early': ({ words }: { readonly words: string }) => `${words} The expression ends too early.`,
}

/** Wrong with what an expression speaks of, or with what it would give. */
export const expressionProblems = {
  ...writingProblems,
  'stored-gone': () => 'It uses something that is no longer there. Write it again.',
  'interval-alone': () => 'An interval is added to a date or taken from one; it can’t stand alone.',
  'interval-side': () => 'An interval is added to a date or taken from one: "Lent on" + INTERVAL ’14’ DAY.',
  'shifts-no-date': ({ found }: Found) => `An interval goes with a date; this is ${typeWords[found]}.`,
  'date-has-no-hours': () => 'A date has no hours. CAST it AS TIMESTAMP first, or count days.',
  'no-such-field': (problem: {
    readonly table: string
    readonly name: string
    readonly near: readonly string[]
    /** All that there are, where they are few. */
    readonly all: readonly string[]
  }) => {
    const hint = meant(problem.near) || (problem.all.length > 0 ? ` It has ${listed(problem.all)}.` : '')
    return `${problem.table} has no field “${problem.name}”.${hint}`
  },
  'no-such-rows': (problem: {
    readonly table: string
    readonly name: string
    readonly near: readonly string[]
    readonly all: readonly string[]
  }) => {
    const { all } = problem
    const hint = meant(problem.near) || (all.length > 0 ? ` ${listed(all)} ${all.length === 1 ? 'is' : 'are'}.` : '')
    return `No rows of “${problem.name}” are linked to ${problem.table}.${hint}`
  },
  'rows-unclear': (problem: { readonly name: string; readonly table: string; readonly through: readonly string[] }) =>
    `${problem.name} is linked to ${problem.table} by ${listed(problem.through)}. Write by which before the bracket closes, such as BY "${problem.through[0]}".`,
  'rows-not-by': (problem: {
    readonly name: string
    readonly table: string
    readonly by: string
    readonly through: readonly string[]
  }) =>
    `${problem.name} isn’t linked to ${problem.table} by a field “${problem.by}”, but by ${listed(problem.through)}.`,
  'link-after-by': () => 'Write the name of a link after BY.',
  'rows-missing': ({ name }: { readonly name: string }) =>
    `Write which rows are meant, such as ${name}("Rows"."Field").`,
  'rows-named-first': ({ rows, name }: { readonly rows: string; readonly name: string }) =>
    `Within COUNT, SUM and the like every name begins with the rows’: ${rows}.${name}.`,
  'leads-nowhere': ({ field, table }: { readonly field: string; readonly table: string }) =>
    `${field} of ${table} is linked to nothing yet, so nothing can follow the point after it.`,
  'link-alone': ({ field, such }: { readonly field: string; readonly such: string }) =>
    `${field} is a link. Write which field of it is meant, such as ${field}.${such}.`,
  'file-alone': ({ field }: { readonly field: string }) =>
    `${field} holds a file, which can only be asked whether it is empty.`,
  'not-calculable': ({ field }: { readonly field: string }) => `${field} can’t be used in a calculation.`,
  'no-such-choice': (problem: {
    readonly field: string
    readonly text: string
    readonly near: readonly string[]
    readonly all: readonly string[]
  }) => `${problem.field} has no choice “${problem.text}”.${meant(problem.near) || ` It has ${listed(problem.all)}.`}`,
  'no-such-function': ({ name, near }: { readonly name: string; readonly near: readonly string[] }) =>
    `There is no function ${name}.${meant(near)}`,
  'function-form': ({ form }: { readonly form: string }) => `It is written ${form}.`,
  'function-needs': ({ name, wanted, found }: Found & { readonly name: string; readonly wanted: string }) =>
    `${name} needs ${wanted}; this is ${typeWords[found]}.`,
  'places-written-out': ({ name }: { readonly name: string }) =>
    `${name} needs a whole number that is written out, such as 2.`,
  'two-values': () => 'NULLIF takes two values.',
  'two-values-or-more': () => 'COALESCE takes two values or more.',
  'not-one-type': ({ found, wanted, slip }: Found & { readonly wanted: TypeWord; readonly slip?: Slip | undefined }) =>
    `This is ${typeWords[found]}, but what it stands with is ${typeWords[wanted]}.${saySlip(slip)}`,
  'not-comparable': (problem: {
    readonly left: TypeWord
    readonly right: TypeWord
    readonly slip?: Slip | undefined
  }) =>
    `${capital(typeWords[problem.left])} can’t be compared with ${typeWords[problem.right]}.${saySlip(problem.slip)}`,
  'no-greater-text': () => 'Texts can be the same or not, or look alike (LIKE), but none is greater than another.',
  'no-greater-truth': () => 'Yes and no can be the same or not, but neither is greater.',
  'joins-truths': ({ operator, found }: Found & { readonly operator: string }) =>
    `${operator} joins what is true or not; this is ${typeWords[found]}.`,
  'joins-texts': ({ found }: Found) => `|| joins texts; this is ${typeWords[found]}.`,
  'compares-texts': ({ found }: Found) => `LIKE compares texts; this is ${typeWords[found]}.`,
  'not-needs-truth': ({ found }: Found) => `NOT needs something that is true or not; this is ${typeWords[found]}.`,
  'when-needs-truth': ({ found }: Found) =>
    `After WHEN stands something that is true or not; this is ${typeWords[found]}.`,
  'where-needs-truth': () => 'After WHERE stands something that is true or not.',
  'sign-needs-number': ({ found }: Found) => `Only a number has a sign; this is ${typeWords[found]}.`,
  'date-takes-interval': () => 'To a date an interval is added: + INTERVAL ’14’ DAY.',
  'calculates-with-numbers': ({ operator, found }: Found & { readonly operator: string }) =>
    `${operator} calculates with numbers; this is ${typeWords[found]}.${found === 'text' && operator === '+' ? ' Texts are joined with ||.' : ''}`,
  'result-too-long': ({ most }: { readonly most: number }) =>
    `The number could have more than ${most} digits. ROUND or CAST its parts first.`,
  'number-too-long': () => 'A number may have at most 40 digits.',
  'no-such-moment': ({ of, text }: { readonly of: keyof typeof forms; readonly text: string }) =>
    `“${text}” is no such ${of.toLowerCase()}. It is written ${of} ${forms[of]}.`,
  'stored-no-number': ({ text }: { readonly text: string }) => `“${text}” is no number.`,
  'casts-numbers': ({ to, found }: Found & { readonly to: string }) =>
    `Only a number that isn’t measured becomes ${to}; this is ${typeWords[found]}.`,
  'casts-dates': ({ to, found }: Found & { readonly to: string }) =>
    `Only a date becomes ${to}; this is ${typeWords[found]}.`,
  'casts-no-text': ({ found }: Found) => `This can’t become text: it is ${typeWords[found]}.`,
  'decimal-sizes': ({ most }: { readonly most: number }) => `DECIMAL has at most 65 digits, ${most} of them decimals.`,
  'decimal-too-small': ({ whole, write }: { readonly whole: number; readonly write: string }) =>
    `The number may have ${whole} digits before the point, more than fit. Write ${write}.`,
  'gathered-twice': () =>
    'What is gathered can’t be gathered again. Give the rows’ table a gathered field, and gather that.',
  'gathers-no-field': ({ name, rows }: { readonly name: string; readonly rows: string }) =>
    `${name} needs a field of the rows, such as ${name}("${rows}"."…").`,
  /** `called`: the field, where it is one. */
  'gathers-no-such': (
    problem: Found & { readonly name: string; readonly called?: string | undefined; readonly dates: boolean },
  ) =>
    `${problem.called ?? 'This'} is ${typeWords[problem.found]}; ${problem.name} needs ${problem.dates ? 'a number or a date' : 'a number'}.`,
  'part-broken': ({ field, table }: { readonly field: string; readonly table: string }) =>
    `${field} of ${table} can’t be calculated as it is. Correct it first.`,
  'no-linked-fact': () => 'It must be a field of a linked record.',
  'no-gathering': () => 'It must be a count, a total or the like of the rows that link here.',
  'always-empty': () => 'It would always be empty.',
  'says-nothing': () => 'It uses no field, so it says nothing about a record.',
  'freezes-on-no-truth': () => 'It must be something that is true or not, such as State = ’done’.',
  'freezes-on-others': () => 'It may use only what is typed into the record itself.',
  'derived-from-nothing': ({ field, table }: Named) => `${field} of ${table} doesn’t say yet what it is made from.`,
  'derived-broken': ({ field, table, words }: Named & Worded) => `${field} of ${table} can’t be calculated: ${words}`,
  'derived-on-broken': ({ part, words }: { readonly part: string } & Worded) => `${part} can’t be calculated: ${words}`,
  'derived-too-big': ({ field, table, size, most }: Named & { readonly size: number; readonly most: number }) =>
    `${field} of ${table} has ${size} parts with all that it is made from; ${most} are the most. Make it simpler.`,
  'derived-too-deep': ({
    part,
    level,
    most,
  }: {
    readonly part: string
    readonly level: number
    readonly most: number
  }) =>
    `${part} is made from fields that are made from others, ${level} deep; ${most} is the most. Make it from earlier ones.`,
  'derived-from-itself': ({ part, round }: { readonly part: string; readonly round: readonly string[] }) =>
    `${part} is made from itself: ${round.join(', from ')}. Make one of them from something else.`,
  'freezing-unclear': ({ field, table, words }: Named & Worded) =>
    `When ${field} of ${table} freezes isn’t clear: ${words}`,
}
