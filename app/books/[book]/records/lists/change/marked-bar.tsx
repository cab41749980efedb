'use client'

import { useState } from 'react'
import { counted, inSentence } from '@/core/words'
import { Button, WordButton } from '@/ui/kit'
import { DocumentMenu } from '../../documents/document-menu'
import { keepFor, outPath } from '../../documents/hand-out-of'
import { useRecords } from '../../records-context'
import { type Changing, useChanging } from './changing'
import { ChangeMarked } from './change-marked'
import { RemoveMarked } from './remove-marked'

/** What can be done with the records that are marked, and what was done last. */
export function MarkedBar() {
  const changing = useChanging()
  const { base } = useRecords()
  const [asking, setAsking] = useState<'change' | 'remove'>()
  if (!changing) return null
  const { marked, mark, table } = changing
  const close = () => setAsking(undefined)
  return (
    <>
      {changing.done && <LastDone changing={changing} words={changing.done.words} />}
      {marked.size > 0 && (
        <div
          role="region"
          aria-label="Marked records"
          className="mx-6 mb-2 flex flex-wrap items-center gap-2 rounded-md bg-spruce-tint px-3 py-1.5 max-md:mx-3"
        >
          <span className="mr-1 font-semibold">{counted(marked.size, inSentence(table.name))} marked</span>
          <DocumentMenu
            table={table.id}
            path={(document) => outPath(base, { table: table.id, document })}
            onGo={() =>
              keepFor(base, {
                table: table.id,
                of: { kind: 'marked', refs: [...marked.values()].map(({ ref }) => ref) },
              })
            }
          />
          <Button onClick={() => setAsking('change')}>Change a field</Button>
          <Button onClick={() => setAsking('remove')}>Remove</Button>
          <WordButton onClick={() => mark([...marked.values()], false)}>Unmark all</WordButton>
        </div>
      )}
      {asking === 'change' && <ChangeMarked changing={changing} onClose={close} />}
      {asking === 'remove' && <RemoveMarked changing={changing} onClose={close} />}
    </>
  )
}

function LastDone({ changing, words }: { readonly changing: Changing; readonly words: string }) {
  const [wrong, setWrong] = useState('')
  const takeBack = async () => {
    const sent = await changing.takeBack()
    setWrong(sent.kind === 'wrong' ? sent.words : '')
  }
  return (
    <div role="status" className="mx-6 mb-2 flex flex-wrap items-center gap-3 text-[13px] max-md:mx-3">
      <span>{words}</span>
      {changing.done?.back && <WordButton onClick={() => void takeBack()}>Take it back</WordButton>}
      <WordButton onClick={changing.forget}>Done</WordButton>
      {wrong && (
        <span role="alert" className="text-ember">
          {wrong}
        </span>
      )}
    </div>
  )
}
