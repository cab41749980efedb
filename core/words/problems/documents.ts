import { listed } from '../english'

/** What can be wrong with a document. */
export const documentProblems = {
  'form-too-long': ({ most }: { readonly most: number }) =>
    `A form holds ${most} parts. Take some out, or make two forms.`,
  'no-condition-said': () => 'Write what must be so.',
  'condition-no-truth': () => 'A condition is something that is true or not, such as a comparison.',
  'condition-of-rows-elsewhere': () =>
    'It counts rows that aren’t typed on this form. Make a field of the table from them, and ask for that.',
  'condition-of-itself': ({ part }: { readonly part: string }) =>
    `${part} can’t depend on what is in ${part} itself. Ask for something else.`,
  'condition-circle': ({ parts }: { readonly parts: readonly string[] }) =>
    `${listed(parts)} show only because of each other, so none of them ever would. Let one of them always show.`,
  'condition-hides-must': ({ part, noun }: { readonly part: string; readonly noun: string }) =>
    `${part} must be filled, so it can’t be out of sight: a new ${noun} would be refused for it. Let it always show, or let it start with something.`,
  'condition-closes-must': ({ part, noun }: { readonly part: string; readonly noun: string }) =>
    `${part} must be filled, so somebody must be able to: no new ${noun} could be saved. Let it start with something.`,
  'condition-hides-rule': ({ part, rule }: { readonly part: string; readonly rule: string }) =>
    `The rule “${rule}” can refuse a record while ${part} is out of sight. Let ${part} show whenever the rule asks for it.`,
  'condition-closes-rule': ({ part, rule }: { readonly part: string; readonly rule: string }) =>
    `The rule “${rule}” can ask for ${part} while it is only read. Let it be typed whenever the rule asks for it.`,
  'document-too-long': ({ most }: { readonly most: number }) =>
    `A document has at most ${most.toLocaleString('en-GB')} parts. Take some out, or make it two documents.`,
  'document-rows-many': ({ most, records }: { readonly most: number; readonly records: number }) =>
    `The documents of ${records} records would have more than ${most.toLocaleString('en-GB')} rows. Ask for fewer of them with a condition.`,
  'documents-many': ({ most, what }: { readonly most: number; readonly what: 'written' | 'handed out' | 'sent' }) =>
    `At most ${most.toLocaleString('en-GB')} are ${what} at a time. Choose fewer records.`,
  'document-rows-way': () => 'These rows no longer belong to the record. Take them out, or choose others.',
  'document-along': ({ column }: { readonly column: string }) =>
    `${column} is told among all others, and a document is of one record alone. Take it out.`,
  'document-labels': ({ what }: { readonly what: 'beyond' | 'over' }) =>
    what === 'beyond'
      ? 'So many labels don’t lie on this paper. Measure the sheet again, or choose another paper.'
      : 'The labels lie on each other: from one to the next is less than a label is wide or high. Measure them again.',
  'document-number-taken': () =>
    'The next number was handed out already, when numbers were written otherwise. Let them begin with something else.',
  'document-notes-gone': ({ table }: { readonly table: string }) =>
    `When it is handed out is noted in a field that ${table} no longer has. Choose another at “The document”.`,
  'document-note-refused': ({ record, words }: { readonly record: string; readonly words: string }) =>
    `Nothing was handed out: the day can’t be noted on ${record}. ${words}`,
  'tray-full': ({ most }: { readonly most: number }) =>
    `There are ${most} files in your tray already. Take one out first.`,
  'tray-stopped': () => 'This was cut short: the program or its database was stopped. Lay it again.',
  'tray-file-large': ({ megabytes }: { readonly megabytes: number }) =>
    `It would be larger than ${megabytes.toLocaleString('en-GB')} MB. Ask for fewer records with a condition.`,
  'mail-none': ({ name }: { readonly name: string }) =>
    `None of these records has an e-mail address to send ${name} to. Fill it in first, or print ${name}.`,
  'mail-nowhere': () => 'Nothing that this document is for has an e-mail address. Add such a field to a table first.',
  'mail-meanwhile': ({ many }: { readonly many: number }) =>
    `Somebody sent it meanwhile to ${many === 1 ? 'one' : many} of these. Nothing was sent now: look again who is left.`,
  'mail-gone': () => 'This e-mail is no longer there, or was sent meanwhile.',
  'document-nobody': ({ name }: { readonly name: string }) =>
    `There is no record to write ${name} for. Choose others, or change the list.`,
}
