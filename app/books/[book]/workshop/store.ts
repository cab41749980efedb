import { type Book, type Edit, firstSets, make, type Step } from '@/core/book'
import { ok, type Problem, type Result } from '@/core/words'
import type { Standing } from './actions'

export interface BookState {
  /** The book with every edit made here, saved or on its way. */
  readonly book: Book
  readonly revision: number
  readonly waiting: number
  /** Set while saving fails for want of a connection. */
  readonly cutOff: boolean
}

export interface Ways {
  readonly save: (message: {
    edit: Edit
    seen: { id: string; key: string; from: never }[]
    base: number
  }) => Promise<Result<Standing>>
  readonly undo: () => Promise<Result<Standing>>
  readonly redo: () => Promise<Result<Standing>>
  readonly back: (revision: number) => Promise<Result<Standing>>
  readonly refused: (problem: Problem) => void
  readonly said: (words: string) => void
}

interface Pending {
  readonly edit: Edit
  readonly steps: readonly Step[]
}

/**
 * The book in the browser. An edit shows at once and goes to the server in order, one after another;
 * what comes back is the truth, and edits still on their way are made again on top of it.
 */
export class BookStore {
  private confirmed: Book
  private pending: Pending[] = []
  private sending = false
  private listeners = new Set<() => void>()
  private state: BookState

  constructor(
    book: Book,
    private revision: number,
    private readonly ways: Ways,
  ) {
    this.confirmed = book
    this.state = { book, revision, waiting: 0, cutOff: false }
  }

  subscribe = (listener: () => void) => {
    this.listeners.add(listener)
    return () => void this.listeners.delete(listener)
  }

  snapshot = () => this.state

  /** Makes an edit, or says why not. Nothing is sent that can't be made here. */
  edit = (edit: Edit): Result<Book> => {
    const made = make(this.state.book, edit)
    if (!made.ok) return made
    this.pending.push({ edit, steps: made.value.steps })
    this.show(made.value.book)
    void this.send()
    return ok(made.value.book)
  }

  undo = () => this.after(this.ways.undo, (say) => `Undone: ${say}`)
  redo = () => this.after(this.ways.redo, (say) => `Done again: ${say}`)
  backTo = (revision: number) =>
    this.after(
      () => this.ways.back(revision),
      () => 'The book is back as it was.',
    )

  /** A newer book that somebody else's edits made. */
  receive(book: Book, revision: number): void {
    if (revision <= this.revision || this.sending) return
    this.stand(book, revision)
  }

  private async after(way: () => Promise<Result<Standing>>, words: (say: string) => string): Promise<void> {
    await this.send()
    const result = await way().catch(() => undefined)
    if (!result) return this.show(this.state.book, true)
    if (!result.ok) return this.ways.refused(result.problem)
    if (result.value.book) this.stand(result.value.book, result.value.revision)
    this.ways.said(words(result.value.say ?? ''))
  }

  private async send(): Promise<void> {
    if (this.sending) return
    this.sending = true
    while (this.pending.length > 0) {
      const { edit, steps } = this.pending[0]!
      const seen = firstSets(steps).map(({ id, key, from }) => ({ id, key, from: from as never }))
      const result = await this.ways.save({ edit, seen, base: this.revision }).catch(() => undefined)
      if (!result || (!result.ok && ['signed-out', 'unexpected', 'disk-full'].includes(result.problem.kind))) {
        if (result && !result.ok) this.ways.refused(result.problem)
        this.show(this.state.book, true)
        await new Promise((done) => setTimeout(done, 3000))
        continue
      }
      this.pending.shift()
      if (!result.ok) {
        this.ways.refused(result.problem)
        this.stand(this.confirmed, this.revision)
        continue
      }
      const made = make(this.confirmed, edit)
      this.stand(result.value.book ?? (made.ok ? made.value.book : this.confirmed), result.value.revision)
    }
    this.sending = false
  }

  /** Takes what the server holds as the truth and makes the waiting edits again on it. */
  private stand(book: Book, revision: number): void {
    this.confirmed = book
    this.revision = revision
    let shown = book
    this.pending = this.pending.flatMap((pending) => {
      const made = make(shown, pending.edit)
      if (!made.ok) {
        this.ways.refused(made.problem)
        return []
      }
      shown = made.value.book
      return [{ edit: pending.edit, steps: made.value.steps }]
    })
    this.show(shown)
  }

  private show(book: Book, cutOff = false): void {
    this.state = { book, revision: this.revision, waiting: this.pending.length, cutOff }
    this.listeners.forEach((listener) => listener())
  }
}
