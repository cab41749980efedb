/**
 * Everything that can be wrong with what a person typed or asked for.
 * Each carries the facts its sentence needs; the sentences are in wording.ts.
 */
export type Problem = ValueProblem | RecordProblem | EditProblem | PeopleProblem

/** Wrong with one value. */
export type ValueProblem =
  | { readonly kind: 'blank'; readonly field: string }
  | { readonly kind: 'too-long'; readonly limit: number; readonly length: number }
  | { readonly kind: 'odd-characters' }
  | { readonly kind: 'not-shaped'; readonly shape: string; readonly example: string }
  | { readonly kind: 'check-digit' }
  | { readonly kind: 'not-length'; readonly length: number; readonly found: number }
  | { readonly kind: 'not-whole'; readonly text: string }
  | { readonly kind: 'not-number'; readonly text: string; readonly example: string }
  | { readonly kind: 'too-many-decimals'; readonly decimals: number }
  | { readonly kind: 'too-many-digits'; readonly digits: number }
  | { readonly kind: 'below'; readonly least: string }
  | { readonly kind: 'above'; readonly most: string }
  | { readonly kind: 'not-date'; readonly text: string; readonly example: string }
  /** Where the month is one, how it is called and on which day it ends. */
  | { readonly kind: 'no-such-day'; readonly text: string; readonly month?: string; readonly last?: number }
  | { readonly kind: 'not-time'; readonly text: string }
  | { readonly kind: 'not-date-time'; readonly text: string; readonly example: string }
  | { readonly kind: 'not-tick'; readonly text: string }
  | { readonly kind: 'not-choice'; readonly text: string; readonly choices: readonly string[] }
  | { readonly kind: 'not-mark'; readonly text: string; readonly scale: number }
  | { readonly kind: 'not-email'; readonly text: string }
  | { readonly kind: 'not-phone'; readonly text: string }
  | { readonly kind: 'not-web'; readonly text: string }
  | { readonly kind: 'given-by-book'; readonly field: string }
  | { readonly kind: 'in-own-words'; readonly words: string }

/** Wrong with a record as a whole, or with saving or removing it. */
export type RecordProblem =
  /** Another record has the same in these fields; the value where there is one and people can read it. */
  | { readonly kind: 'taken'; readonly table: string; readonly fields: readonly string[]; readonly value?: string }
  /** Another record is linked to the same ones: the tables at the other ends. */
  | { readonly kind: 'linked-already'; readonly table: string; readonly to: readonly string[] }
  | { readonly kind: 'no-such-record'; readonly table: string }
  | { readonly kind: 'dead-link'; readonly field: string; readonly table: string }
  | { readonly kind: 'needs-one'; readonly table: string; readonly child: string }
  | { readonly kind: 'left-without'; readonly table: string; readonly record: string; readonly child: string }
  | { readonly kind: 'twice'; readonly child: string; readonly value: string }
  | { readonly kind: 'in-use'; readonly table: string; readonly by: readonly { table: string; count: number }[] }
  | { readonly kind: 'changed-meanwhile'; readonly by: string }
  | { readonly kind: 'database-refused' }
  | { readonly kind: 'form-outdated'; readonly table: string }
  | { readonly kind: 'being-opened'; readonly book: string }
  /** In megabytes: what is free, and what must stay so. */
  | { readonly kind: 'disk-full'; readonly free: number; readonly least: number }
  | { readonly kind: 'asks-too-much'; readonly seconds: number }
  | { readonly kind: 'condition-too-heavy'; readonly most: number }
  | { readonly kind: 'busy' }
  | { readonly kind: 'save-too-big'; readonly megabytes: number }
  | { readonly kind: 'file-too-big'; readonly megabytes: number }
  | { readonly kind: 'file-not-picture'; readonly name: string }
  | { readonly kind: 'no-such-file' }
  | { readonly kind: 'file-empty'; readonly name: string }
  | { readonly kind: 'not-open'; readonly book: string }
  | { readonly kind: 'not-allowed' }

/** Wrong with signing in or with an account. */
export type PeopleProblem =
  | { readonly kind: 'wrong-sign-in' }
  | { readonly kind: 'wait'; readonly seconds: number }
  | { readonly kind: 'password-short'; readonly least: number }
  | { readonly kind: 'password-long'; readonly most: number }
  | { readonly kind: 'password-common' }
  | { readonly kind: 'wrong-password' }
  | { readonly kind: 'own-account' }
  | { readonly kind: 'account-gone' }
  | { readonly kind: 'not-yours-to-manage'; readonly name: string }
  | { readonly kind: 'account-name'; readonly limit: number }
  | { readonly kind: 'account-taken'; readonly name: string }
  | { readonly kind: 'already-started' }
  | { readonly kind: 'last-administrator' }
  | { readonly kind: 'signed-out' }
  | { readonly kind: 'no-answer' }
  | { readonly kind: 'unexpected' }

/** Wrong with an edit to a book. */
export type EditProblem =
  | { readonly kind: 'gone'; readonly what: PartWord }
  | { readonly kind: 'name-blank'; readonly what: PartWord }
  | { readonly kind: 'name-too-long'; readonly what: PartWord; readonly limit: number }
  | { readonly kind: 'name-taken'; readonly what: PartWord; readonly name: string; readonly within?: string }
  | { readonly kind: 'not-plain'; readonly table: string }
  | { readonly kind: 'list-holds-facts'; readonly table: string }
  | { readonly kind: 'key-stays'; readonly field: string }
  | { readonly kind: 'too-many'; readonly what: PartWord; readonly limit: number }
  | { readonly kind: 'stale'; readonly what: string }
  | { readonly kind: 'nothing-to-change' }
  | { readonly kind: 'setting-out-of-range'; readonly setting: string; readonly least: number; readonly most: number }
  | { readonly kind: 'bounds-crossed'; readonly least: string; readonly most: string }
  | { readonly kind: 'choice-blank' }
  | { readonly kind: 'choice-twice'; readonly choice: string }
  | { readonly kind: 'setting-not-value'; readonly setting: string; readonly because: Problem }
  | { readonly kind: 'not-as-key'; readonly field: string; readonly because: string }
  | { readonly kind: 'rule-without-words' }
  | { readonly kind: 'not-live-name'; readonly name: string; readonly because: string }
  | { readonly kind: 'link-needs-key'; readonly table: string }
  | { readonly kind: 'link-by-pairing' }
  | { readonly kind: 'key-holds-links'; readonly table: string; readonly links: readonly string[] }
  | { readonly kind: 'joining-holds-facts'; readonly table: string; readonly fields: readonly string[] }
  | { readonly kind: 'joining-linked'; readonly table: string; readonly by: readonly string[] }
  | { readonly kind: 'must-cannot-leave'; readonly field: string }
  | { readonly kind: 'nothing-to-undo' }
  | { readonly kind: 'nothing-to-redo' }
  | { readonly kind: 'clash'; readonly by: string; readonly did: string }
  | { readonly kind: 'not-a-book' }

/** The plain noun for a part of a book. */
export type PartWord = 'need' | 'table' | 'field' | 'link' | 'pairing' | 'choice' | 'rule' | 'book' | 'note' | 'area'
