import type { Field } from '@/core/book'
import type { Look } from '@/core/kinds'

/** One record that can be chosen for a link. */
export interface LinkOption {
  readonly ref: string
  readonly label: string
  /** Beside others that are shown alike. */
  readonly number?: string
}

/** Where a link's control finds records; given by Records, absent where a control is only shown. */
export interface LinkSource {
  /** What the linked record is known by. */
  readonly label: string
  readonly noun: string
  /** Nothing where there was no answer. */
  readonly search: (words: string) => Promise<readonly LinkOption[] | undefined>
  readonly onPick: (option: LinkOption | undefined) => void
  /** Told when somebody leaves words behind that fit no record, or several; or when that couldn’t be asked. */
  readonly onMiss: (words: string, why: 'unfit' | 'no answer') => void
  /** Told of a record that is still being looked for when the box is left. */
  readonly onSettling?: (work: Promise<unknown>) => void
  /** Adds a record of the linked table without leaving; the words typed so far go along. */
  readonly onAdd?: (words: string) => void
  readonly href?: string
}

export interface FileSource {
  readonly href: string
  readonly thumbnail: string
  readonly send: (file: File) => Promise<void>
  readonly busy: boolean
  readonly name?: string
}

/** What every field's control takes: the typed text in, the typed text out. */
export interface ControlProps {
  readonly id: string
  readonly field: Field
  readonly look: Look
  readonly text: string
  readonly onText: (text: string) => void
  readonly onBlur?: () => void
  readonly invalid?: boolean
  readonly readOnly?: boolean
  /** Inside a grid: no frame until it is pointed at. */
  readonly compact?: boolean
  /** How many lines a passage or a picture is high, where it isn't as high as usual. */
  readonly tall?: number
  /** For a control without a label of its own beside it. */
  readonly name?: string
  readonly link?: LinkSource
  readonly file?: FileSource
}

/** The attributes that tie a control to the note below it. */
export const noteFor = ({ id, invalid, name }: ControlProps) => ({
  'aria-describedby': invalid ? `${id}-note` : undefined,
  'aria-label': name,
})
