import { catalogues, wordProblem } from '@/core/words'
import { samples } from './problems'

const heads: Record<keyof typeof catalogues, string> = {
  values: 'Values',
  records: 'Records',
  people: 'People',
  edits: 'Edits of a design',
  expressions: 'Expressions',
  rules: 'Rules',
  openings: 'Opening a book',
  lists: 'Lists',
  documents: 'Documents',
}

/** Every problem with its sentence, by an example of each, as a page of Markdown. */
export function problemsPage(): string {
  const cell = (text: string) => text.replaceAll('|', '\\|')
  const parts = Object.entries(catalogues).map(([name, catalogue]) => {
    const rows = Object.keys(catalogue).map(
      (kind) => `| \`${kind}\` | ${cell(wordProblem(samples[kind as keyof typeof samples]))} |`,
    )
    return [`## ${heads[name as keyof typeof heads]}`, '', '| problem | what is read |', '| --- | --- |', ...rows].join(
      '\n',
    )
  })
  return `# Problems

What can be wrong with what somebody typed or asked for, and the sentence that is read then, with an example's facts in
it. Each is an entry of a catalogue in \`core/words/problems\`. This page is made from them: \`npm run problems\`.

${parts.join('\n\n')}
`
}
