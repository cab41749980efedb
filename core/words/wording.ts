import { aOrAn, capital, counted, inSentence, listed, plural } from './english'
import type { EditProblem, PeopleProblem, Problem, RecordProblem, ValueProblem } from './problem'

/** The sentence a person reads: what is wrong, and what would be right. */
export function wordProblem(problem: Problem): string {
  return (
    wordValue(problem as ValueProblem) ??
    wordRecord(problem as RecordProblem) ??
    wordPeople(problem as PeopleProblem) ??
    wordEdit(problem as EditProblem)
  )
}

function wordValue(problem: ValueProblem): string | undefined {
  switch (problem.kind) {
    case 'blank':
      return `${problem.field} must be filled.`
    case 'too-long':
      return `This is ${counted(problem.length, 'character')} long; at most ${problem.limit.toLocaleString('en-GB')} fit.`
    case 'odd-characters':
      return 'This has characters that can’t be seen. Type it instead of pasting.'
    case 'not-shaped':
      return `It is written as ${problem.shape}; such as ${problem.example}.`
    case 'check-digit':
      return 'A figure in it is mistyped: its check digit doesn’t fit. Compare it with the original.'
    case 'not-length':
      return `This must be exactly ${counted(problem.length, 'character')}; it has ${problem.found}.`
    case 'not-whole':
      return `“${short(problem.text)}” is not a whole number such as 12.`
    case 'not-number':
      return `“${short(problem.text)}” is not a number such as ${problem.example}.`
    case 'too-many-decimals':
      return problem.decimals === 0
        ? 'Only whole numbers fit here.'
        : `At most ${counted(problem.decimals, 'decimal')} ${problem.decimals === 1 ? 'fits' : 'fit'} here.`
    case 'too-many-digits':
      return `At most ${counted(problem.digits, 'digit')} fit before the decimal point.`
    case 'below':
      return `This must be ${problem.least} or more.`
    case 'above':
      return `This must be ${problem.most} or less.`
    case 'not-date':
      return `“${short(problem.text)}” is not a date such as ${problem.example}.`
    case 'no-such-day':
      return problem.month
        ? `There is no “${short(problem.text)}”: ${problem.month} ends on the ${problem.last}${problem.last === 31 ? 'st' : 'th'}.`
        : `There is no such day as “${short(problem.text)}”.`
    case 'not-time':
      return `“${short(problem.text)}” is not a time such as 09:30.`
    case 'not-date-time':
      return `“${short(problem.text)}” is not a date and time such as ${problem.example}.`
    case 'not-tick':
      return `“${short(problem.text)}” is neither yes nor no.`
    case 'not-choice':
      return `“${short(problem.text)}” is not one of the choices: ${listed(problem.choices.slice(0, 8), 'or')}${problem.choices.length > 8 ? ' and more' : ''}.`
    case 'not-mark':
      return `“${short(problem.text)}” is not a mark from 1 to ${problem.scale}.`
    case 'not-email':
      return `“${short(problem.text)}” is not an e-mail address such as office@firm.example.`
    case 'not-phone':
      return `“${short(problem.text)}” is not a phone number such as 01555 0142.`
    case 'not-web':
      return `“${short(problem.text)}” is not a web address such as https://firm.example.`
    case 'given-by-book':
      return `The book gives ${inSentence(problem.field)}; it can’t be typed.`
    case 'in-own-words':
      return problem.words
  }
}

