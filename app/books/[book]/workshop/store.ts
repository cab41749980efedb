import { apply, applyEdit, type Book, type Edit, firstSets, type Step } from '@/core/book'
import { ok, type Problem, type Result } from '@/core/words'
import type { EditReply } from './actions'
import type { ChangeSince } from './change-since'

export interface BookState {
  /** The book with every edit made here, saved or on its way. */
  readonly book: Book
  readonly revision: number
  readonly waiting: number
  /** Set while saving fails for want of a connection. */
  readonly cutOff: boolean
}

/** What a message was built on: the revision that the browser has. */
interface Based {
  readonly base: number
}

export interface BookApi {
  readonly save: (message: {
    edit: Edit
    seen: { id: string; key: string; from: never }[]
    base: number
  }) => Promise<Result<EditReply>>
  readonly undo: (message: Based) => Promise<Result<EditReply>>
  readonly redo: (message: Based) => Promise<Result<EditReply>>
  readonly back: (message: Based & { readonly revision: number }) => Promise<Result<EditReply>>
  /** The newest book, whole. */
  readonly whole: () => Promise<{ readonly revision: number; readonly book: Book }>
  readonly refused: (problem: Problem) => void
  readonly said: (words: string) => void
}

interface Pending {
  readonly kind: 'edit'
  readonly edit: Edit
  readonly steps: readonly Step[]
}

/** Undo, redo or going back: it has its place among the edits, and is made when all before it have been. */
interface Turn {
  readonly kind: 'turn'
  readonly way: () => Promise<Result<EditReply>>
  readonly words: (say: string) => string
  /** How many edits had been refused when it was asked for. */
  readonly refusals: number
  readonly done: () => void
}

/**
 * The book in the browser. An edit shows at once and goes to the server in order, one after another;
 * what comes back is the truth, and edits still on their way are made again on top of it.
 */
export class BookStore {
  private confirmed: Book
  private queue: (Pending | Turn)[] = []
  private sending = false
  private refusals = 0
  private listeners = new Set<() => void>()
  private state: BookState

  constructor(
    book: Book,
    private revision: number,
    private readonly ways: BookApi,
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
    const made = applyEdit(this.state.book, edit)
    if (!made.ok) return made
    this.queue.push({ kind: 'edit', edit, steps: made.value.steps })
    this.show(made.value.book)
    void this.send()
    return ok(made.value.book)
  }

  undo = () =>
    this.after(
      () => this.ways.undo(this.at()),
      (say) => `Undone: ${say}`,
    )
  redo = () =>
    this.after(
      () => this.ways.redo(this.at()),
      (say) => `Redone: ${say}`,
    )
  backTo = (revision: number) =>
    this.after(
      () => this.ways.back({ ...this.at(), revision }),
      () => 'The book is back as it was.',
    )

  private at = (): Based => ({ base: this.revision })

  /** What somebody else's edits changed since the revision `base`. */
  async receive(change: ChangeSince, base: number, revision: number): Promise<void> {
    if (base !== this.revision || revision <= base || this.sending) return
    await this.follow(change, revision)
  }

  /** Takes a change of what the server holds; the whole book where the steps don't fit what is here. */
  private async follow(change: ChangeSince, revision: number): Promise<void> {
    const after = 'book' in change ? ok(change.book) : apply(this.confirmed, change.steps)
    if (after.ok) return this.stand(after.value, revision)
    const whole = await this.ways.whole().catch(() => undefined)
    // Without a connection the next answer tells again what changed since the revision that is here.
    // Meanwhile something newer may have come.
    if (whole && whole.revision > this.revision) this.stand(whole.book, whole.revision)
  }

  private after(way: Turn['way'], words: Turn['words']): Promise<void> {
    return new Promise((done) => {
      this.queue.push({ kind: 'turn', way, words, refusals: this.refusals, done })
      void this.send()
    })
  }

  /** One after another, in the order in which they were made; only what is through leaves the queue. */
  private async send(): Promise<void> {
    if (this.sending) return
    this.sending = true
    for (let next = this.queue[0]; next; next = this.queue[0]) {
      if (next.kind === 'edit') await this.sendEdit(next)
      else await this.takeTurn(next)
    }
    this.sending = false
  }

  private async takeTurn({ way, words, refusals, done }: Turn): Promise<void> {
    // What was to be taken back was refused meanwhile: what was made before it isn't meant.
    const result = refusals === this.refusals ? await way().catch(() => undefined) : ok({} as EditReply)
    this.queue.shift()
    if (!result) this.show(this.state.book, true)
    else if (!result.ok) this.ways.refused(result.problem)
    else if (refusals === this.refusals) {
      if (result.value.change) await this.follow(result.value.change, result.value.revision)
      this.ways.said(words(result.value.say ?? ''))
    }
    done()
  }

  private async sendEdit({ edit, steps }: Pending): Promise<void> {
    const seen = firstSets(steps).map(({ id, key, from }) => ({ id, key, from: from as never }))
    const result = await this.ways.save({ edit, seen, base: this.revision }).catch(() => undefined)
    if (!result || (!result.ok && ['signed-out', 'unexpected', 'disk-full'].includes(result.problem.kind))) {
      if (result && !result.ok) this.ways.refused(result.problem)
      this.show(this.state.book, true)
      return new Promise((done) => setTimeout(done, 3000))
    }
    this.queue.shift()
    if (!result.ok) {
      this.refuse(result.problem)
      return this.stand(this.confirmed, this.revision)
    }
    const { revision, change } = result.value
    if (change) return this.follow(change, revision)
    const made = applyEdit(this.confirmed, edit)
    return made.ok ? this.stand(made.value.book, revision) : this.follow({ steps }, revision)
  }

  private refuse(problem: Problem): void {
    this.refusals++
    this.ways.refused(problem)
  }

  /** Takes what the server holds as the truth and makes the waiting edits again on it. */
  private stand(book: Book, revision: number): void {
    this.confirmed = book
    this.revision = revision
    let shown = book
    this.queue = this.queue.flatMap((waiting): (Pending | Turn)[] => {
      if (waiting.kind === 'turn') return [waiting]
      const made = applyEdit(shown, waiting.edit)
      if (!made.ok) {
        this.refuse(made.problem)
        return []
      }
      shown = made.value.book
      return [{ ...waiting, steps: made.value.steps }]
    })
    this.show(shown)
  }

  private show(book: Book, cutOff = false): void {
    this.state = { book, revision: this.revision, waiting: this.queue.length, cutOff }
    this.listeners.forEach((listener) => listener())
  }
}
