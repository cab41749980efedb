import { Redo2, Undo2 } from 'lucide-react'
import { counted, inSentence } from '@/core/words'
import type { Table } from '@/core/book'
import { Button, IconButton, Segments, WordButton } from '@/ui/kit'
import type { GridLine } from './grid-lines'
import type { GridState } from './use-grid'
import { figure, type Keep, type useGridSaving } from './use-grid-saving'

interface Props {
  readonly table: Table
  readonly grid: GridState
  readonly unsaved: readonly GridLine[]
  readonly saving: ReturnType<typeof useGridSaving>
  readonly wrong: number
  /** So many of them aren't checked yet. */
  readonly open: number
  /** Names are still being looked for. */
  readonly isLooking: boolean
  readonly names: number
  readonly keep: Keep
  readonly onKeep: (keep: Keep) => void
  readonly hasDraft: boolean
  readonly onWrong: () => void
  readonly onNames: () => void
  readonly onSave: () => void
}

/** How things stand, in one sentence. */
function Standing({ unsaved, saving: { done, waits }, wrong, open, isLooking }: Props) {
  const all = unsaved.length
  const fresh = unsaved.filter(({ is }) => is === 'new').length
  const changed = all - fresh
  if (waits) return 'The book is being opened; saving goes on in a moment.'
  if (done !== undefined) return done > 0 ? `Saving, ${figure(done)} written …` : 'Saving …'
  if (all === 0)
    return <span className="text-ash-6">Nothing to save. Type into a cell, or paste rows from a spreadsheet.</span>
  if (open > 0) return `Checking ${figure(all - open)} of ${figure(all)} …`
  if (isLooking) return 'Looking for names …'
  const parts = [...(fresh > 0 ? [`${figure(fresh)} new`] : []), ...(changed > 0 ? [`${figure(changed)} changed`] : [])]
  return (
    <>
      {parts.join(', ')}, not saved.{' '}
      {wrong === 0 ? (
        <span className="text-spruce">Nothing is wrong.</span>
      ) : (
        <b className="text-ember">{counted(wrong, 'row')} wrong.</b>
      )}
    </>
  )
}

/** What stands in the grid and isn't saved, what is wrong with it, and what can be done. */
export function GridFoot(props: Props) {
  const { table, grid, unsaved, saving, wrong, names, keep, hasDraft } = props
  const all = unsaved.length
  const right = all - wrong
  const busy = saving.done !== undefined
  return (
    <div className="flex flex-col gap-2 border-t border-ash-4 bg-ash-1 px-6 py-2.5 max-md:px-3">
      {saving.whole.map((words) => (
        <p key={words} role="alert" className="text-ember">
          {words}
        </p>
      ))}
      {!hasDraft && (
        <p className="text-[13px] text-brass">
          There is too much here for this browser to keep: save it before you leave the page.
        </p>
      )}
      <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-2">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <span className="flex">
            <IconButton label="Undo" disabled={grid.past.length === 0 || busy} onClick={grid.undo}>
              <Undo2 size={16} aria-hidden />
            </IconButton>
            <IconButton label="Redo" disabled={grid.future.length === 0 || busy} onClick={grid.redo}>
              <Redo2 size={16} aria-hidden />
            </IconButton>
          </span>
          <p role="status">
            <Standing {...props} />
          </p>
          {wrong > 0 && !busy && (
            <WordButton onClick={props.onWrong}>
              Next wrong one<kbd className="pl-1.5 font-mono text-xs font-normal no-underline">Alt W</kbd>
            </WordButton>
          )}
          {names > 0 && !busy && <WordButton onClick={props.onNames}>{counted(names, 'name')} to settle</WordButton>}
        </div>
        <div data-after-grid className="flex flex-wrap items-center gap-3">
          <span className="flex">
            <Segments
              small
              label="Where a row is wrong"
              value={keep}
              onChange={props.onKeep}
              options={[
                { value: 'right', words: 'Save the right ones' },
                { value: 'all', words: 'All or none' },
              ]}
            />
          </span>
          <Button data-saves look="main" keys="Ctrl S" disabled={all === 0 || busy} onClick={props.onSave}>
            {keep === 'right' && wrong > 0 && right > 0
              ? `Save ${figure(right)} of ${counted(all, inSentence(table.name))}`
              : 'Save'}
          </Button>
        </div>
      </div>
    </div>
  )
}
