import type { ReactNode } from 'react'
import type { Table } from '@/core/book'
import { type Answers, feetFor, sayOutcome } from '@/core/pairings'
import { classNames } from '@/ui/kit'
import { FootLine } from '@/ui/drawing/crows-foot'

interface Props {
  readonly a: Table
  readonly b: Table
  readonly answers: Answers
  readonly name: string | undefined
}

/** What comes of the answers: drawn in crow's foot, and said. */
export function Outcome({ a, b, answers, name }: Props) {
  const feet = feetFor(answers)
  const { head, text } = sayOutcome(a, b, answers, name)
  const joins = answers.aHasSeveral && answers.bHasSeveral
  return (
    <div className="flex flex-wrap items-center gap-x-7 gap-y-3">
      <div className="flex items-center">
        <Box>{a.name}</Box>
        {joins ? (
          <>
            <FootLine left="exactly-one" right={feet.atB} width={60} />
            <Box joining>
              {name || `${a.name} ${b.name.toLowerCase()}`}
              <span className="block text-xs font-normal text-brass">joining table</span>
            </Box>
            <FootLine left={feet.atA} right="exactly-one" width={60} />
          </>
        ) : (
          <FootLine left={feet.atA} right={feet.atB} width={90} />
        )}
        <Box>{b.name}</Box>
      </div>
      <div className="min-w-[220px] flex-1">
        <p className="font-bold">{head}</p>
        <p className="text-ash-6">{text}</p>
      </div>
    </div>
  )
}

const Box = ({ joining, children }: { readonly joining?: boolean; readonly children: ReactNode }) => (
  <span
    className={classNames(
      'flex min-h-[34px] min-w-[84px] flex-col items-center justify-center rounded-md border px-3 py-1 text-center font-bold',
      joining ? 'border-bright-brass bg-brass-tint' : 'border-ash-4 bg-paper',
    )}
  >
    {children}
  </span>
)
