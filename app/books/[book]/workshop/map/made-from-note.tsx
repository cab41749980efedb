'use client'

import { useMemo } from 'react'
import { countsOf, type Focus, isStream, type MadeFromKind, madeFromKinds, sayStream } from '@/core/map'
import { ownRules } from '@/core/rules'
import { counted } from '@/core/words'
import { Note, TickBox } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'
import type { DrawnSheet } from './use-map'

const kindNames: Readonly<Record<MadeFromKind, string>> = {
  borrowed: 'Borrowed',
  copied: 'Copied',
  gathered: 'Gathered',
  workedOut: 'Worked out',
  rule: 'Rules',
}

interface Props {
  readonly sheet: DrawnSheet
  readonly kinds: ReadonlySet<MadeFromKind>
  readonly onKinds: (kinds: ReadonlySet<MadeFromKind>) => void
  readonly onPress: (focus: Focus) => void
}

/** What is said of the whole map where it shows what is made from what, and which of it is drawn. */
export function MadeFromNote({ sheet, kinds, onKinds, onPress }: Props) {
  const { book } = useWorkshop()
  const counts = useMemo(() => countsOf(book), [book])
  const streams = sheet.lines.filter(isStream)
  const rules = ownRules(book).filter(({ compiled }) => compiled)
  const toggle = (kind: MadeFromKind) => {
    const next = new Set(kinds)
    if (!next.delete(kind)) next.add(kind)
    onKinds(next)
  }
  return (
    <>
      <Note
        mark="info"
        head={streams.length === 0 ? 'Nothing comes from another table' : counted(streams.length, 'stream')}
      >
        {streams.length === 0
          ? 'Fields that take, count or add up values of other tables show here where those values come from.'
          : 'A stream leads from the table whose values are used to the one that uses them; the more fields, the wider. Press or point at a field or a stream to see all that it is made from and all that uses it.'}
      </Note>
      <section aria-label="What is shown" className="rounded-lg border border-ash-3 bg-paper px-3 py-2.5 text-[13px]">
        <h3 className="font-bold">What is shown</h3>
        <ul className="mt-1">
          {madeFromKinds.map((kind) => (
            <li key={kind}>
              <label className="relative flex min-h-7 items-center gap-2">
                <TickBox id={`made-from-${kind}`} checked={kinds.has(kind)} onChange={() => toggle(kind)} />
                <span className="flex-1">{kindNames[kind]}</span>
                <span className="font-mono text-ash-6">{counts[kind]}</span>
              </label>
            </li>
          ))}
        </ul>
      </section>
      {streams.length > 0 && (
        <Ways
          title="From table to table"
          ways={streams.map((one) => ({
            id: one.id,
            words: sayStream(book, one),
            focus: { kind: 'stream', from: one.one, to: one.many },
          }))}
          onPress={onPress}
        />
      )}
      {kinds.has('rule') && rules.length > 0 && (
        <Ways
          title="Rules"
          ways={rules.map(({ rule }) => ({ id: rule.id, words: rule.words, focus: { kind: 'rule', rule: rule.id } }))}
          onPress={onPress}
        />
      )}
    </>
  )
}

interface WaysProps {
  readonly title: string
  readonly ways: readonly { readonly id: string; readonly words: string; readonly focus: Focus }[]
  readonly onPress: (focus: Focus) => void
}

function Ways({ title, ways, onPress }: WaysProps) {
  return (
    <section aria-label={title} className="rounded-lg border border-ash-3 bg-paper px-3 py-2.5 text-[13px]">
      <h3 className="font-bold">{title}</h3>
      <ul>
        {ways.map(({ id, words, focus }) => (
          <li key={id}>
            <button
              type="button"
              onClick={() => onPress(focus)}
              className="min-h-7 w-full rounded-sm px-1 text-left hover:bg-ash-2"
            >
              {words}
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
