'use client'

import { ChevronDown, ChevronRight } from 'lucide-react'
import { type ReactNode, use, useState } from 'react'
import type { List, Order, Table } from '@/core/book'
import { cellAt, groupAt, type GroupLine, type ReadList, sayGroup } from '@/core/lists'
import { counted, inSentence } from '@/core/words'
import { Button, classNames, WordButton } from '@/ui/kit'
import { useRecords } from '../records-context'
import { Refused } from '../rows-query'
import { AllOfThem, FiguresRow } from './figures-row'
import { gridOf, Heads, leastGrid, linesOf } from './grid-cells'
import { RecordRow } from './record-row'
import { TrailContext } from './trail'
import { type Path, useGroupLines, useGroups } from './use-list-lines'
import { walkCells } from './walk-cells'

interface Props {
  readonly table: Table
  readonly list: List
  readonly read: ReadList
  readonly given: Readonly<Record<string, string>>
  readonly all: GroupLine | undefined
  readonly onOrder: (order: readonly Order[]) => void
}

/** Groups that are so few are unfolded from the start; more than the others are only unfolded one by one. */
const fewGroups = 12
const someGroups = 60

/** The records of a list put together in groups, with what each comes to; they are folded and unfolded. */
export function GroupedGrid(props: Props) {
  const { table, list, read, given, all, onOrder } = props
  const { base } = useRecords()
  const groups = useGroups(base, list, given, { by: [0] })
  // Pressing "all" begins afresh with the groups as they are then.
  const [folding, setFolding] = useState<{ readonly times: number; readonly open: boolean | undefined }>({
    times: 0,
    open: undefined,
  })
  const fold = (open: boolean) => setFolding({ times: folding.times + 1, open })
  const found = groups.data?.groups ?? []
  const open = folding.open ?? found.length <= fewGroups
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      {groups.data?.more && (
        <p className="px-6 pb-1.5 text-[13px] text-brass max-md:px-3">
          The first {found.length.toLocaleString('en-GB')} groups are shown. Group in bigger steps, or add a condition.
        </p>
      )}
      <Frame table={table} read={read}>
        <Heads columns={read.columns} order={list.order} onOrder={onOrder} />
        {groups.isError ? (
          <Failed error={groups.error} onRetry={() => void groups.refetch()} />
        ) : (
          found.map((group) => (
            <Group
              key={`${folding.times} ${JSON.stringify(cellAt(group).key)}`}
              {...props}
              group={group}
              path={[cellAt(group).key]}
              open={open}
            />
          ))
        )}
        <LeftOut left={groups.data?.left} />
        <AllOfThem columns={read.columns} figures={read.figures} line={all}>
          {found.length > 1 && (
            <span className="ml-3 inline-flex gap-1 text-[13px]">
              {found.length <= someGroups && <WordButton onClick={() => fold(true)}>Unfold all</WordButton>}
              <WordButton onClick={() => fold(false)}>Fold all</WordButton>
            </span>
          )}
        </AllOfThem>
      </Frame>
    </div>
  )
}

interface FrameProps {
  readonly table: Table
  readonly read: ReadList
  readonly children: ReactNode
}

/** A grid that scrolls, and is walked through cell by cell. */
const Frame = ({ table, read, children }: FrameProps) => (
  <div
    role="grid"
    aria-label={table.name}
    tabIndex={0}
    onKeyDown={walkCells}
    className="min-h-0 flex-1 overflow-auto border-t border-ash-3 focus-visible:-outline-offset-2"
  >
    <div role="presentation" style={{ minWidth: leastGrid(read.columns) }}>
      {children}
    </div>
  </div>
)

const Failed = ({ error, onRetry }: { readonly error: Error; readonly onRetry: () => void }) => (
  <p role="alert" className="flex items-center gap-3 px-6 py-3">
    {error instanceof Refused ? error.message : 'This could not be read.'} <Button onClick={onRetry}>Try again</Button>
  </p>
)

interface GroupProps extends Props {
  readonly group: GroupLine
  readonly path: Path
  readonly open: boolean
}

