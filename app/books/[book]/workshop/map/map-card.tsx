'use client'

import { Handle, type NodeProps, Position } from '@xyflow/react'
import type { Table } from '@/core/book'
import { classNames } from '@/ui/kit'

/** A table as a filing card with a tab; its key underlined, its links with an arrow before them. */
export function MapCardNode({ data, selected }: NodeProps) {
  const { table } = data as { table: Table }
  const joining = table.role === 'joining'
  const frame = selected ? 'border-spruce' : joining ? 'border-bright-brass' : 'border-ash-4'
  const fill = joining ? 'bg-brass-tint' : 'bg-paper'
  return (
    <div className="flex h-full w-full flex-col text-[13px]">
      <div
        className={classNames(
          'relative z-10 -mb-px flex h-[26px] max-w-full items-center self-start truncate rounded-t-lg border border-b-0 px-2.5 font-bold',
          frame,
          selected ? 'bg-spruce text-on-spruce' : fill,
        )}
      >
        {table.name}
      </div>
      <ul className={classNames('flex-1 rounded-lg rounded-tl-none border py-2.5', frame, fill)}>
        {table.fields.map((field) => (
          <li key={field.id} className="flex h-[22px] items-center px-2.5">
            <span
              className={classNames(
                'truncate',
                table.key.includes(field.id) && 'border-b-2 border-bright-brass leading-[18px]',
                field.kind === 'link' && 'text-spruce',
              )}
            >
              {field.kind === 'link' && '→ '}
              {field.name}
            </span>
          </li>
        ))}
      </ul>
      <Handle type="target" position={Position.Left} className="!invisible" />
      <Handle type="source" position={Position.Right} className="!invisible" />
    </div>
  )
}
