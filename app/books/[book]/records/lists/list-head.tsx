'use client'

import { Grid3x3, Printer, Undo2 } from 'lucide-react'
import Link from 'next/link'
import { type List, tableOf } from '@/core/book'
import { nameOf, uncalled } from '@/core/lists'
import { inSentence, plural, sameJson } from '@/core/words'
import { Button, buttonLook, IconButton, Tag } from '@/ui/kit'
import { DocumentMenu } from '../documents/document-menu'
import { keepFor, outPath } from '../documents/hand-out-of'
import { useRecords } from '../records-context'
import type { Asking } from './list-dialogs'
import { TakeOut } from './take-out'
import { keepTrail, useWayBack } from './trail'

interface Props {
  readonly list: List
  /** As it is kept; none where it isn't yet. */
  readonly before: List | undefined
  readonly given: Readonly<Record<string, string>>
  /** Whether it can be run. */
  readonly sound: boolean
  /** How many records it has, where that is known. */
  readonly count: number | undefined
  readonly undo: (() => void) | undefined
  readonly onAsk: (asking: Asking) => void
}

/** What a list is called and whose it is, and what can be done with all of it. */
export function ListHead({ list, before, given, sound, count, undo, onAsk }: Props) {
  const { book, base, mayChange } = useRecords()
  const noun = inSentence(tableOf(book, list.table).name)
  const isChanged = before !== undefined && !sameJson(uncalled(before), uncalled(list))
  return (
    <div className="flex flex-wrap items-start justify-between gap-3">
      <div className="flex min-w-0 flex-1 basis-72 flex-wrap items-baseline gap-x-3 gap-y-1">
        <h1 className="text-[22px] leading-tight">{before ? nameOf(book, before) : `New list of ${plural(noun)}`}</h1>
        <span className="text-[13px] text-ash-6">{sayWhose(before)}</span>
        {isChanged && <Tag look="brass">changed</Tag>}
        {list.answers && <p className="w-full text-[13px] text-ash-6">Made for the need “{list.answers}”</p>}
      </div>
      <div className="flex flex-wrap gap-2">
        <IconButton label="Take the last change back" disabled={!undo} onClick={undo}>
          <Undo2 size={15} aria-hidden />
        </IconButton>
        {before && (
          <Link href={`${base}/reports/new?of=${before.id}`} className={buttonLook()}>
            <Printer size={15} aria-hidden /> On paper
          </Link>
        )}
        {sound && (
          <DocumentMenu
            table={list.table}
            path={(document) => outPath(base, { table: list.table, document })}
            onGo={() => keepFor(base, { table: list.table, of: { kind: 'list', list, given } })}
          />
        )}
        {mayChange && sound && <GridLink list={list} given={given} />}
        <TakeOut list={list} given={given} count={count} disabled={!sound} />
        {mayChange && before && <Button onClick={() => onAsk({ kind: 'drop' })}>Remove</Button>}
        {mayChange && (
          <Button look="main" onClick={() => onAsk({ kind: 'keep' })}>
            {before ? 'Keep changes' : 'Keep it'}
          </Button>
        )}
      </div>
    </div>
  )
}

/** To its records as cells that one types into; whoever comes back finds the list as it was. */
function GridLink({ list, given }: Pick<Props, 'list' | 'given'>) {
  const { base } = useRecords()
  const back = useWayBack()
  return (
    <Link
      href={`${base}/${list.table}/grid?by=list`}
      prefetch={false}
      onClick={() => keepTrail(base, { list, given, back }) && window.history.replaceState(null, '', back)}
      className={buttonLook()}
    >
      <Grid3x3 size={15} aria-hidden /> Grid
    </Link>
  )
}

const sayWhose = (before: List | undefined) =>
  !before ? 'not kept yet' : before.owner === undefined ? 'everybody’s' : 'yours alone'
