'use client'

import { useMemo, useState } from 'react'
import { toast } from 'sonner'
import { showValue } from '@/core/kinds'
import { type PaperName, papers, type PaperWish, planPaper, readable } from '@/core/map'
import { officeNow } from '@/app/office-now'
import { type FileTheme, fileThemes } from '@/ui/drawing/map/theme'
import { type Lit, MapPicture, pictureBox, type Pictured } from '@/ui/drawing/map/picture'
import type { TitleWords } from '@/ui/drawing/map/title-block'
import { Button, ChoiceBox, Dialog, Labelled, Segments, TextBox } from '@/ui/kit'
import { useWorkshop } from '../../workshop-context'
import type { DrawnSheet } from '../use-map'
import { handOver } from '@/ui/hand-over'
import { pngFile, svgFile, svgPages } from './draw-file'

interface Props {
  readonly sheet: DrawnSheet
  readonly lit: Lit | undefined
  readonly onClose: () => void
}

const formats = [
  { value: 'svg', words: 'Drawing (SVG)' },
  { value: 'png', words: 'Picture (PNG)' },
  { value: 'pdf', words: 'For paper (PDF)' },
] as const
const resolutions = [
  { value: '96', words: 'Screen, 96 dots an inch' },
  { value: '192', words: 'Sharp screen, 192' },
  { value: '300', words: 'Print, 300' },
] as const

