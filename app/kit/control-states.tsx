'use client'

import { useState } from 'react'
import type { Field } from '@/core/book'
import { type KindName, kindNames, kindOf, plainLook } from '@/core/kinds'
import { FieldControl, type FileSource, type LinkSource } from '@/ui/controls'
import { classNames } from '@/ui/kit'

const states = ['empty', 'filled', 'wrong', 'only read'] as const
type State = (typeof states)[number]

const choices = ['booked', 'done', 'cancelled'].map((word) => ({ id: word, word }))

/** A field of a kind as it begins, with something to choose where it is one of a few. */
const fieldOf = (kind: KindName): Field => ({
  id: kind,
  name: kindOf(kind).title,
  kind,
  ...kindOf(kind).starts,
  ...(kind === 'choice' && { choices }),
})

const found = [
  { ref: '1', label: 'Quay Lane 4' },
  { ref: '2', label: 'Quay Lane 11' },
]
const link = (label: string): LinkSource => ({
  label,
  noun: 'premises',
  search: (words) => Promise.resolve(found.filter((one) => one.label.toLowerCase().includes(words.toLowerCase()))),
  onPick: () => undefined,
  onMiss: () => undefined,
})

const file: FileSource = {
  href: '/icon.svg',
  thumbnail: '/icon.svg',
  name: 'flue.svg',
  busy: false,
  send: () => Promise.resolve(),
}

/** What stands in a control that is filled, where the kind's own example isn't it. */
const filled: Partial<Record<KindName, string>> = { link: '1', file: 'a file’s mark' }

/** Each field's control: empty, filled, wrong and only to be read. */
export function ControlStates() {
  return (
    <table className="w-full border-collapse">
      <caption className="mb-2 text-left text-[13px] font-semibold text-ash-6">Controls</caption>
      <thead>
        <tr className="text-left text-[13px] text-ash-6">
          <th scope="col" className="pr-3 font-normal">
            Kind
          </th>
          {states.map((state) => (
            <th key={state} scope="col" className="px-1 font-normal">
              {state}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {kindNames.map((kind) => (
          <tr key={kind} className="border-t border-ash-3 align-top">
            <th scope="row" className="py-2 pr-3 text-left text-[13px] font-semibold">
              {kindOf(kind).title}
            </th>
            {states.map((state) => (
              <td key={state} className={classNames('px-1 py-2', state === 'wrong' && 'text-ember')}>
                <One kind={kind} state={state} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function One({ kind, state }: { readonly kind: KindName; readonly state: State }) {
  const field = fieldOf(kind)
  const [text, setText] = useState(state === 'empty' ? '' : (filled[kind] ?? kindOf(kind).specimen(field)))
  return (
    <FieldControl
      id={`kit-${kind}-${state.replace(' ', '-')}`}
      field={field}
      look={plainLook}
      text={text}
      onText={setText}
      name={`${field.name}, ${state}`}
      invalid={state === 'wrong'}
      readOnly={state === 'only read'}
      link={link(state === 'empty' ? '' : 'Quay Lane 4')}
      file={file}
    />
  )
}
