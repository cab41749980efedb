'use client'

import { Download } from 'lucide-react'
import type { Book } from '@/core/book'
import type { MapReading } from '@/core/map'
import { Button, ChoiceBox, Segments } from '@/ui/kit'

interface Props {
  readonly book: Book
  readonly reading: MapReading
  readonly onReading: (reading: MapReading) => void
  readonly lens: number
  readonly onLens: (links: number) => void
  readonly onFind: (table: string) => void
  readonly onTidy: () => void
  readonly onSave: () => void
}

const details = [
  { value: 'names', words: 'Names' },
  { value: 'keys', words: 'Keys' },
  { value: 'fields', words: 'Fields' },
  { value: 'kinds', words: 'Kinds' },
] as const
const senses = [
  { value: 'office', words: 'Designed' },
  { value: 'logical', words: 'Without joining tables' },
  { value: 'physical', words: 'Database' },
] as const
const views = [
  { value: 'links', words: 'Links' },
  { value: 'made-from', words: 'Made from' },
] as const
const viewWords = {
  links: 'Which tables are linked, and how many of each.',
  'made-from': 'What each field is made from, and from which tables it comes.',
} as const
const lenses = [
  { value: '0', words: 'All' },
  { value: '1', words: '1' },
  { value: '2', words: '2' },
  { value: '3', words: '3' },
] as const

/** How the map is read, what is drawn on it, and what can be done with the whole. */
export function MapTools(props: Props) {
  const { book, reading, onReading, lens, onLens } = props
  return (
    <div className="flex flex-col gap-2 border-b border-ash-3 px-4 py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <h1 className="text-base">Map</h1>
        <Segments
          small
          label="What stands on a card"
          value={reading.detail}
          options={details}
          onChange={(detail) => onReading({ ...reading, detail })}
        />
        <Segments
          small
          label="Show as"
          value={reading.sense}
          options={senses}
          onChange={(sense) => onReading({ ...reading, sense })}
        />
        <span className="flex-1" />
        <ChoiceBox
          aria-label="Find a table"
          value=""
          onChange={(event) => event.target.value && props.onFind(event.target.value)}
          className="!w-[150px]"
        >
          <option value="">Find a table …</option>
          {[...book.tables]
            .sort((a, b) => a.name.localeCompare(b.name))
            .map((table) => (
              <option key={table.id} value={table.id}>
                {table.name}
              </option>
            ))}
        </ChoiceBox>
        <Button small onClick={props.onTidy}>
          Tidy up
        </Button>
        <Button small look="main" onClick={props.onSave}>
          <Download size={14} aria-hidden /> Save picture
        </Button>
      </div>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2 text-[13px]">
        <Segments
          small
          label="What is drawn between the cards"
          value={reading.view}
          options={views}
          onChange={(view) => onReading({ ...reading, view })}
        />
        <span className="text-ash-6">{viewWords[reading.view]}</span>
        <span className="flex-1" />
        <span className="text-ash-6">Links away</span>
        <Segments
          small
          label="How many links away from the chosen table"
          value={String(lens)}
          options={lenses}
          onChange={(value) => onLens(Number(value))}
        />
      </div>
    </div>
  )
}
