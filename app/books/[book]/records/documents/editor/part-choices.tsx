'use client'

import type { Editor } from '@tiptap/react'
import { X } from 'lucide-react'
import type { ReactNode } from 'react'
import { codeKinds, limits, type Writing } from '@/core/book'
import { writingsFor } from '@/core/reports'
import { inSentence } from '@/core/words'
import { Button, ChoiceBox, IconButton, Labelled, TextBox, TickBox, WordButton } from '@/ui/kit'
import { useRecords } from '../../records-context'
import { useChip } from './chip-view'
import { PictureChoices } from './picture-choices'
import { RowsChoices } from './rows-choices'
import { dropPart, type Selected, setPart } from './selected'
import type { ChipParts, CodeParts, FieldsParts, PictureParts } from './text-of'

type Part = NonNullable<Selected['part']>

interface Props {
  readonly editor: Editor
  readonly part: Part
}

const titles: Readonly<Record<Part['name'], string>> = {
  chip: 'A value in the text',
  code: 'A code for scanning',
  fields: 'Fields with their names',
  rows: 'Rows',
  picture: 'A picture',
  room: 'Room to write by hand',
  signatures: 'To be signed',
  pageTurn: 'A new page',
  horizontalRule: 'A line across',
}

/** The choices of the part that is chosen. */
export function PartChoices({ editor, part }: Props) {
  const set = (attrs: object) => setPart(editor, part.at, attrs)
  return (
    <section aria-label="Choices" className="flex flex-col gap-2.5">
      <h3 className="font-semibold">{titles[part.name]}</h3>
      {part.name === 'chip' && (
        <ChipChoices parts={part.attrs.parts as ChipParts} onChange={(parts) => set({ parts })} />
      )}
      {part.name === 'code' && (
        <CodeChoices parts={part.attrs.parts as CodeParts} onChange={(parts) => set({ parts })} />
      )}
      {part.name === 'fields' && (
        <FieldsChoices parts={part.attrs.parts as FieldsParts} onChange={(parts) => set({ parts })} />
      )}
      {part.name === 'rows' && <RowsChoices part={part} onChange={(parts) => set({ parts })} />}
      {part.name === 'picture' && (
        <PictureChoices parts={part.attrs.parts as PictureParts} onChange={(parts) => set({ parts })} />
      )}
      {part.name === 'room' && (
        <Labelled label="How many lines" htmlFor="room-lines">
          <ChoiceBox
            id="room-lines"
            value={part.attrs.lines as number}
            onChange={(event) => set({ lines: Number(event.target.value) })}
          >
            {Array.from({ length: 40 }, (_, at) => (
              <option key={at}>{at + 1}</option>
            ))}
          </ChoiceBox>
        </Labelled>
      )}
      {part.name === 'signatures' && (
        <SignatureChoices of={part.attrs.of as readonly string[]} onChange={(of) => set({ of })} />
      )}
      <p>
        <WordButton onClick={() => dropPart(editor, part.at)}>Take it out</WordButton>
      </p>
    </section>
  )
}

const writingNames: Readonly<Record<Writing, string>> = {
  long: '12 March 2027',
  weekday: 'Friday 12 March 2027',
  words: 'in words',
  counted: 'with what is counted: “3 …”',
  capitals: 'in CAPITALS',
}

interface ChipProps {
  readonly parts: ChipParts
  readonly onChange: (parts: ChipParts) => void
}

function ChipChoices({ parts, onChange }: ChipProps) {
  const { book } = useRecords()
  const { name, column, example, why } = useChip(parts)
  const isToday = 'what' in parts && parts.what === 'today'
  const writings = column ? writingsFor(book, column) : isToday ? (['weekday'] as const) : []
  const put = (key: string, value: string | undefined) => {
    const { [key as 'as']: _old, ...rest } = parts
    onChange(value ? { ...rest, [key]: value } : rest)
  }
  return (
    <>
      <p>
        <b className="font-semibold">{name}</b>
        {example && <span className="text-ash-6"> {example}</span>}
      </p>
      {why && <p className="text-[13px] text-ember">{why}</p>}
      {writings.length > 0 && (
        <Labelled label="Written as" htmlFor="chip-as">
          <ChoiceBox id="chip-as" value={parts.as ?? ''} onChange={(event) => put('as', event.target.value)}>
            <option value="">{isToday ? writingNames.long : 'usual'}</option>
            {writings.map((one) => (
              <option key={one} value={one}>
                {writingNames[one]}
              </option>
            ))}
          </ChoiceBox>
        </Labelled>
      )}
      {'shows' in parts && parts.as === 'counted' && (
        <Labelled label="One of them is called" htmlFor="chip-noun">
          <TextBox
            id="chip-noun"
            value={parts.noun ?? ''}
            maxLength={limits.nameLength}
            placeholder={inSentence(name)}
            onChange={(event) => put('noun', event.target.value)}
          />
        </Labelled>
      )}
      {'shows' in parts && (
        <Labelled label="Where there is none, say (optional)" htmlFor="chip-none">
          <TextBox
            id="chip-none"
            value={parts.none ?? ''}
            maxLength={limits.nameLength}
            placeholder="nothing"
            onChange={(event) => put('none', event.target.value)}
          />
        </Labelled>
      )}
    </>
  )
}

