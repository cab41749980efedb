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
}

/** A list as a sentence; its pieces are pressed to change them. */
export function Sentence({ list, faults, onPiece, onAdd, onGroup }: Props) {
  const { book } = useRecords()
  return (
    <p className="max-w-[75ch] text-[17px] leading-[1.9]">
      {sentenceOf(book, list).map(({ words, of }, at) =>
        of && of.kind !== 'table' ? (
          <button
            key={at}
            type="button"
            onClick={() => onPiece(of)}
            aria-label={
              of.kind === 'joint' ? `${words}: press to ask for ${words === 'and' ? 'any' : 'all'} of these` : undefined
            }
            aria-invalid={isWrong(of, list, faults) || undefined}
            className={classNames(
              'rounded-t-sm border-b-2 text-left font-semibold hover:bg-brass-tint',
              isWrong(of, list, faults) ? 'border-ember bg-ember-tint' : 'border-brass',
            )}
          >
            {words}
          </button>
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
