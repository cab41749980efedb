'use client'

import { WrittenBox, type WrittenProps } from '../../expressions/written-box'
import { useWorkshop } from '../workshop-context'
import { LiveResults, type TriedExpression } from './live-results'

interface Props extends Omit<WrittenProps, 'book' | 'children'> {
  /** What it gives is shown, where it gives something. */
  readonly tries?: TriedExpression | undefined
}

/** A box for an expression over the design, and what it gives at once. */
export function ExpressionBox({ tries, ...props }: Props) {
  const { book } = useWorkshop()
  return (
    <WrittenBox {...props} book={book}>
      {tries && !props.wrong && <LiveResults {...tries} />}
    </WrittenBox>
  )
}