interface CodeProps {
  readonly parts: CodeParts
  readonly onChange: (parts: CodeParts) => void
}

const codeSays = {
  code128: 'Code 128: letters, figures and signs',
  qr: 'QR: anything, up to 1,000 letters',
  ean: 'EAN-13: 13 figures with their check digit',
} as const

function CodeChoices({ parts, onChange }: CodeProps) {
  const set = (to: { readonly [Key in keyof CodeParts]?: CodeParts[Key] | undefined }) =>
    onChange(
      Object.fromEntries(
        Object.entries({ ...parts, ...to }).filter(([, value]) => value !== undefined),
      ) as unknown as CodeParts,
    )
  return (
    <>
      <Labelled label="Which code" htmlFor="code-as">
        <ChoiceBox
          id="code-as"
          value={parts.as}
          onChange={(event) => set({ as: event.target.value as CodeParts['as'] })}
        >
          {codeKinds.map((one) => (
            <option key={one} value={one}>
              {codeSays[one]}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
      <Labelled label="Where it stands" htmlFor="code-align">
        <ChoiceBox
          id="code-align"
          value={parts.align ?? ''}
          onChange={(event) => set({ align: (event.target.value || undefined) as CodeParts['align'] })}
        >
          <option value="">at the left</option>
          <option value="middle">in the middle</option>
          <option value="end">at the right</option>
        </ChoiceBox>
      </Labelled>
      <TickBox
        id="code-words"
        checked={parts.bare !== true}
        label="With what it says beneath"
        onChange={(on) => set({ bare: on ? undefined : true })}
      />
    </>
  )
}

interface FieldsProps {
  readonly parts: FieldsParts
  readonly onChange: (parts: FieldsParts) => void
}

function FieldsChoices({ parts, onChange }: FieldsProps) {
  return (
    <>
      <p className="text-[13px] text-ash-6">Tick at the left which fields stand here.</p>
      <Labelled label="Beside each other" htmlFor="fields-across">
        <ChoiceBox
          id="fields-across"
          value={parts.across}
          onChange={(event) => onChange({ ...parts, across: Number(event.target.value) })}
        >
          <option value={1}>one, its name at the left</option>
          <option value={2}>two</option>
          <option value={3}>three</option>
        </ChoiceBox>
      </Labelled>
      <TickBox
        id="fields-blanks"
        checked={parts.blanks === true}
        label="With blank ones, to fill in by hand"
        onChange={(blanks) => {
          const { blanks: _blanks, ...rest } = parts
          onChange(blanks ? { ...rest, blanks: true } : rest)
        }}
      />
    </>
  )
}

interface SignatureProps {
  readonly of: readonly string[]
  readonly onChange: (of: readonly string[]) => void
}

/** Up to three lines to sign on. */
function SignatureChoices({ of, onChange }: SignatureProps): ReactNode {
  return (
    <>
      {of.map((words, at) => (
        <div key={at} className="flex items-end gap-1">
          <div className="min-w-0 flex-1">
            <Labelled label={`Under line ${at + 1}`} htmlFor={`signature-${at}`}>
              <TextBox
                id={`signature-${at}`}
                value={words}
                maxLength={limits.nameLength}
                onChange={(event) => onChange(of.with(at, event.target.value))}
              />
            </Labelled>
          </div>
          <IconButton
            label={`Without line ${at + 1}`}
            disabled={of.length === 1}
            onClick={() => onChange(of.toSpliced(at, 1))}
          >
            <X size={14} aria-hidden />
          </IconButton>
        </div>
      ))}
      {of.length < 3 && (
        <Button className="self-start" onClick={() => onChange([...of, 'Signed'])}>
          Another line
        </Button>
      )}
    </>
  )
}