function Group({ group, open, ...props }: GroupProps) {
  const { table, read, path } = props
  const { book } = useRecords()
  const [isOpen, setOpen] = useState(open)
  const depth = path.length - 1
  const words = sayGroup(book.look, groupAt(read, depth), cellAt(group))
  const isLast = path.length === read.groups.length
  return (
    <div role="rowgroup" aria-label={words}>
      <FiguresRow
        columns={read.columns}
        figures={read.figures}
        line={group}
        className={classNames('border-b border-ash-3', depth === 0 && 'bg-ash-1')}
      >
        <button
          type="button"
          aria-expanded={isOpen}
          onClick={() => setOpen(!isOpen)}
          className="flex max-w-full min-w-0 items-center gap-1 rounded-sm text-left hover:underline"
          style={{ marginLeft: depth * 18 - 4 }}
        >
          {isOpen ? <ChevronDown size={14} aria-hidden /> : <ChevronRight size={14} aria-hidden />}
          <span className="min-w-0 truncate">
            <b className="font-semibold">{words}</b>
            <span className="text-ash-6"> · {counted(group.count, inSentence(table.name))}</span>
          </span>
        </button>
      </FiguresRow>
      {isOpen && (isLast ? <Lines {...props} count={group.count} /> : <Inner {...props} />)}
    </div>
  )
}

type InnerProps = Omit<GroupProps, 'group' | 'open'>

function Inner(props: InnerProps) {
  const { list, given, path } = props
  const { base } = useRecords()
  const groups = useGroups(base, list, given, { by: [path.length], path })
  if (groups.isError) return <Failed error={groups.error} onRetry={() => void groups.refetch()} />
  return (
    <>
      {groups.data?.groups.map((group) => {
        const { key } = cellAt(group)
        return <Group key={JSON.stringify(key)} {...props} group={group} path={[...path, key]} open={false} />
      })}
      <LeftOut left={groups.data?.left} />
    </>
  )
}

/** That only the first groups were asked for. */
const LeftOut = ({ left = 0 }: { readonly left: number | undefined }) =>
  left > 0 && (
    <p className="border-b border-ash-3 px-6 py-1.5 text-[13px] text-ash-6 max-md:px-3">
      {counted(left, 'group')} left out: only the first are asked for
    </p>
  )

type LinesProps = Omit<InnerProps, 'all' | 'onOrder'> & { readonly count: number | undefined }

function Lines({ table, list, read, given, path, count }: LinesProps) {
  const { base } = useRecords()
  const lines = useGroupLines(base, list, given, path)
  const trail = use(TrailContext)
  if (lines.isError) return <Failed error={lines.error} onRetry={() => void lines.refetch()} />
  const all = lines.data?.pages.flatMap((page) => page.lines) ?? []
  const left = count === undefined ? 'More' : `${Math.max(0, count - all.length).toLocaleString('en-GB')} more`
  return (
    <TrailContext value={trail && { ...trail, path }}>
      {all.map((line) => (
        <RecordRow
          key={line.ref}
          table={table}
          columns={read.columns}
          line={line}
          style={{ ...gridOf(read.columns), minHeight: linesOf(read.columns, line) * 22 + 14 }}
        />
      ))}
      {lines.hasNextPage && (
        <p className="border-b border-ash-3 px-6 py-1.5 text-[13px] max-md:px-3">
          <WordButton disabled={lines.isFetchingNextPage} onClick={() => void lines.fetchNextPage()}>
            {lines.isFetchingNextPage ? 'Looking …' : left}
          </WordButton>
        </p>
      )}
      {lines.isPending && <p className="px-6 py-1.5 text-[13px] text-ash-6">Looking …</p>}
    </TrailContext>
  )
}

/** The records of one group alone. */
export function Behind({ table, list, read, given, path }: Omit<InnerProps, 'all' | 'onOrder'>) {
  return (
    <Frame table={table} read={read}>
      <Heads columns={read.columns} order={list.order} />
      <div role="rowgroup">
        <Lines table={table} list={list} read={read} given={given} path={path} count={undefined} />
      </div>
    </Frame>
  )
}
