'use client'

import { useState } from 'react'
import { limits, type Paper, type Report } from '@/core/book'
import { nameOf, type ReadList } from '@/core/lists'
import { leastLetters, shownIn } from '@/core/reports'
import { ChoiceBox, Labelled, PassageBox, Segments, TextBox, TickBox } from '@/ui/kit'
import { useRecords } from '../records-context'
import { LetterheadChoices } from './letterhead-choices'
import type { ReportPart } from './outline'

interface Props {
  readonly part: ReportPart
  readonly report: Report
  readonly read: ReadList
  readonly onChange: (to: Partial<Report>) => void
  /** Something that all reports share is another now: the pages are to be laid anew. */
  readonly onLaid: () => void
}

/** The choices of one part of a report. */
export function Choices(props: Props) {
  switch (props.part) {
    case 'heading':
      return <Heading {...props} />
    case 'opening':
    case 'closing':
      return <Words {...props} part={props.part} />
    case 'groups':
      return <Groups {...props} />
    case 'columns':
      return <Columns {...props} />
    case 'rows':
      return <Rows {...props} />
    case 'letterhead':
      return <LetterheadChoices onLaid={props.onLaid} />
    case 'paper':
      return <PaperChoices {...props} />
  }
}

function Heading({ report, onChange }: Props) {
  const { book } = useRecords()
  const list = book.lists.find(({ id }) => id === report.list)
  return (
    <>
      <Labelled label="Heading" htmlFor="report-name">
        <TextBox
          id="report-name"
          value={report.name ?? ''}
          maxLength={limits.nameLength}
          placeholder={list && nameOf(book, list)}
          onChange={(event) => onChange({ name: event.target.value || undefined })}
        />
      </Labelled>
      <TickBox
        id="report-asked"
        checked={!report.plain}
        label="With what was asked, beneath it"
        onChange={(asked) => onChange({ plain: asked ? undefined : true })}
      />
    </>
  )
}

function Words({ part, report, onChange }: Props & { readonly part: 'opening' | 'closing' }) {
  return (
    <Labelled label={part === 'opening' ? 'Opening words' : 'Closing words'} htmlFor={`report-${part}`}>
      <PassageBox
        id={`report-${part}`}
        rows={6}
        value={report[part] ?? ''}
        maxLength={limits.describeLength}
        onChange={(event) => onChange({ [part]: event.target.value || undefined })}
      />
    </Labelled>
  )
}

function Groups({ report, read, onChange }: Props) {
  return (
    <TickBox
      id="report-apart"
      checked={report.apart === true}
      label={`Each ${read.groups[0]?.heading.toLowerCase() ?? 'group'} begins a page`}
      onChange={(apart) => onChange({ apart: apart ? true : undefined })}
    />
  )
}

function Columns({ report, read, onChange }: Props) {
  const without = report.without ?? []
  const shown = shownIn(read, report)
  return (
    <fieldset>
      <legend className="pb-1 text-[13px] text-ash-6">On paper</legend>
      {read.columns.map(({ id, heading }, at) => {
        const isShown = shown.includes(at)
        return (
          <TickBox
            key={id}
            id={`report-column-${id}`}
            checked={isShown}
            disabled={isShown && shown.length === 1}
            label={heading}
            onChange={(now) => {
              const left = now ? without.filter((one) => one !== id) : [...without, id]
              onChange({ without: left.length > 0 ? left : undefined })
            }}
          />
        )
      })}
    </fieldset>
  )
}

function Rows({ report, onChange }: Props) {
  return (
    <>
      <Labelled label="Between two rows" htmlFor="report-rows">
        <ChoiceBox
          id="report-rows"
          value={report.rows}
          onChange={(event) => onChange({ rows: event.target.value as Report['rows'] })}
        >
          <option value="lines">a line</option>
          <option value="tint">every other tinted</option>
          <option value="none">nothing</option>
        </ChoiceBox>
      </Labelled>
      <Labelled label="Room around each" htmlFor="report-room">
        <ChoiceBox
          id="report-room"
          value={report.room}
          onChange={(event) => onChange({ room: event.target.value as Report['room'] })}
        >
          <option value="tight">tight</option>
          <option value="usual">usual</option>
          <option value="wide">wide</option>
        </ChoiceBox>
      </Labelled>
    </>
  )
}

