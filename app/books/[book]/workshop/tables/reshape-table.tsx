'use client'

import { useState } from 'react'
import { type Edit, limits, linksTo, numberAsKey, pairAsKey, type Table } from '@/core/book'
import { lostWith } from '@/core/rules'
import { inSentence } from '@/core/words'
import { Button, ChoiceBox, Dialog, Labelled, Segments, TextBox, TickBox } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'
import { LostNote } from './lost-note'

interface Props {
  readonly table: Table
  readonly onClose: () => void
  readonly onShow: (table: string) => void
}

type Way = 'kind' | 'rows' | 'join' | 'own' | 'pair'

interface Choice {
  readonly value: Way
  readonly words: string
  /** What comes of it. */
  readonly say: string
  readonly act: string
  readonly ready: boolean
  readonly carryOut: () => void
}

/** One thing or two: fields move to a table of their own, or two tables become one. Needs and links follow. */
export function ReshapeTable({ table, onClose, onShow }: Props) {
  const { book, edit } = useWorkshop()
  const [way, setWay] = useState<Way>('kind')
  const [name, setName] = useState('')
  const [fields, setFields] = useState<readonly string[]>([])
  const [other, setOther] = useState('')
  const noun = inSentence(table.name)
  const others = book.tables.filter((one) => one.role === undefined && one !== table)
  const canMove = table.fields.filter((field) => !table.key.includes(field.id))

  const leading = linksTo(book, other).length
  const pair = pairAsKey(book, table)

  const [ids] = useState(() => ({ id: freshId(), keyField: freshId(), link: freshId(), linkField: freshId() }))
  const splitting = (as: 'kind' | 'rows'): Edit => ({
    kind: 'splitTable',
    table: table.id,
    name,
    fields: [...fields],
    as,
    ...ids,
  })
  const split = (as: 'kind' | 'rows') => {
    if (!edit(splitting(as))) return
    onClose()
    onShow(ids.id)
  }
  const joining: Edit = { kind: 'mergeTables', from: other, into: table.id }
  const endWith = (wish: Edit) => {
    if (edit(wish)) onClose()
  }
  const apart = { act: 'Split it', ready: Boolean(name.trim()) && fields.length > 0 }
  const choices: readonly (Choice | false | undefined)[] = [
    {
      value: 'kind',
      words: 'A record and its kind',
      say: `What many records share moves to a table of its own, and each ${noun} is linked to one of it: a model, and the one that stands in a house.`,
      ...apart,
      carryOut: () => split('kind'),
    },
    {
      value: 'rows',
      words: 'A record and its rows',
      say: `What comes several times for each ${noun} moves to rows of its own, linked to it.`,
      ...apart,
      carryOut: () => split('rows'),
    },
    table.role === undefined &&
      others.length > 0 && {
        value: 'join',
        words: 'Two tables that are one',
        say: 'All fields, links and needs of the other table come here. What both have is kept once.',
        act: 'Merge them',
        ready: other !== '',
        carryOut: () => endWith(joining),
      },
    table.role === 'joining' && {
      value: 'own',
      words: 'Records of its own',
      say: `Each ${noun} gets a number as its key. The same two may then be linked more than once.`,
      act: 'Give it a number',
      ready: true,
      carryOut: () =>
        endWith({
          kind: 'together',
          say: `Give ${table.name} a number of its own as key`,
          edits: numberAsKey(table, freshId),
        }),
    },
    pair && {
      value: 'pair',
      words: 'Only a pair',
      say: 'Its two links together become the key, and its number goes. The same two can then be linked once at most.',
      act: 'Make the pair its key',
      ready: true,
      carryOut: () => endWith({ kind: 'together', say: `Make its pair the key of ${table.name}`, edits: pair }),
    },
  ]
  const ways = choices.filter((choice) => typeof choice === 'object')
  const chosen = ways.find((choice) => choice.value === way) ?? ways[0]!
  const wish = way === 'join' ? joining : way === 'kind' || way === 'rows' ? splitting(way) : undefined
  const lost = wish && chosen.ready ? lostWith(book, wish) : []
  return (
    <Dialog
      open
      onClose={onClose}
      title={`${table.name}: one table or two?`}
      say="Links, needs, rules and what is calculated follow. One undo reverses all of it."
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" disabled={!chosen.ready} onClick={chosen.carryOut}>
            {chosen.act}
          </Button>
        </>
      }
    >
      <div className="mt-3 flex flex-col gap-3">
        <Segments label="What it is" small value={way} onChange={setWay} options={ways} />
        <p className="text-[13px] text-ash-6">{chosen.say}</p>
        {way === 'join' && (
          <Labelled
            label={`Merge into ${table.name}`}
            htmlFor="join-other"
            hint={leading > 0 ? `${leading} links to it will be links to this table.` : undefined}
          >
            <ChoiceBox id="join-other" value={other} onChange={(event) => setOther(event.target.value)}>
              <option value="">Choose a table</option>
              {others.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </ChoiceBox>
          </Labelled>
        )}
        {(way === 'kind' || way === 'rows') && (
          <>
            <Labelled label="Name of the new table" htmlFor="split-name">
              <TextBox
                id="split-name"
                maxLength={limits.nameLength}
                value={name}
                onChange={(event) => setName(event.target.value)}
              />
            </Labelled>
            <fieldset>
              <legend className="mb-1 text-[13px] text-ash-6">What moves</legend>
              {canMove.length === 0 && <p>There is nothing but the key yet.</p>}
              <ul className="max-h-56 overflow-y-auto">
                {canMove.map((field) => (
                  <li key={field.id}>
                    <TickBox
                      id={`split-${field.id}`}
                      label={field.name}
                      checked={fields.includes(field.id)}
                      onChange={(on) => setFields(on ? [...fields, field.id] : fields.filter((id) => id !== field.id))}
                    />
                  </li>
                ))}
              </ul>
            </fieldset>
          </>
        )}
        <LostNote lost={lost} />
      </div>
    </Dialog>
  )
}
