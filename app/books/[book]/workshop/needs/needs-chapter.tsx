'use client'

import { toast } from 'sonner'
import { useRouter, useSearchParams } from 'next/navigation'
import { type ClipboardEvent, type KeyboardEvent, useEffect, useRef, useState } from 'react'
import { piecesOf, splitNeeds, withoutGreetings } from '@/core/needs'
import { counted } from '@/core/words'
import { Button, Empty, Note, Segments, SortableRows } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'
import { Found } from './found'
import { MarkLegend } from './marked-words'
import { MetBy } from './met-by'
import { NeedLine } from './need-line'
import { NeedNote } from './need-note'

/** The first chapter: what the office must keep and be able to ask, and what in the design meets it. */
export function NeedsChapter() {
  const { id, book, edit, proposals, coverage } = useWorkshop()
  const router = useRouter()
  const go = (to: string) => router.push(`/books/${id}/workshop/needs/${to}`)
  const [chosen, setChosen] = useState<string>()
  const needs = book.needs
  const [side, setSide] = useState<'words' | 'ticks'>('words')
  const count = (state: 'met' | 'part' | 'not') => coverage?.filter((one) => one.state === state).length ?? 0
  const current = needs.find((need) => need.id === chosen)
  const told = current && coverage?.[needs.indexOf(current)]

  return (
    <Room
      margin={
        <>
          {needs.length > 0 && !coverage && <Note mark="info" head="Reading the words …" />}
          {needs.length > 0 && coverage && (
            <Note
              mark={count('met') === needs.length ? 'fine' : 'look'}
              head={`${count('met')} of ${counted(needs.length, 'need')} met`}
            >
              {count('met') === needs.length
                ? 'Everything the office asked for has its place.'
                : `${count('part')} in part, ${count('not')} not yet.`}
            </Note>
          )}
          {current && told?.why && <NeedNote need={current} number={needs.indexOf(current) + 1} coverage={told} />}
          <Note mark="info" head="What makes a good need">
            One need to a line, in your own words: what you keep, how the parts are linked, and what you want to be able
            to ask.
          </Note>
        </>
      }
    >
      <div className="grid gap-7 xl:grid-cols-[minmax(0,1fr)_minmax(0,400px)]">
        <section aria-label="Needs">
          <div className="flex flex-wrap items-start justify-between gap-2">
            <h1 className="text-[22px] leading-tight">Needs</h1>
            <div className="flex flex-wrap gap-2">
              <Button small onClick={() => go('form')}>
                From a form
              </Button>
              <Button small onClick={() => go('starter')}>
                Starter tables
              </Button>
              {needs.length > 0 && (
                <Button small onClick={() => go('sheet')}>
                  Sign-off sheet
                </Button>
              )}
            </div>
          </div>
          <p className="mt-1 mb-3 text-ash-6">
            What the office must keep, and what it must be able to ask. One need to a line.
          </p>
          {needs.length > 0 && <MarkLegend />}
          <SortableRows
            ids={needs.map((need) => need.id)}
            onPlace={(need, before) => edit({ kind: 'moveNeed', need, before })}
          >
            {(move) => (
              <ol className="border-t border-ash-3">
                {needs.map((need, at) => (
                  <NeedLine
                    key={need.id}
                    need={need}
                    number={at + 1}
                    chosen={need.id === chosen}
                    pieces={proposals ? piecesOf(proposals, at, need.text) : []}
                    coverage={coverage?.[at]}
                    onChoose={() => setChosen(need.id)}
                    onMove={(by) => move(need.id, by)}
                  />
                ))}
              </ol>
            )}
          </SortableRows>
          <WriteNeed
            first={needs.length === 0}
            onWrite={(lines) => edit({ kind: 'addNeeds', needs: lines.map((text) => ({ id: freshId(), text })) })}
          />
        </section>
        <section
          aria-label="What the words give"
          className="xl:sticky xl:top-0 xl:max-h-[calc(100vh-136px)] xl:self-start xl:overflow-y-auto"
          tabIndex={-1}
        >
          {needs.length === 0 && (
            <Empty head="Start from the business, not from tables">
              Write down, or paste, what your office keeps in its notebooks, forms and sheets, and what people ask of
              them. What the words propose stands here, for you to accept.
            </Empty>
          )}
          {needs.length > 0 && (
            <>
              <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
                {current ? (
                  <Segments
                    label="Show"
                    small
                    value={side}
                    onChange={setSide}
                    options={[
                      { value: 'words', words: 'What its words give' },
                      { value: 'ticks', words: 'What meets it' },
                    ]}
                  />
                ) : (
                  <p className="text-ash-6">All needs together. Choose one to see what its words give.</p>
                )}
                {current && (
                  <Button small onClick={() => setChosen(undefined)}>
                    All needs
                  </Button>
                )}
              </div>
              {current && side === 'ticks' ? (
                <MetBy need={current} number={needs.indexOf(current) + 1} />
              ) : proposals ? (
                <Found proposals={proposals} {...(current && { need: needs.indexOf(current) })} />
              ) : (
                <p role="status" className="text-ash-6">
                  Reading the words …
                </p>
              )}
            </>
          )}
        </section>
      </div>
    </Room>
  )
}

/** The line at the end: Enter writes a need down, several pasted lines become several needs. */
function WriteNeed({ first, onWrite }: { readonly first: boolean; readonly onWrite: (lines: string[]) => boolean }) {
  const [text, setText] = useState('')
  const box = useRef<HTMLTextAreaElement>(null)
  const asked = useSearchParams().has('write')
  useEffect(() => {
    if (asked || first) box.current?.focus()
  }, [asked, first])

  const write = (words: string) => {
    const lines = splitNeeds(words)
    if (lines.length > 0 && onWrite(lines)) setText('')
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' || event.shiftKey) return
    event.preventDefault()
    write(text)
  }
  const onPaste = (event: ClipboardEvent) => {
    const pasted = event.clipboardData.getData('text/plain')
    if (splitNeeds(pasted).length < 2) return
    event.preventDefault()
    const { needs, left } = withoutGreetings(splitNeeds(`${text}${pasted}`))
    write(needs.join('\n'))
    if (left.length > 0)
      toast(
        `${left.length === 1 ? 'A line' : `${left.length} lines`} of greeting ${left.length === 1 ? 'was' : 'were'} left out: ${left.join(' · ')}`,
      )
  }
  return (
    <div className="pt-2 pl-[42px]">
      <label htmlFor="write-need" className="sr-only">
        Write or paste the next need
      </label>
      <textarea
        id="write-need"
        ref={box}
        rows={1}
        value={text}
        placeholder="Write or paste the next need…"
        onChange={(event) => setText(event.target.value)}
        onKeyDown={onKeyDown}
        onPaste={onPaste}
        className="field-sizing-content min-h-9 w-full resize-none rounded-md border border-dashed border-ash-4 bg-paper px-2.5 py-1.5"
      />
      <p className="mt-1 text-xs text-ash-6">Enter writes it down. Pasted lines become one need each.</p>
    </div>
  )
}
