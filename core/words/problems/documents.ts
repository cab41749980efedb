/** What can be wrong with a document. */
export const documentProblems = {
  'document-too-long': ({ what, most }: { readonly what: string; readonly most: number }) =>
    `A document has at most ${most.toLocaleString('en-GB')} ${what}. Take some out, or make it two documents.`,
  'document-rows-way': () => 'These rows no longer belong to the record. Take them out, or choose others.',
  'document-along': ({ column }: { readonly column: string }) =>
    `${column} is told among all others, and a document is of one record alone. Take it out.`,
  'document-labels': ({ what }: { readonly what: 'beyond' | 'over' }) =>
    what === 'beyond'
      ? 'So many labels don’t lie on this paper. Measure the sheet again, or choose another paper.'
      : 'The labels lie on each other: from one to the next is less than a label is wide or high. Measure them again.',
  'document-number-taken': () =>
    'The next number was handed out already, when numbers were written otherwise. Let them begin with something else.',
  'document-nobody': ({ name }: { readonly name: string }) =>
    `There is no record to write ${name} for. Choose others, or change the list.`,
}
