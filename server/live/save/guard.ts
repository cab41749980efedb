import type { Link } from '@/core/book'
import type { RowChange } from './holding'

/** A change that was asked for, and where it stands in what was sent: "" for the record itself, "link/0" for a row. */
export interface PlacedChange extends RowChange {
  readonly place: string
}

/** The rows that go, or lose their link, because a record does: by a statement that selects them. */
export interface Following {
  readonly link: Link
  readonly fate: 'remove' | 'leave'
  readonly rows: string
  readonly params: readonly string[]
}

/**
 * Something that every change of records keeps. What it refuses it throws, which takes everything back: `RowRefused`
 * for the row in hand, `SaveRefused` for what is sent as a whole.
 */
export interface Guard {
  /** Whether it has anything to ask of single rows of a table; of those of every table where it doesn't say. */
  readonly concerns?: (table: string) => boolean
  /** Before anything is written. */
  readonly begin?: (changes: readonly PlacedChange[]) => Promise<void>
  /** Before one row is added, changed or removed, once those that follow it are known. */
  readonly before?: (change: PlacedChange) => Promise<void>
  readonly following?: (rows: Following) => Promise<void>
  /** After one row was added or changed, by what it goes by now. */
  readonly after?: (change: PlacedChange, ref: string) => Promise<void>
  /** When everything is written. */
  readonly end?: () => Promise<void>
}

/** Several guards as one, each in its turn. */
export class Guards {
  constructor(
    private readonly all: readonly Guard[],
    /** Where a written row stands in what was sent, by "table reference". */
    readonly places: Map<string, string>,
  ) {}

  private readonly ofTable = new Map<string, readonly Guard[]>()

  private concerned(table: string): readonly Guard[] {
    const known = this.ofTable.get(table)
    if (known) return known
    const found = this.all.filter((guard) => guard.concerns?.(table) ?? true)
    this.ofTable.set(table, found)
    return found
  }

  begin = async (changes: readonly PlacedChange[]) => {
    for (const guard of this.all) await guard.begin?.(changes)
  }

  before = async (change: PlacedChange) => {
    for (const guard of this.concerned(change.table)) if (guard.before) await guard.before(change)
  }

  following = async (rows: Following) => {
    for (const guard of this.all) await guard.following?.(rows)
  }

  after = async (change: PlacedChange, ref: string) => {
    this.places.set(`${change.table} ${ref}`, change.place)
    for (const guard of this.concerned(change.table)) if (guard.after) await guard.after(change, ref)
  }

  /** The last guard only asks: what is read back needn't wait for it. */
  end = async <T>(readBack: () => Promise<T>): Promise<T> => {
    for (const guard of this.all.slice(0, -1)) await guard.end?.()
    const reading = readBack()
    // Both come to their end before either's failure is thrown: the connection is needed afterwards.
    await Promise.allSettled([this.all.at(-1)?.end?.(), reading]).then(([asked]) => {
      if (asked.status === 'rejected') throw asked.reason
    })
    return reading
  }
}