function wordRecord(problem: RecordProblem): string | undefined {
  switch (problem.kind) {
    case 'taken':
      return problem.fields.length === 1
        ? `Another ${inSentence(problem.table)} already has ${problem.value ? `“${short(problem.value)}”` : 'this'} as its ${problem.fields[0]}; it must be different for each.`
        : `Another ${inSentence(problem.table)} already has the same ${listed(problem.fields)}. At least one of them must be different.`
    case 'linked-already':
      return problem.to.length === 1
        ? `This ${inSentence(problem.to[0]!)} already has ${aOrAn(inSentence(problem.table))}.`
        : `This ${inSentence(problem.to[1]!)} is already on this ${inSentence(problem.to[0]!)}.`
    case 'no-such-record':
      return `This ${inSentence(problem.table)} is no longer there. Somebody may have removed it.`
    case 'dead-link':
      return `The ${inSentence(problem.table)} chosen for ${problem.field} is no longer there. Choose another.`
    case 'needs-one':
      return `${capital(aOrAn(inSentence(problem.table)))} needs at least one ${inSentence(problem.child)}. Add it below.`
    case 'left-without':
      return `${problem.table} ${short(problem.record)} would be left without ${aOrAn(inSentence(problem.child))}, and it needs at least one. Give it another first.`
    case 'twice':
      return `“${short(problem.value)}” is listed twice under ${plural(problem.child)}. Remove one of them.`
    case 'in-use':
      if (problem.by.length === 0)
        return `This ${inSentence(problem.table)} is still used by other records. Remove or change those first.`
      return `This ${inSentence(problem.table)} is still used by ${listed(problem.by.map((use) => counted(use.count, inSentence(use.table))))}. Remove or change those first.`
    case 'changed-meanwhile':
      return `${problem.by} changed this record while you were typing. Choose what to keep.`
    case 'database-refused':
      return 'The database did not accept this record. Nothing was changed; check the values and save again.'
    case 'asks-too-much':
      return `This takes longer than ${counted(problem.seconds, 'second')}, and was stopped so that others can go on. Ask for less: a narrower condition, or fewer letters to find.`
    case 'condition-too-heavy':
      return `This condition looks at more than ${problem.most} values of other records. Remove some parts of it.`
    case 'busy':
      return 'Too much is being looked up just now. Try again in a moment.'
    case 'save-too-big':
      return `This is more than the ${problem.megabytes} MB that can be saved at once. Save part of the rows first, then add the others.`
    case 'file-too-big':
      return `The file is larger than the ${problem.megabytes} MB that fit here. Choose a smaller one.`
    case 'file-not-picture':
      return `“${short(problem.name)}” is not a picture (PNG, JPEG, WebP or GIF).`
    case 'file-empty':
      return `“${short(problem.name)}” is empty: there is nothing in the file. Choose another one.`
    case 'no-such-file':
      return 'The file did not arrive whole. Choose it again.'
    case 'not-open':
      return `${problem.book} has not been opened yet. Open it in the Workshop first.`
    case 'form-outdated':
      return `The book was opened with a changed design meanwhile, and ${inSentence(problem.table)} has no place for something you typed here. Note it down, load the page again, and enter it in its new place.`
    case 'being-opened':
      return `${problem.book} is being opened with a changed design just now. Nothing you typed is lost; try again in a moment.`
    case 'disk-full':
      return `The disk on which Hearth Table keeps its records is nearly full: ${problem.free} MB are free, and ${problem.least} MB must stay so. Nothing can be saved until there is room again. What you typed is still here; tell whoever looks after this computer.`
    case 'not-allowed':
      return 'Your sign-in does not allow this. Ask the administrator of this book.'
  }
}

