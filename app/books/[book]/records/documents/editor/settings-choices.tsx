'use client'

import { type Handed, limits, type Labels, type Window, windows } from '@/core/book'
import { writeRunning } from '@/core/kinds'
import { windowFields } from '@/core/reports'
import { ChoiceBox, Labelled, TextBox, TickBox } from '@/ui/kit'
import { Millimetres } from '../../paper/millimetres'
import { PaperChoices } from '../../paper/paper-choices'
import type { Settings } from './text-of'

interface Props {
  readonly settings: Settings
  readonly onChange: (to: Settings) => void
}

/** What isn't a document's text: how it is called, its paper, where the address stands. */
export function SettingsChoices({ settings, onChange }: Props) {
  const set = (to: { readonly [Key in keyof Settings]?: Settings[Key] | undefined }) =>
    onChange(
      Object.fromEntries(Object.entries({ ...settings, ...to }).filter(([, value]) => value !== undefined)) as Settings,
    )
  return (
    <section aria-label="The document" className="flex flex-col gap-2.5">
      <Labelled label="Name" htmlFor="document-name">
        <TextBox
          id="document-name"
          value={settings.name}
          maxLength={limits.nameLength}
          invalid={settings.name.trim() === ''}
          onChange={(event) => set({ name: event.target.value })}
        />
      </Labelled>
      {settings.labels ? (
        <LabelChoices labels={settings.labels} onChange={(labels) => set({ labels })} />
      ) : (
        <>
          <TickBox
            id="document-letterhead"
            checked={settings.bare !== true}
            label="With the letterhead"
            onChange={(on) => set({ bare: on ? undefined : true })}
          />
          <Labelled label="Address in the window of" htmlFor="document-window">
            <ChoiceBox
              id="document-window"
              value={settings.window ?? ''}
              onChange={(event) => set({ window: (event.target.value || undefined) as Window | undefined })}
            >
              <option value="">none, it stands in the text</option>
              {windows.map((one) => (
                <option key={one} value={one}>
                  {windowFields[one].title}
                </option>
              ))}
            </ChoiceBox>
          </Labelled>
        </>
      )}
      <PaperChoices paper={settings.paper} letters={settings.letters} onChange={set} />
      <TickBox
        id="document-labels"
        checked={settings.labels !== undefined}
        label="As labels, several on a sheet"
        onChange={(on) => set({ labels: on ? usual : undefined, ...(on && { window: undefined, handed: undefined }) })}
      />
      {!settings.labels && <HandedChoices handed={settings.handed} onChange={(handed) => set({ handed })} />}
    </section>
  )
}

interface HandedProps {
  readonly handed: Handed | undefined
  readonly onChange: (handed: Handed | undefined) => void
}

/** Whether what is handed out is kept, and under which number. */
function HandedChoices({ handed, onChange }: HandedProps) {
  const { numbered } = handed ?? {}
  const setNumber = (to: Partial<NonNullable<Handed['numbered']>>) => {
    const next = Object.entries({ ...numbered, ...to }).filter(([, value]) => value !== undefined && value !== '')
    onChange({ numbered: Object.fromEntries(next) })
  }
  return (
    <>
      <TickBox
        id="document-handed"
        checked={handed !== undefined}
        label="Keep what is handed out"
        onChange={(on) => onChange(on ? {} : undefined)}
      />
      {handed && (
        <TickBox
          id="document-numbered"
          checked={numbered !== undefined}
          label="With a number, without gaps"
          onChange={(on) => onChange(on ? { numbered: { width: 4 } } : {})}
        />
      )}
      {numbered && (
        <>
          <Labelled label="Begins with (optional)" htmlFor="number-prefix">
            <TextBox
              id="number-prefix"
              value={numbered.prefix ?? ''}
              maxLength={20}
              placeholder="B-"
              onChange={(event) => setNumber({ prefix: event.target.value.trimStart() || undefined })}
            />
          </Labelled>
          <TickBox
            id="number-yearly"
            checked={numbered.yearly === true}
            label="From 1 again each year"
            onChange={(yearly) => setNumber({ yearly: yearly ? true : undefined })}
          />
          <p className="text-[13px] text-ash-6">
            The first is {writeRunning(1, numbered, '2027')}. Put “Its number” into the text.
          </p>
        </>
      )}
    </>
  )
}

/** Three by eight on A4, from edge to edge. */
const usual: Labels = { across: 3, down: 8, width: 70, height: 37, left: 0, top: 0.5, stepAcross: 70, stepDown: 37 }

interface LabelProps {
  readonly labels: Labels
  readonly onChange: (labels: Labels) => void
}

const measures = [
  ['across', 'Labels beside each other', 1, 20],
  ['down', 'Labels under each other', 1, 50],
  ['width', 'Width of one, mm', 10, 900],
  ['height', 'Height of one, mm', 5, 900],
  ['left', 'From the left edge, mm', 0, 200],
  ['top', 'From the top edge, mm', 0, 200],
  ['stepAcross', 'To the next beside it, mm', 10, 900],
  ['stepDown', 'To the next under it, mm', 5, 900],
] as const

/** How labels lie on their sheet: as it says on the packet. */
function LabelChoices({ labels, onChange }: LabelProps) {
  return (
    <fieldset className="grid grid-cols-2 gap-2">
      <legend className="pb-1 text-[13px] text-ash-6">As it says on the packet</legend>
      {measures.map(([key, label, least, most]) => (
        <Millimetres
          key={key}
          id={`label-${key}`}
          label={label}
          value={labels[key]}
          least={least}
          most={most}
          tenths={key !== 'across' && key !== 'down'}
          onChange={(value) => onChange({ ...labels, [key]: value })}
        />
      ))}
    </fieldset>
  )
}
