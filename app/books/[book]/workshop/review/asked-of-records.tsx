'use client'

import type { Book } from '@/core/book'
import { type Path, pathsBetween, sayPath } from '@/core/pairings'
import { type Proposals, unplaced } from '@/core/needs'
import { listed } from '@/core/words'
import { Note, WordButton } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'
import { AnsweredBy } from './answered-by'

/** The questions that the records must answer, each with the way between the tables it takes. */
export function AskedOfRecords({ proposals }: { readonly proposals: Proposals }) {
  const { book } = useWorkshop()
  const { reading } = proposals
  const { questions } = reading
  if (questions.length === 0) return null
  const tableId = (name: string) => {
    const wanted = name.toLowerCase()
    const own = book.tables.find((table) => table.name.toLowerCase() === wanted)
    // "Which model" means the Appliance model, where there is no other.
    const longer = book.tables.filter((table) => table.name.toLowerCase().endsWith(` ${wanted}`))
    return (own ?? (longer.length === 1 ? longer[0] : undefined))?.id
  }
  return (
    <section aria-labelledby="asked-head" className="mt-6">
      <h2 id="asked-head" className="mb-2 text-base">
        What the records must answer
      </h2>
      <div className="flex flex-col gap-2.5">
        {questions.map((question) => {
          const missing = question.tables.filter((name) => !tableId(name))
          const [from, to] = question.tables.map(tableId)
          const paths = from && to ? pathsBetween(book, from, to, { detour: 1, atMost: 3 }) : []
          const lost = question.tables.length === 0 || missing.length > 0
          const within = (phrase: { start: number; end: number; need: number }) =>
            question.evidence.some(
              ({ need, start, end }) => need === phrase.need && phrase.start >= start && phrase.end <= end,
            )
          // A need that was just taken out may still be in what was read.
          const needs = [...new Set(question.evidence.map(({ need }) => need))].filter((at) => book.needs[at])
          const unknown = needs.flatMap((at) => unplaced(book, reading, at).filter(({ evidence }) => within(evidence)))
          const untied = !lost && to !== undefined && paths.length === 0
          return (
            <Note
              key={question.text}
              mark={
                lost || untied || unknown.length > 0 || (paths.length > 1 && !isChosen(book, question.text))
                  ? 'look'
                  : 'fine'
              }
              head={question.text}
            >
              {question.tables.length === 0 &&
                'The words name no table to answer it from. Say which records it is about.'}
              {missing.length > 0 && `The design has no ${missing.join(' and no ')} yet.`}
              {untied &&
                `Nothing links ${question.tables[0]} and ${question.tables[1]}, so it can’t be answered. Answer their pair.`}
              {unknown.length > 0 &&
                `Nothing in the design is called ${listed(unknown.map(({ words }) => `“${words}”`))}. `}
              {!lost &&
                unknown.length === 0 &&
                to === undefined &&
                `All that it names is in the design; it starts from ${book.tables.find(({ id }) => id === from)?.name ?? ''}.`}
              {paths.length === 1 && `Goes ${sayPath(book, paths[0]!)}.`}
              {paths.length > 1 && <Ways question={question.text} ways={paths.map((path) => sayPath(book, path))} />}
              <Answered question={question.text} missing={missing} from={from} to={to} paths={paths} />
            </Note>
          )
        })}
      </div>
    </section>
  )
}

interface AnsweredProps {
  readonly question: string
  /** What it names and the design doesn't have. */
  readonly missing: readonly string[]
  readonly from: string | undefined
  readonly to: string | undefined
  readonly paths: readonly Path[]
}

function Answered({ question, missing, from, to, paths }: AnsweredProps) {
  const { book } = useWorkshop()
  if (!from || missing.length > 0 || (to !== undefined && paths.length === 0)) return null
  const links = to === undefined ? [] : chosenOf(book, question, paths)?.links
  return <AnsweredBy question={question} table={from} links={links} />
}

/** The only way, or the one that was said to be meant. */
function chosenOf(book: Book, question: string, paths: readonly Path[]): Path | undefined {
  const meant = book.dismissed.find((one) => one.what === wayOf(question))?.why
  return paths.length === 1 ? paths[0] : paths.find((path) => sayPath(book, path).slice(0, 300) === meant)
}

const isChosen = (book: Book, question: string) => book.dismissed.some((one) => one.what === wayOf(question))
const wayOf = (question: string) => `way/${question}`.slice(0, 300)

/** Where there is more than one way between two tables, the administrator says which one a question means. */
function Ways({ question, ways }: { readonly question: string; readonly ways: readonly string[] }) {
  const { book, edit } = useWorkshop()
  const what = wayOf(question)
  const meant = book.dismissed.find((one) => one.what === what)?.why
  const chosen = ways.find((way) => way.slice(0, 300) === meant)
  if (chosen)
    return (
      <p>
        Goes {chosen}.{' '}
        <WordButton
          onClick={() => edit({ kind: 'wantAgain', what, name: `which way “${question}” goes`.slice(0, 300) })}
        >
          Choose another way
        </WordButton>
      </p>
    )
  return (
    <>
      <p>There are {ways.length} ways to it. Which one is meant?</p>
      <ul>
        {ways.map((way) => (
          <li key={way}>
            <WordButton
              onClick={() =>
                edit({
                  kind: 'dismiss',
                  id: freshId(),
                  what,
                  name: `other ways of “${question}”`.slice(0, 300),
                  why: way.slice(0, 300),
                })
              }
            >
              It goes {way}
            </WordButton>
          </li>
        ))}
      </ul>
    </>
  )
}
