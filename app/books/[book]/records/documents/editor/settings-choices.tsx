'use client'

import { limits, type Labels, type Table, type Window, windows } from '@/core/book'
import { windowFields } from '@/core/reports'
import { ChoiceBox, Labelled, TextBox, TickBox } from '@/ui/kit'
import { Millimetres } from '../../paper/millimetres'
import { PaperChoices } from '../../paper/paper-choices'
import { HandedChoices } from './handed-choices'
import type { Settings } from './text-of'

interface Props {
  /** Whose records it is written for. */
  readonly table: Table
  readonly settings: Settings
  readonly onChange: (to: Settings) => void
}

/** What isn't a document's text: how it is called, its paper, where the address stands. */
export function SettingsChoices({ table, settings, onChange }: Props) {
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
      {!settings.labels && (
        <HandedChoices table={table} handed={settings.handed} onChange={(handed) => set({ handed })} />
      )}
    </section>
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
