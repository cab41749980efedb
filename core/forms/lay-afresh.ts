import { type Book, formColumns, type FormGroup, type FormLines, type FormPart, type PlainPart } from '../book'
import { formLayout, inRows } from '../records'
import { leastSpan, withGap } from './line-room'
import { totalsPart } from './usual-lines'

/** How wide a value of a linked record is at first. */
const linkedSpan = 6

/**
 * The same parts as the program would lay them: as wide as their values need, as many to a line as have room. What was
 * set by hand stays: the order, groups and what is in them, labels and words, how rows are shown, what is left out.
 */
export function laidAfresh(book: Book, tableId: string, lines: FormLines): FormLines {
  const usual = new Map(
    formLayout(book, tableId)
      .rows.flat()
      .map(({ field, span }) => [field.id, span]),
  )
  const spanIn = (part: FormPart, columns: number): number => {
    const span = part.kind === 'field' ? (usual.get(part.id) ?? linkedSpan) : linkedSpan
    return Math.min(formColumns, Math.max(leastSpan[part.kind], Math.round((span * formColumns) / columns)))
  }
  /** Boxes that follow each other share lines; all else has one of its own. `columns` is how wide they all are together. */
  const flowed = <Part extends FormPart>(parts: readonly Part[], columns: number): Part[][] => {
    const all: Part[][] = []
    let run: Part[] = []
    const end = () => {
      all.push(...inRows(run))
      run = []
    }
    for (const part of parts) {
      if (part.kind === 'field' || part.kind === 'linked')
        run.push({ ...withGap(part, 0), span: spanIn(part, columns) })
      else {
        end()
        all.push([whole(part)])
      }
    }
    end()
    return all
  }
  const group = (part: FormGroup, span: number): FormGroup => ({
    ...withGap(part, 0),
    span,
    lines: flowed<PlainPart>(part.lines.flat(), span),
  })
  const laid: FormPart[][] = []
  let loose: FormPart[] = []
  const end = () => {
    laid.push(...flowed(loose, formColumns))
    loose = []
  }
  for (const line of lines) {
    if (line.every(({ kind }) => kind !== 'group')) {
      loose.push(...line)
      continue
    }
    end()
    // What stands beside a group was put there: it stays, as wide as it was.
    const isAlone = line.length === 1
    laid.push(line.map((part) => (part.kind === 'group' ? group(part, isAlone ? formColumns : part.span) : part)))
  }
  end()
  return laid
}

/** A part that has a line of its own. */
function whole<Part extends FormPart>(part: Part): Part {
  if (part.kind === 'totals') return { ...part, ...totalsPart(part.id, part.fields) }
  return { ...withGap(part, 0), span: formColumns }
}