function wordPeople(problem: PeopleProblem): string | undefined {
  switch (problem.kind) {
    case 'wrong-sign-in':
      return 'Name and password don’t go together. Try again.'
    case 'wait':
      return `Too many wrong tries. Wait ${counted(problem.seconds, 'second')}, then try again.`
    case 'password-short':
      return `A password has at least ${problem.least} characters. A short sentence is easy to remember.`
    case 'password-long':
      return `A password has at most ${problem.most} characters.`
    case 'password-common':
      return 'This password is among the first that are guessed. Take a short sentence that only you would write.'
    case 'wrong-password':
      return 'That is not the password you have now. Nothing was changed.'
    case 'own-account':
      return 'This is your own account. Change your password from the menu at the top right; to be removed, ask another administrator.'
    case 'account-gone':
      return 'That account has been removed already.'
    case 'not-yours-to-manage':
      return `${problem.name} also works in a book that you don’t administer, or may make books and you may not. Ask an administrator there.`
    case 'account-name':
      return `A name has 1 to ${problem.limit} characters.`
    case 'account-taken':
      return `There is already a sign-in called “${problem.name}”. Choose another name.`
    case 'already-started':
      return 'Hearth Table has been started already. Sign in instead.'
    case 'last-administrator':
      return 'A book needs at least one administrator. Make somebody else one first.'
    case 'signed-out':
      return 'You have been signed out. Sign in in another tab, then try again here; nothing you typed is lost.'
    case 'no-answer':
      return 'Hearth Table doesn’t answer. See that this computer is connected, look whether it was done all the same, and try again.'
    case 'unexpected':
      return 'Something went wrong on our side. What you typed is still here; try again in a moment.'
  }
}

function wordEdit(problem: EditProblem): string {
  switch (problem.kind) {
    case 'gone':
      return `That ${problem.what} is no longer in the book.`
    case 'name-blank':
      return `Give the ${problem.what} a name.`
    case 'name-too-long':
      return `The name of ${aOrAn(problem.what)} has at most ${problem.limit} characters.`
    case 'name-taken':
      return `There is already ${aOrAn(problem.what)} called “${problem.name}”${problem.within ? ` in ${problem.within}` : ''}. Choose another name.`
    case 'not-plain':
      return `${problem.table} only joins others or lists words, and can’t be brought together with another table.`
    case 'list-holds-facts':
      return `${problem.table} holds more than words, or nothing uses it, and can’t become the choices of a field.`
    case 'key-stays':
      return `${problem.field} is the key and stays where it is. Choose other fields, or another key first.`
    case 'too-many':
      return `A book holds at most ${counted(problem.limit, problem.what)} here.`
    case 'stale':
      return `${problem.what} has changed since.`
    case 'nothing-to-change':
      return 'There is nothing to change.'
    case 'setting-out-of-range':
      return `${problem.setting} goes from ${problem.least} to ${problem.most}.`
    case 'bounds-crossed':
      return `Nothing can be at least ${problem.least} and at most ${problem.most}.`
    case 'choice-blank':
      return 'A choice can’t be empty.'
    case 'choice-twice':
      return `“${problem.choice}” is there twice.`
    case 'setting-not-value':
      return `${problem.setting}: ${wordProblem(problem.because)}`
    case 'not-as-key':
      return `${problem.field} can’t be part of the key: ${problem.because}.`
    case 'rule-without-words':
      return 'Write down what staff should read when the rule refuses.'
    case 'not-live-name':
      return `“${problem.name}” can’t be a name in the database, because ${problem.because}.`
    case 'link-needs-key':
      return `Give ${problem.table} a key first; links point to it.`
    case 'link-by-pairing':
      return 'A link comes from a pairing: answer its two questions in Pairings.'
    case 'key-holds-links':
      return `Other tables link to the key of ${problem.table} (${listed(problem.links)}). Remove those links first.`
    case 'joining-holds-facts':
      return `${problem.table} has fields of its own (${listed(problem.fields)}). Remove the table yourself if they may go.`
    case 'joining-linked':
      return `${listed(problem.by)} links to ${problem.table}. Remove that link first.`
    case 'must-cannot-leave':
      return `${problem.field} must be filled, so records can’t be left without it. Keep the record, or remove them too.`
    case 'nothing-to-undo':
      return 'There is nothing of yours to undo.'
    case 'nothing-to-redo':
      return 'There is nothing to redo.'
    case 'clash':
      return `${problem.by} made another change first: “${problem.did}”. Yours was not made; look at it and decide.`
    case 'not-a-book':
      return 'This is not a record book that can be read.'
  }
}

const short = (text: string) => (text.length > 40 ? `${text.slice(0, 39)}…` : text)
