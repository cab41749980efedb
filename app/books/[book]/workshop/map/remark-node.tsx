'use client'

import type { NodeProps } from '@xyflow/react'
import { type FormEvent, useState } from 'react'
import type { Remark } from '@/core/book'
import type { Point } from '@/core/map'
import { RemarkDrawing, remarkBox } from '@/ui/drawing/map/ground-drawing'
import { screenTheme } from '@/ui/drawing/map/theme'
import { Button, Dialog, Labelled, PassageBox } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'
import { useMapLook } from './map-look'

/** A note that lies on the map; a double click opens it. */
export function RemarkNode({ data, selected }: NodeProps) {
  const { remark } = data as { remark: Remark }
  const [open, setOpen] = useState(false)
  const { near } = useMapLook()
  const { width, height } = remarkBox(remark)
  return (
    <div
      onDoubleClick={() => setOpen(true)}
      className={selected ? 'outline-2 outline-spruce' : undefined}
      style={{ width, height, opacity: near ? 0.3 : 1 }}
    >
      <svg width={width} height={height} className="block overflow-visible" aria-hidden>
        <RemarkDrawing remark={{ ...remark, x: 0, y: 0 }} theme={screenTheme} />
      </svg>
      {open && <RemarkDialog remark={remark} onClose={() => setOpen(false)} />}
    </div>
  )
}

interface DialogProps {
  readonly remark: Remark
  /** For a new note: where it is put, and what brings it into sight there. */
  readonly isNew?: { readonly spotFor: (remark: Remark) => Point; readonly show: (remark: Remark) => void }
  readonly onClose: () => void
}

/** The words of a note. */
export function RemarkDialog({ remark, isNew, onClose }: DialogProps) {
  const { edit } = useWorkshop()
  const [text, setText] = useState(remark.text)
  const keep = (event: FormEvent) => {
    event.preventDefault()
    const worded = { ...remark, text: text.trim() }
    const placed = isNew ? { ...worded, ...isNew.spotFor(worded) } : worded
    const kept = isNew
      ? edit({ kind: 'addRemark', ...placed })
      : text.trim() === remark.text || edit({ kind: 'changeRemark', id: remark.id, text: text.trim() })
    if (!kept) return
    isNew?.show(placed)
    onClose()
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={isNew ? 'A note on the map' : 'The note'}
      actions={
        <>
          {!isNew && (
            <Button
              onClick={() => {
                edit({ kind: 'removeRemark', id: remark.id })
                onClose()
              }}
            >
              Remove it
            </Button>
          )}
          <Button look="main" type="submit" form="map-remark" disabled={!text.trim()}>
            Save
          </Button>
        </>
      }
    >
      <form id="map-remark" onSubmit={keep}>
        <Labelled label="What it says" htmlFor="map-remark-text">
          <PassageBox
            id="map-remark-text"
            autoFocus
            maxLength={600}
            value={text}
            onChange={(event) => setText(event.target.value)}
          />
        </Labelled>
      </form>
    </Dialog>
  )
}