/** Saves what is on the map as a file: how it is titled, coloured and laid on paper. */
export function SavePicture({ sheet, lit, onClose }: Props) {
  const { id, book, revision, edit } = useWorkshop()
  const [format, setFormat] = useState<'svg' | 'png' | 'pdf'>('pdf')
  const [look, setLook] = useState<FileTheme>('light')
  const [title, setTitle] = useState(book.sheet.title ?? book.name)
  const [author, setAuthor] = useState(book.sheet.author ?? '')
  const [version, setVersion] = useState(book.sheet.revision ?? '')
  const [paper, setPaper] = useState<PaperWish>({ paper: 'a4', upright: false, pages: 'one' })
  const [dots, setDots] = useState('192')
  const [busy, setBusy] = useState(false)
  const date = showValue(officeNow().moment.slice(0, 10), { name: '', kind: 'date' }, book.look)
  const words: TitleWords = {
    title: title.trim(),
    author: author.trim(),
    date,
    revision: version.trim() || String(revision),
  }
  const pictured: Pictured = { ...sheet, areas: book.areas, remarks: book.remarks, lit }
  const theme = fileThemes[look].colours
  const whole = pictureBox(pictured, words)
  const plan = useMemo(() => planPaper(whole, paper), [whole, paper])
  const name = (words.title || book.name).replace(/[\\/:*?"<>|]+/g, ' ').trim()

  const keepWords = () => {
    const sheetWords = { title: words.title, author: words.author, revision: version.trim() }
    const same =
      sheetWords.title === (book.sheet.title ?? book.name) &&
      sheetWords.author === (book.sheet.author ?? '') &&
      sheetWords.revision === (book.sheet.revision ?? '')
    if (!same) edit({ kind: 'changeSheet', sheet: sheetWords })
  }
  const save = async () => {
    setBusy(true)
    try {
      keepWords()
      const wish = { pictured, theme, words }
      let but = ''
      if (format === 'pdf') {
        const body = JSON.stringify({
          title: words.title,
          width: plan.width,
          height: plan.height,
          margin: plan.margin,
          pages: svgPages(wish, plan),
        })
        const answer = await fetch(`/books/${id}/workshop/map/pdf`, {
          method: 'POST',
          body,
          headers: { 'content-type': 'application/json' },
        })
        if (!answer.ok) throw new Error('The pages could not be made.')
        handOver(await answer.blob(), `${name}.pdf`)
        const missing = decodeURIComponent(answer.headers.get('x-letters-missing') ?? '')
        if (missing)
          but = `The PDF has no shapes for ${[...missing].join(' ')} and leaves a box in place of each. A picture (PNG) has them as you see them here.`
      } else {
        const svg = await svgFile(wish)
        if (format === 'svg') handOver(new Blob([svg], { type: 'image/svg+xml' }), `${name}.svg`)
        else {
          const made = await pngFile(svg, whole.width, whole.height, Number(dots) / 96)
          handOver(made.blob, `${name}.png`)
          if (made.scale < Number(dots) / 96)
            but = `It is ${made.width} by ${made.height} dots, the most this browser can draw.`
        }
      }
      // What there is to know beyond that stays long enough to be read.
      toast('The map is saved.', but ? { description: but, duration: 20_000 } : undefined)
      onClose()
    } catch (cause) {
      toast.error(cause instanceof Error ? cause.message : 'It could not be saved.')
    } finally {
      setBusy(false)
    }
  }
  return (
    <Dialog
      open
      wide
      onClose={onClose}
      title="Save the map"
      say="What is saved is what the map shows now: the same cards, lines and words."
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" disabled={busy} onClick={() => void save()}>
            {busy ? 'Drawing …' : 'Save'}
          </Button>
        </>
      }
    >
      <div className="mt-3 grid gap-4 sm:grid-cols-[1fr_300px]">
        <div className="flex flex-col gap-3">
          <Segments label="What kind of file" value={format} options={formats} onChange={setFormat} small />
          <div className="grid gap-3 sm:grid-cols-2">
            <Labelled label="Title" htmlFor="map-title">
              <TextBox
                id="map-title"
                maxLength={120}
                value={title}
                onChange={(event) => setTitle(event.target.value)}
              />
            </Labelled>
            <Labelled label="Author" htmlFor="map-author">
              <TextBox
                id="map-author"
                maxLength={120}
                value={author}
                onChange={(event) => setAuthor(event.target.value)}
              />
            </Labelled>
            <Labelled label="Revision" htmlFor="map-revision">
              <TextBox
                id="map-revision"
                maxLength={40}
                value={version}
                placeholder={String(revision)}
                onChange={(event) => setVersion(event.target.value)}
              />
            </Labelled>
            <Labelled label="Colours" htmlFor="map-look">
              <ChoiceBox id="map-look" value={look} onChange={(event) => setLook(event.target.value as FileTheme)}>
                {Object.entries(fileThemes).map(([value, { title: called }]) => (
                  <option key={value} value={value}>
                    {called}
                  </option>
                ))}
              </ChoiceBox>
            </Labelled>
          </div>
          {format === 'png' && (
            <Labelled label="Resolution" htmlFor="map-dots">
              <ChoiceBox id="map-dots" value={dots} onChange={(event) => setDots(event.target.value)}>
                {resolutions.map(({ value, words: said }) => (
                  <option key={value} value={value}>
                    {said}
                  </option>
                ))}
              </ChoiceBox>
            </Labelled>
          )}
          {format === 'pdf' && <Paper wish={paper} onChange={setPaper} />}
          {format === 'pdf' && <Legible smallest={plan.smallest} pages={plan.pages.length} wish={paper} />}
        </div>
        <div
          className="self-start overflow-hidden rounded-md border border-ash-3"
          aria-label="How it will look"
          role="img"
        >
          <MapPicture pictured={pictured} theme={theme} words={words} size={{ width: '100%', height: '220' }} />
        </div>
      </div>
    </Dialog>
  )
}

function Paper({ wish, onChange }: { readonly wish: PaperWish; readonly onChange: (wish: PaperWish) => void }) {
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Labelled label="Paper" htmlFor="map-paper">
        <ChoiceBox
          id="map-paper"
          value={wish.paper}
          onChange={(event) => onChange({ ...wish, paper: event.target.value as PaperName })}
        >
          {Object.entries(papers).map(([value, { title }]) => (
            <option key={value} value={value}>
              {title}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
      <div className="flex">
        <Segments
          small
          label="Orientation"
          value={wish.upright ? 'upright' : 'side'}
          options={[
            { value: 'side', words: 'On its side' },
            { value: 'upright', words: 'Upright' },
          ]}
          onChange={(value) => onChange({ ...wish, upright: value === 'upright' })}
        />
      </div>
      <div className="flex">
        <Segments
          small
          label="How many pages"
          value={wish.pages}
          options={[
            { value: 'one', words: 'One page' },
            { value: 'readable', words: 'As many as it takes' },
          ]}
          onChange={(pages) => onChange({ ...wish, pages })}
        />
      </div>
    </div>
  )
}

interface LegibleProps {
  readonly smallest: number
  readonly pages: number
  readonly wish: PaperWish
}

/** Whether what is printed can be read. */
function Legible({ smallest, pages, wish }: LegibleProps) {
  const size = `The smallest lettering prints at ${smallest.toFixed(1)} pt`
  const on = pages === 1 ? 'on one page' : `on ${pages} pages, with marks where they overlap`
  if (smallest >= readable - 0.01) return <p className="text-[13px] text-spruce">✓ {`${size}, ${on}.`}</p>
  return (
    <p role="status" className="text-[13px] text-brass">
      {`${size}, ${on}: too small to read well, ${readable} pt is the least. `}
      {wish.pages === 'one' ? 'Take larger paper, or as many pages as it takes.' : 'Take larger paper.'}
    </p>
  )
}
