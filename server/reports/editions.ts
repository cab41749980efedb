import type { Measures, Page } from '@/core/reports'
import type { Problem } from '@/core/words'
import { newId } from '../ids'
import { log } from '../log'
import { heavyProblem, isOfAnotherShape } from '../live'
import { PageFile } from './page-file'
import type { Pictures } from './pictures'
import { BeingOpened, NotLaid, type Work } from './work'

interface Edition {
  readonly id: string
  readonly account: string
  readonly book: string
  /** Where it is looked at: what is laid there next comes in its place. */
  readonly view: string
  readonly work: Work<unknown>
  readonly file: PageFile
  readonly began: number
  measures?: Measures
  laid?: unknown
  problem?: Problem
  stop: () => void
  done: Promise<void>
  /** How many wait for it elsewhere; it goes when nobody does, and nobody looks at it. */
  holds: number
  isLeft: boolean
}

/** How far an edition is. */
export interface EditionNow<Found = unknown> {
  readonly id: string
  readonly pages: number
  readonly title: string
  readonly sheet: Measures['page'] | undefined
  /** What came of it, when all of it is laid. */
  readonly laid: Found | undefined
  readonly problem: Problem | undefined
}

/** So many of one person wait, and so many of all; the oldest go first. None waits longer than some hours. */
const mostOfOne = 6
const mostOfAll = 60
const keptFor = 4 * 3_600_000
/** So many are laid at once: other questions need connections too. */
const laidAtOnce = 2

// Next keeps several copies of a module; this is shared by all.
const held = globalThis as { hearthEditions?: Map<string, Edition>; hearthLaying?: Set<Promise<unknown>> }
const beingLaid = (): Set<Promise<unknown>> => (held.hearthLaying ??= new Set())
const editions = (): Map<string, Edition> => (held.hearthEditions ??= new Map())

/** Begins to lay something on pages; they can be read as soon as they are full. */
export async function startEdition(
  book: string,
  account: string,
  workFor: (signal: AbortSignal) => Work<unknown>,
  view: string = newId(),
): Promise<EditionNow> {
  await makeRoom(account, view)
  const ending = new AbortController()
  const work = workFor(ending.signal)
  const file = await PageFile.make()
  const edition: Edition = {
    id: newId(),
    account,
    book,
    view,
    work,
    file,
    began: Date.now(),
    stop: () => ending.abort(),
    done: Promise.resolve(),
    holds: 0,
    isLeft: false,
  }
  editions().set(edition.id, edition)
  edition.done = inTurn(ending.signal, () =>
    work.lay(
      (measures) => (edition.measures = measures),
      (pages) => {
        if (ending.signal.aborted) throw new Error('It was stopped.')
        return file.add(pages)
      },
    ),
  ).then(
    (laid) => void (edition.laid = laid),
    async (cause: unknown) => {
      const problem = await problemOf(cause, work).catch((): Problem => ({ kind: 'unexpected' }))
      if (problem.kind === 'unexpected' && !ending.signal.aborted) log.error({ cause }, 'pages could not be laid')
      edition.problem = problem
    },
  )
  return nowOf(edition)
}

/** That its book is being opened is said where it is so; a table that is missing otherwise is our own mistake. */
async function problemOf(cause: unknown, { book, isOpening }: Work<unknown>): Promise<Problem> {
  if (cause instanceof NotLaid) return cause.problem
  const isChanging = cause instanceof BeingOpened || (isOfAnotherShape(cause) && (await isOpening?.()))
  return isChanging ? { kind: 'being-opened', book } : (heavyProblem(cause) ?? { kind: 'unexpected' })
}

/** Waits until there are few enough before it; what is stopped while it waits is never begun. */
async function inTurn<T>(signal: AbortSignal, work: () => Promise<T>): Promise<T> {
  while (beingLaid().size >= laidAtOnce) await Promise.race(beingLaid())
  signal.throwIfAborted()
  const going = work()
  const ended = going.then(
    () => undefined,
    () => undefined,
  )
  beingLaid().add(ended)
  return going.finally(() => beingLaid().delete(ended))
}

