'use client'

import type { List } from '@/core/book'
import { type ListFault, type PieceOf, sentenceOf } from '@/core/lists'
import { classNames, WordButton } from '@/ui/kit'
import { useRecords } from '../records-context'

interface Props {
  readonly list: List
  readonly faults: readonly ListFault[]
  readonly onPiece: (of: PieceOf) => void
  readonly onAdd: () => void
  readonly onGroup: () => void
  /** None where nothing can be missing. */
  readonly onMissing: (() => void) | undefined
}

/** A list as a sentence; its pieces are pressed to change them. */
export function Sentence({ list, faults, onPiece, onAdd, onGroup, onMissing }: Props) {
  const { book } = useRecords()
  return (
    <p className="max-w-[75ch] text-[17px] leading-[1.9]">
      {sentenceOf(book, list).map(({ words, of }, at) =>
        of && of.kind !== 'table' ? (
          // No button of the browser’s: those don’t go on from line to line as words do.
          <span
            key={at}
            role="button"
            tabIndex={0}
            onClick={() => onPiece(of)}
            onKeyDown={(event) => {
              if (event.key !== 'Enter' && event.key !== ' ') return
              event.preventDefault()
              onPiece(of)
            }}
            aria-label={
              of.kind === 'joint' ? `${words}: press to ask for ${words === 'and' ? 'any' : 'all'} of these` : undefined
            }
            aria-invalid={isWrong(of, list, faults) || undefined}
            className={classNames(
              'cursor-pointer rounded-t-sm border-b-2 box-decoration-clone font-semibold hover:bg-brass-tint',
              isWrong(of, list, faults) ? 'border-ember bg-ember-tint' : 'border-brass',
            )}
          >
            {words}
          </span>
        ) : (
          <span key={at} className={of && 'font-semibold'}>
            {words}
          </span>
        ),
      )}{' '}
      <WordButton onClick={onAdd} className="text-[15px]">
        Add a condition
      </WordButton>
      {!list.groups && (
        <>
          {' '}
          <WordButton onClick={onGroup} className="text-[15px]">
            Group it
          </WordButton>
        </>
      )}
      {onMissing && (
        <>
          {' '}
          <WordButton quiet onClick={onMissing} className="text-[15px]">
            What is missing
          </WordButton>
        </>
      )}
    </p>
  )
}

/** Whether something is wrong in what a piece stands for. */
function isWrong(of: PieceOf, list: List, faults: readonly ListFault[]): boolean {
  return faults.some(({ at }) => {
    if (of.kind === 'columns') return at.part === 'column'
    if (of.kind === 'order') return at.part === 'order'
    if (of.kind === 'shown') return at.part === 'shown'
    if (of.kind === 'groups') return at.part === 'group' || at.part === 'figure'
    if (of.kind !== 'condition' || at.part !== 'condition') return false
    return list.where?.kind === 'all' || list.where?.kind === 'any' ? at.path[0] === of.at : true
  })
}