const letterSizes = Array.from({ length: 17 }, (_, at) => leastLetters + at / 2)
const names = { a4: 'A4', a5: 'A5', letter: 'Letter', legal: 'Legal' } as const

function PaperChoices({ report, onChange }: Props) {
  const { paper } = report
  const set = (to: Partial<Paper>) => onChange({ paper: { ...paper, ...to } })
  const isOwn = typeof paper.size !== 'string'
  const turn = (turned: boolean) => {
    const { turned: _turned, ...rest } = paper
    onChange({ paper: turned ? { ...rest, turned: true } : rest })
  }
  return (
    <>
      <Labelled label="Paper" htmlFor="report-paper">
        <ChoiceBox
          id="report-paper"
          value={isOwn ? 'own' : (paper.size as string)}
          onChange={(event) => {
            const size = event.target.value
            set({ size: size === 'own' ? { width: 200, height: 280 } : (size as keyof typeof names) })
          }}
        >
          {Object.entries(names).map(([size, words]) => (
            <option key={size} value={size}>
              {words}
            </option>
          ))}
          <option value="own">a size of its own …</option>
        </ChoiceBox>
      </Labelled>
      {typeof paper.size !== 'string' && (
        <div className="flex gap-2">
          <Millimetres
            label="Width, mm"
            id="report-width"
            value={paper.size.width}
            least={60}
            most={900}
            onChange={(width) => typeof paper.size !== 'string' && set({ size: { ...paper.size, width } })}
          />
          <Millimetres
            label="Height, mm"
            id="report-height"
            value={paper.size.height}
            least={60}
            most={900}
            onChange={(height) => typeof paper.size !== 'string' && set({ size: { ...paper.size, height } })}
          />
        </div>
      )}
      <Segments
        small
        label="How the paper lies"
        value={paper.turned ? 'side' : 'upright'}
        options={[
          { value: 'upright', words: 'upright' },
          { value: 'side', words: 'on its side' },
        ]}
        onChange={(how) => turn(how === 'side')}
      />
      <Millimetres
        label="Margins, mm"
        id="report-margin"
        value={paper.margin}
        least={5}
        most={60}
        onChange={(margin) => set({ margin })}
      />
      <Labelled label="Letters, points" htmlFor="report-letters">
        <ChoiceBox
          id="report-letters"
          value={report.letters}
          onChange={(event) => onChange({ letters: Number(event.target.value) })}
        >
          {[...new Set([...letterSizes, report.letters])].map((size) => (
            <option key={size} value={size}>
              {size}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
    </>
  )
}

interface MillimetresProps {
  readonly label: string
  readonly id: string
  readonly value: number
  readonly least: number
  readonly most: number
  readonly onChange: (value: number) => void
}

/** A measure; what is out of bounds is said and changes nothing. */
function Millimetres({ label, id, value, least, most, onChange }: MillimetresProps) {
  const [typed, setTyped] = useState<string>()
  const number = typed === undefined ? value : Number(typed)
  const isFit = Number.isInteger(number) && number >= least && number <= most
  return (
    <div>
      <Labelled label={label} htmlFor={id}>
        <TextBox
          id={id}
          inputMode="numeric"
          value={typed ?? String(value)}
          invalid={!isFit}
          onChange={(event) => {
            setTyped(event.target.value)
            const next = Number(event.target.value)
            if (event.target.value.trim() && Number.isInteger(next) && next >= least && next <= most) onChange(next)
          }}
          onBlur={() => isFit && setTyped(undefined)}
        />
      </Labelled>
      {!isFit && (
        <p className="text-[13px] text-ember">
          From {least} to {most}, whole.
        </p>
      )}
    </div>
  )
}
