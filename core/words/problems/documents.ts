/** What can be wrong with a document. */
export const documentProblems = {
  'document-too-long': ({ what, most }: { readonly what: string; readonly most: number }) =>
    `A document has at most ${most.toLocaleString('en-GB')} ${what}. Take some out, or make it two documents.`,
  'document-part-wrong': ({ what, words }: { readonly what: string; readonly words: string }) => `${what}: ${words}`,
  'document-rows-way': () => 'These rows no longer belong to the record. Take them out, or choose others.',
  'document-nobody': ({ name }: { readonly name: string }) =>
    `There is no record to write ${name} for. Choose others, or change the list.`,
}