async function makeRoom(account: string, view: string): Promise<void> {
  // What is held elsewhere stays, and takes nobody's place.
  const all = [...editions().values()].filter(({ isLeft }) => !isLeft).sort((a, b) => b.began - a.began)
  const own = all.filter((one) => one.account === account)
  const going = new Set([
    ...own.filter((one) => one.view === view),
    ...own.slice(mostOfOne - 1),
    ...all.slice(mostOfAll - 1),
    ...all.filter(({ began }) => Date.now() - began > keptFor),
  ])
  for (const one of going) await dropEdition(one.id, one.account)
}

/** Nobody looks there any more. */
export async function leaveView(account: string, view: string): Promise<void> {
  for (const one of [...editions().values()])
    if (one.account === account && one.view === view) await dropEdition(one.id, account)
}

/** What is no longer wanted is stopped, in the database too, and goes; what is held elsewhere stays until it isn't. */
export async function dropEdition(id: string, account: string): Promise<void> {
  const edition = find(id, account)
  if (!edition) return
  edition.isLeft = true
  if (edition.holds === 0) await drop(edition)
}

async function drop(edition: Edition): Promise<void> {
  editions().delete(edition.id)
  edition.stop()
  await edition.file.remove()
}

/** Somebody else's looks as if it weren't there. */
function find(id: string, account: string, book?: string): Edition | undefined {
  const edition = editions().get(id)
  return edition?.account === account && (book === undefined || edition.book === book) ? edition : undefined
}

const nowOf = ({ id, file, work, measures, laid, problem }: Edition): EditionNow => ({
  id,
  pages: file.count,
  title: work.title,
  sheet: measures?.page,
  laid,
  problem,
})

export function editionNow(id: string, account: string, book: string): EditionNow | undefined {
  const edition = find(id, account, book)
  return edition && nowOf(edition)
}

/** A page with its head and foot; of how many it is, as soon as that is known. */
async function wholePage({ file, measures, work, laid }: Edition, at: number): Promise<Page | undefined> {
  const page = await file.page(at)
  if (!page || !measures) return undefined
  const more = work.around?.(measures, at, laid === undefined ? undefined : file.count) ?? []
  return { ...page, items: [...page.items, ...more] }
}

export async function editionPage(id: string, account: string, book: string, at: number): Promise<Page | undefined> {
  const edition = find(id, account, book)
  return edition && wholePage(edition, at)
}

/** All pages of an edition, to be written to a file. */
export interface LaidEdition {
  readonly title: string
  readonly sheet: Measures['page']
  readonly began: Date
  readonly count: number
  readonly page: (at: number) => Promise<Page | undefined>
  readonly pictures: () => Promise<Pictures | undefined>
}

/** None before all of its pages are laid. */
export function laidEdition(id: string, account: string, book: string): LaidEdition | undefined {
  const edition = find(id, account, book)
  return edition && allOf(edition)
}

function allOf(edition: Edition): LaidEdition | undefined {
  const { work, measures, laid, file, began } = edition
  if (!measures || !laid) return undefined
  return {
    title: work.title,
    sheet: measures.page,
    began: new Date(began),
    count: file.count,
    page: (at) => wholePage(edition, at),
    pictures: () => work.pictures?.() ?? Promise.resolve(undefined),
  }
}

/** An edition that is held for somebody who doesn't wait for it where it is looked at. */
export interface HeldEdition {
  readonly title: string
  readonly now: () => EditionNow
  /** When it is laid, or can't be, or was stopped. */
  readonly done: Promise<void>
  readonly laid: () => LaidEdition | undefined
  /** It is wanted no longer. */
  readonly release: () => Promise<void>
}

/** From now on it is laid to its end, and stays, whoever leaves and whatever is laid there next. */
export function holdEdition(id: string, account: string, book: string): HeldEdition | undefined {
  const edition = find(id, account, book)
  if (!edition) return undefined
  edition.holds++
  const { work, done } = edition
  return {
    title: work.title,
    now: () => nowOf(edition),
    done,
    laid: () => allOf(edition),
    async release() {
      edition.holds--
      if (edition.isLeft && edition.holds === 0) await drop(edition)
    },
  }
}
