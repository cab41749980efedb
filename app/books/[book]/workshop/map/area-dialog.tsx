'use client'

import { type FormEvent, useState } from 'react'
import type { Area } from '@/core/book'
import { freshId } from '@/ui/ids'
import { Button, Dialog, Labelled, Segments, TextBox } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'

const tones = [
  { value: 'spruce', words: 'Spruce' },
  { value: 'brass', words: 'Brass' },
  { value: 'sky', words: 'Sky' },
  { value: 'moss', words: 'Moss' },
  { value: 'plum', words: 'Plum' },
] as const

interface Props {
  /** The area to change; none for a new one. */
  readonly area?: Area
  readonly tables: readonly string[]
  readonly onClose: () => void
}

/** An area's name and colour. */
export function AreaDialog({ area, tables, onClose }: Props) {
  const { edit } = useWorkshop()
  const [name, setName] = useState(area?.name ?? '')
  const [tone, setTone] = useState<Area['tone']>(area?.tone ?? 'spruce')
  const keep = (event: FormEvent) => {
    event.preventDefault()
    if (!name.trim()) return
    const kept = area
      ? edit({ kind: 'changeArea', id: area.id, name: name.trim(), tone })
      : edit({ kind: 'addArea', id: freshId(), name: name.trim(), tone, tables: [...tables] })
    if (kept) onClose()
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={area ? 'The area' : 'A new area'}
      say="A named area behind cards that go together."
      actions={
        <>
          {area && (
            <Button
              onClick={() => {
                edit({ kind: 'removeArea', id: area.id })
                onClose()
              }}
            >
              Remove the area
            </Button>
          )}
          <Button look="main" type="submit" form="map-area" disabled={!name.trim()}>
            {area ? 'Save the change' : 'Make the area'}
          </Button>
        </>
      }
    >
      <form id="map-area" onSubmit={keep} className="flex flex-col gap-3">
        <Labelled label="Its name" htmlFor="map-area-name">
          <TextBox
            id="map-area-name"
            autoFocus
            maxLength={60}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </Labelled>
        <Segments label="Its colour" value={tone} options={tones} onChange={setTone} small />
      </form>
    </Dialog>
  )
}
