'use client'

import { useState } from 'react'
import { type Book, type Edit, fieldOf, freeName, limits, linksTo, type Table, tableOf } from '@/core/book'
import { inSentence, listed } from '@/core/words'
import { Button, ChoiceBox, Dialog, Labelled, Segments, TextBox, TickBox } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'

interface Props {
  readonly table: Table
  readonly onClose: () => void
  readonly onShow: (table: string) => void
}

type Way = 'kind' | 'rows' | 'join' | 'own' | 'pair'

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

  const split = () => {
    const id = freshId()
    const ids = { id, keyField: freshId(), link: freshId(), linkField: freshId() }
    if (
      (way === 'kind' || way === 'rows') &&
      edit({ kind: 'splitTable', table: table.id, name, fields: [...fields], as: way, ...ids })
    ) {
      onClose()
      onShow(id)
    }
  }
  const join = () => {
    if (edit({ kind: 'mergeTables', from: other, into: table.id })) onClose()
  }
  const leading = linksTo(book, other).length
  const pair = pairFor(book, table)
  const ownNumber = () => {
    const id = freshId()
    const number = freeName(`${table.name.slice(0, limits.nameLength - 7)} number`, table.fields)
    const edits: Edit[] = [
      { kind: 'addField', table: table.id, id, name: number, holds: 'running', before: table.fields[0]?.id ?? null },
      { kind: 'setKey', table: table.id, fields: [id] },
    ]
    if (edit({ kind: 'together', say: `Give ${table.name} a number of its own as key`, edits })) onClose()
  }
  const pairAsKey = () => {
    if (!pair) return
    const edits: Edit[] = [
      { kind: 'setKey', table: table.id, fields: pair.links },
      { kind: 'removeField', field: pair.number },
    ]
    if (edit({ kind: 'together', say: `Make its pair the key of ${table.name}`, edits })) onClose()
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={`${table.name}: one thing or two?`}
      say="Links, needs and everything else follow. One undo takes it back."
      actions={
        <>
          <Button onClick={onClose}>Leave it</Button>
          {way === 'join' && (
            <Button look="main" disabled={!other} onClick={join}>
              Make them one
            </Button>
          )}
          {(way === 'kind' || way === 'rows') && (
            <Button look="main" disabled={!name.trim() || fields.length === 0} onClick={split}>
              Make it two
            </Button>
          )}
          {way === 'own' && (
            <Button look="main" onClick={ownNumber}>
              Give it a number
            </Button>
          )}
          {way === 'pair' && (
            <Button look="main" onClick={pairAsKey}>
              Make the pair its key
            </Button>
          )}
        </>
      }
    >
      <div className="mt-3 flex flex-col gap-3">
        <Segments
          label="What it is"
          small
          value={way}
          onChange={setWay}
          options={[
            { value: 'kind', words: 'A thing and its kind' },
            { value: 'rows', words: 'A thing and its rows' },
            ...(table.role === undefined && others.length > 0
              ? [{ value: 'join' as const, words: 'Two that are one' }]
              : []),
            ...(table.role === 'joining' ? [{ value: 'own' as const, words: 'Records of its own' }] : []),
            ...(pair ? [{ value: 'pair' as const, words: 'Only a pair' }] : []),
          ]}
        />
        <p className="text-[13px] text-ash-6">
          {way === 'kind' &&
            `What many records share moves to a table of its own, and each ${noun} leads to one of it: a model, and the one that stands in a house.`}
          {way === 'rows' && `What comes several times for each ${noun} moves to rows that hang on it.`}
          {way === 'join' && `All fields, links and needs of the other table come here. What both have is kept once.`}
          {way === 'own' &&
            `Each ${noun} gets a number as its key and is a thing of its own. The same two may then come together more than once.`}
          {way === 'pair' &&
            `${listed(pair!.links.map((id) => fieldOf(table, id).name))} together become the key, and its number goes. The same two then come together once at most.`}
        </p>
        {way === 'join' && (
          <Labelled
            label={`Bring into ${table.name}`}
            htmlFor="join-other"
            hint={leading > 0 ? `${leading} links lead to it; they will lead here.` : undefined}
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
      </div>
    </Dialog>
  )
}

/** The two links that could be a table's key instead of the number it was given, where nothing leads to it. */
function pairFor(book: Book, table: Table): { readonly links: string[]; readonly number: string } | undefined {
  const [number] = table.key
  const counted = table.key.length === 1 && table.fields.find((field) => field.id === number)?.kind === 'running'
  const links = book.links.filter(
    (link) => link.many === table.id && link.one !== table.id && tableOf(book, link.one).role !== 'pick-list',
  )
  if (!number || !counted || links.length !== 2 || linksTo(book, table.id).length > 0) return undefined
  return { links: links.map((link) => link.field), number }
}
