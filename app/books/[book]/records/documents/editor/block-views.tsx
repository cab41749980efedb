'use client'

import { NodeViewContent, type NodeViewProps, NodeViewWrapper } from '@tiptap/react'
import type { ReactNode } from 'react'
import type { Condition, RowsBlock } from '@/core/book'
import { sayCondition } from '@/core/lists'
import { type ReadRows, readTemplate } from '@/core/reports'
import { counted, inSentence, wordProblem } from '@/core/words'
import { classNames } from '@/ui/kit'
import { useRecords } from '../../records-context'
import { columnOf } from './column-of'
import { exampleOf, useDocument } from './example'
import type { CodeParts, FieldsParts, PictureParts } from './text-of'

interface FrameProps {
  readonly selected: boolean
  /** What it is, in a word or two. */
  readonly name: string
  readonly why?: string | undefined
  readonly children?: ReactNode
}

/** A part of a document that is more than text. */
const Frame = ({ selected, name, why, children }: FrameProps) => (
  <NodeViewWrapper
    className={classNames(
      'relative my-2 rounded-md border border-dashed px-2 pt-4 pb-1.5',
      why ? 'border-[#b3401f]' : 'border-[#c1c8c1]',
      selected && 'outline-2 outline-[#14625c]',
    )}
  >
    <span contentEditable={false} className="absolute top-0.5 left-2 text-[11px] text-[#465049] select-none">
      {name}
    </span>
    {why ? (
      <p contentEditable={false} className="text-[13px] text-[#b3401f]">
        {why}
      </p>
    ) : (
      children
    )}
  </NodeViewWrapper>
)

export function FieldsView({ node, selected }: NodeViewProps) {
  const { book } = useRecords()
  const within = useDocument()
  const { columns, across } = node.attrs.parts as FieldsParts
  return (
    <Frame selected={selected} name="Fields with their names">
      <dl className="grid gap-x-4 gap-y-1 text-[13px]" style={{ gridTemplateColumns: `repeat(${across}, 1fr)` }}>
        {columns.map(({ shows, heading }, at) => {
          const found = columnOf(book, within.table, shows, heading)
          return (
            <div key={at} className={across === 1 ? 'flex gap-3' : ''}>
              <dt className="text-[#465049]">{'column' in found ? found.column.heading : 'Gone'}</dt>
              <dd className={'why' in found ? 'text-[#b3401f]' : ''}>
                {'why' in found ? found.why : exampleOf(book, within, { shows }, found.column) || '–'}
              </dd>
            </div>
          )
        })}
      </dl>
    </Frame>
  )
}

/** So many rows of the example are shown. */
const shownRows = 3

export function RowsView({ node, selected }: NodeViewProps) {
  const { book } = useRecords()
  const { template } = useDocument()
  const block = node.attrs.parts as RowsBlock
  const { mail: _mail, ...own } = template
  const alone = { ...own, columns: [], blocks: [block] }
  const found = readTemplate(book, alone, { given: {}, now: { moment: '2000-01-01T00:00' }, lists: book.lists })
  const [fault] = found.faults
  const rows = 'read' in found ? found.read.rows.get(block.id) : undefined
  if (!rows) return <Frame selected={selected} name="Rows" why={fault ? wordProblem(fault.problem) : undefined} />
  return (
    <Frame selected={selected} name={`Rows: each ${inSentence(rows.read.table.name)}`}>
      {block.heading && <p className="font-bold">{block.heading}</p>}
      <RowsTable rows={rows} />
    </Frame>
  )
}

const cellLook = (isRight: boolean) => classNames('py-0.5 pr-2', isRight && 'text-right')

