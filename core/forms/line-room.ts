import { formColumns, type FormPart } from '../book'
import { nth } from '../words'

type Sized = Pick<FormPart, 'span' | 'gap'>

/** The fewest columns in which a part can still be used. */
export const leastSpan: Readonly<Record<FormPart['kind'], number>> = {
  field: 2,
  linked: 2,
  words: 2,
  line: 2,
  totals: 3,
  group: 4,
  rows: 6,
}

/** The columns that a line takes, those left empty between its parts too. */
export const columnsOf = (line: readonly Sized[]): number =>
  line.reduce((sum, { span, gap = 0 }) => sum + span + gap, 0)

/** Whether parts have room beside each other when each is as narrow as it can be. */
export const canShare = (line: readonly Pick<FormPart, 'kind'>[]): boolean =>
  line.reduce((sum, { kind }) => sum + leastSpan[kind], 0) <= formColumns

export const withGap = <Part extends Sized>(part: Part, gap: number): Part => {
  const { gap: _gap, ...rest } = part
  return (gap > 0 ? { ...rest, gap } : rest) as Part
}

/**
 * A line made to fit twelve columns: first what is left empty goes, then the widest parts give way.
 * @throws where it has more parts than `canShare` allows
 */
export function fitted<Part extends FormPart>(line: readonly Part[]): readonly Part[] {
  const parts = [...line]
  for (let over = columnsOf(parts) - formColumns; over > 0; over--) {
    const gapped = parts.findLastIndex(({ gap }) => gap !== undefined)
    if (gapped >= 0) {
      const part = nth(parts, gapped)
      parts[gapped] = withGap(part, (part.gap ?? 0) - 1)
      continue
    }
    const spare = parts.map(({ kind, span }) => (span > leastSpan[kind] ? span : 0))
    const widest = spare.indexOf(Math.max(...spare))
    if (spare[widest] === 0) throw new Error('Expected parts that have room beside each other.')
    const part = nth(parts, widest)
    parts[widest] = { ...part, span: part.span - 1 }
  }
  return parts
}
