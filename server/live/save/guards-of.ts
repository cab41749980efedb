import type { Unit } from '../unit'
import { RuleChecks } from './rule-checks'
import { hasRows, keepsRows } from './at-least-one'
import { withinLimits } from './at-most'
import { keepsClosed } from './closed-rows'
import { filesFit } from './file-fields'
import { freezesWithRows } from './freezing'
import { Guards } from './guard'

/** What is sent with a record, as far as its guards must know. */
export interface Sent {
  /** The links whose rows come with it. */
  readonly insets: ReadonlySet<string>
  /** Rules that warned, and whose words were read. */
  readonly despite: readonly string[] | 'every-warning'
  /** What the rows break of other records is said of them, each by itself. */
  readonly rowByRow?: boolean
}

/** All that guards a change of records, in the order in which it is asked. */
export function guardsOf(unit: Unit, { insets, despite, rowByRow = false }: Sent): Guards {
  const places = new Map<string, string>()
  return new Guards(
    [
      keepsClosed(unit),
      filesFit(unit),
      hasRows(unit),
      withinLimits(unit, insets, rowByRow),
      keepsRows(unit),
      freezesWithRows(unit),
      new RuleChecks(unit, places, despite, rowByRow),
    ],
    places,
  )
}