/** The headings of rows, and the first few that the example has. */
function RowsTable({ rows: { block, columns } }: { readonly rows: ReadRows }) {
  const { example } = useDocument()
  const own = example?.rows[block.id]
  const isRight = (at: number) => columns[at]?.align === 'end'
  return (
    <>
      <table className="w-full text-[12.5px]">
        <thead>
          <tr className="border-b border-[#465049] text-left">
            {columns.map(({ id, heading }, at) => (
              <th key={id} className={cellLook(isRight(at))}>
                {heading}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {own?.rows.slice(0, shownRows).map((cells, row) => (
            <tr key={row} className="border-b border-[#c1c8c1]">
              {cells.map((words, at) => (
                <td key={at} className={cellLook(isRight(at))}>
                  {words}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="pt-1 text-[11px] text-[#465049]">{own && sayRows(block, own.rows.length, own.more)}</p>
    </>
  )
}

/** What there is of rows beside those that are shown. */
function sayRows({ none, figures }: RowsBlock, shown: number, more: number): string {
  if (shown === 0) return none ? `None here: “${none}”` : 'None here: then nothing stands.'
  return [more > 0 && `and ${counted(more, 'more row')}`, figures && 'with totals beneath'].filter(Boolean).join(', ')
}

const codeNames = { code128: 'Code 128', qr: 'QR', ean: 'EAN-13' } as const

export function CodeView({ node, selected }: NodeViewProps) {
  const { book } = useRecords()
  const within = useDocument()
  const parts = node.attrs.parts as CodeParts
  const found = columnOf(book, within.table, parts.shows, parts.heading)
  if ('why' in found) return <Frame selected={selected} name="Code for scanning" why={found.why} />
  return (
    <Frame selected={selected} name={`Code for scanning, ${codeNames[parts.as]}`}>
      <p className="font-mono text-[13px]">
        {found.column.heading}: {exampleOf(book, within, { shows: parts.shows }, found.column) || '–'}
      </p>
    </Frame>
  )
}

export function PictureView({ node, selected }: NodeViewProps) {
  const { base } = useRecords()
  const { picture, wide, align } = node.attrs.parts as PictureParts
  return (
    <NodeViewWrapper
      className={classNames('my-2', align === 'middle' ? 'text-center' : align === 'end' && 'text-right')}
    >
      {/* eslint-disable-next-line @next/next/no-img-element -- it is the office's own, and no larger than its page */}
      <img
        src={`${base}/pictures/${picture.hash}`}
        alt="A picture in the document"
        style={{ width: `${wide}mm` }}
        className={classNames('inline-block h-auto max-w-full', selected && 'outline-2 outline-[#14625c]')}
      />
    </NodeViewWrapper>
  )
}

export function RoomView({ node, selected }: NodeViewProps) {
  return (
    <Frame selected={selected} name="Room to write by hand">
      {Array.from({ length: Math.min(3, node.attrs.lines as number) }, (_, at) => (
        <div key={at} className="h-5 border-b border-[#c1c8c1]" />
      ))}
      <p className="pt-1 text-[11px] text-[#465049]">{counted(node.attrs.lines as number, 'line')}</p>
    </Frame>
  )
}

export function SignaturesView({ node, selected }: NodeViewProps) {
  return (
    <Frame selected={selected} name="To be signed">
      <div className="flex gap-6 pt-6">
        {(node.attrs.of as readonly string[]).map((words, at) => (
          <p key={at} className="w-48 border-t border-[#465049] text-[12px] text-[#465049]">
            {words}
          </p>
        ))}
      </div>
    </Frame>
  )
}

export const PageTurnView = ({ selected }: NodeViewProps) => (
  <NodeViewWrapper
    className={classNames(
      'my-3 border-t-2 border-dashed border-[#c1c8c1] text-center text-[11px] text-[#465049]',
      selected && 'outline-2 outline-[#14625c]',
    )}
  >
    A new page begins
  </NodeViewWrapper>
)

export function AddressView({ selected }: NodeViewProps) {
  const { template } = useDocument()
  return (
    <Frame selected={selected} name={template.window ? 'Address, in the window' : 'Address'}>
      <NodeViewContent />
    </Frame>
  )
}

export function OnlyView({ node, selected }: NodeViewProps) {
  const { book } = useRecords()
  const { table, example } = useDocument()
  const { id, when } = node.attrs as { id: string; when: Condition | null }
  const holds = example?.holds.includes(id)
  const said = when ? sayCondition(book, table, when, { asks: [] }) : 'a condition holds'
  const here = example === undefined ? '' : holds ? ' · stands here' : ' · not here'
  return (
    <Frame selected={selected} name={`Only for those ${said}${here}`}>
      <NodeViewContent className={holds === false ? 'opacity-55' : ''} />
    </Frame>
  )
}
