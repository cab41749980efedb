'use client'

import { Trash2 } from 'lucide-react'
import { type Edit, type Field, isUnique, mustHold, type Table } from '@/core/book'
import { displayOf } from '@/core/expressions'
import { isDerived, isTyped, type KindName, kindOf, type SettingName, settingRanges } from '@/core/kinds'
import { saidOfField } from '@/core/lists'
import { physicalNames } from '@/core/physical'
import { Button, ChoiceBox, Labelled, TickBox } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'
import { givenKinds } from './add-field'
import { FieldChoices } from './choices-editor'
import { DerivedFromIt, DerivedSettings } from './derived-settings'
import { LinkSettings } from './link-settings'
import { PatternEditor } from './pattern-editor'
import { SettingBox } from './setting-box'
import { TryValue } from './try-value'

type Changes = Extract<Edit, { kind: 'changeField' }>['to']

/** All the settings of one field, only those its kind has a use for. Each is kept when the box is left. */
export function FieldEditor({ table, field }: { readonly table: Table; readonly field: Field }) {
  const { book, edit } = useWorkshop()
  const kind = kindOf(field.kind)
  const uses = new Set<SettingName>(kind.uses)
  const change = (to: Changes) => edit({ kind: 'changeField', field: field.id, to })
  const number = (name: keyof typeof settingRanges) =>
    uses.has(name) && (
      <SettingBox
        key={name}
        id={`${field.id}-${name}`}
        label={settingRanges[name].title}
        text={field[name]?.toString() ?? ''}
        numeric
        onKeep={(text) => change({ [name]: text.trim() === '' ? null : Number(text) })}
      />
    )
  const text = (name: 'unit' | 'prefix', label: string) =>
    uses.has(name) && (
      <SettingBox
        key={name}
        id={`${field.id}-${name}`}
        label={label}
        text={field[name] ?? ''}
        onKeep={(words) => change({ [name]: words || null })}
      />
    )
  const tick = (name: 'exactLength' | 'yearly' | 'picturesOnly', label: string) =>
    uses.has(name) && (
      <TickBox
        key={name}
        id={`${field.id}-${name}`}
        checked={field[name] ?? false}
        label={label}
        onChange={(now) => change({ [name]: now || null })}
      />
    )
  const derived = isDerived(field)
  // Only a number that is derived has decimals to say, or a unit.
  if (derived && !['whole', 'exact', 'measured'].includes(displayOf(book, field).kind))
    for (const name of ['decimals', 'unit'] as const) uses.delete(name)
  const bounded = uses.has('least') || uses.has('most')

  return (
    <div className="mr-2 ml-10 flex flex-col gap-3 border-t border-dashed border-ash-4 pt-3 pb-3">
      <div className="grid grid-cols-[repeat(auto-fill,minmax(140px,1fr))] gap-3">
        <Labelled label="Holds" htmlFor={`${field.id}-kind`}>
          {field.kind === 'link' ? (
            <p className="flex min-h-8 items-center">Link</p>
          ) : (
            <ChoiceBox
              id={`${field.id}-kind`}
              value={field.kind}
              onChange={(event) => change({ kind: event.target.value as KindName })}
            >
              {givenKinds.map((name) => (
                <option key={name} value={name}>
                  {kindOf(name).title}
                </option>
              ))}
            </ChoiceBox>
          )}
        </Labelled>
        {text('prefix', 'Fixed beginning')}
        {!field.pattern && number('length')}
        {number('digits')}
        {number('decimals')}
        {number('width')}
        {number('scale')}
        {number('megabytes')}
        {text('unit', 'Unit shown')}
        {uses.has('startsAs') && <ValueSetting field={field} name="startsAs" label="Starts as" onChange={change} />}
        {uses.has('least') && <ValueSetting field={field} name="least" label="At least" onChange={change} />}
        {uses.has('most') && <ValueSetting field={field} name="most" label="At most" onChange={change} />}
      </div>
      {uses.has('choices') && <FieldChoices field={field} onChange={(choices) => change({ choices })} />}
      {uses.has('pattern') && <PatternEditor field={field} onChange={(pattern) => change({ pattern })} />}
      {field.kind === 'link' && <LinkSettings field={field} />}
      {derived && <DerivedSettings key={field.kind} table={table} field={field} onChange={change} />}
      <div className="grid gap-3 sm:grid-cols-2">
        <SettingBox
          id={`${field.id}-note`}
          label="Note to staff"
          text={field.note ?? ''}
          onKeep={(words) => change({ note: words || null })}
        />
        {bounded ? (
          <SettingBox
            id={`${field.id}-refusal`}
            label="Say to staff when refused"
            text={field.refusal ?? ''}
            onKeep={(words) => change({ refusal: words || null })}
          />
        ) : (
          <SettingBox
            id={`${field.id}-example`}
            label="Example"
            text={field.example ?? ''}
            onKeep={(words) => change({ example: words || null })}
          />
        )}
      </div>
      <SettingBox
        id={`${field.id}-live`}
        label="Name in the database"
        text={field.liveName ?? ''}
        placeholder={physicalNames(book)
          .columns(table.id, field.id)
          .map((column) => column.name)
          .join(', ')}
        onKeep={(name) => edit({ kind: 'nameLive', part: field.id, name })}
      />
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        {isTyped(field) && kind.control !== 'tick' && (
          <TickBox
            id={`${field.id}-must`}
            checked={mustHold(table, field)}
            disabled={table.key.includes(field.id)}
            label={table.key.includes(field.id) ? 'Must be filled (it is part of the key)' : 'Must be filled'}
            onChange={(now) => change({ must: now || null })}
          />
        )}
        {(uses.has('unique') || field.kind === 'link') && (
          <TickBox
            id={`${field.id}-unique`}
            checked={isUnique(table, field)}
            disabled={isUnique(table, field) && !field.unique}
            label={field.kind === 'link' ? 'No two may share one (one to one)' : 'Must be different'}
            onChange={(now) => change({ unique: now || null })}
          />
        )}
        {!field.pattern && tick('exactLength', 'Exactly this long')}
        {tick('yearly', 'From 1 again each year')}
        {tick('picturesOnly', 'Pictures only')}
        <Button small className="ml-auto" onClick={() => edit({ kind: 'removeField', field: field.id })}>
          <Trash2 size={14} aria-hidden /> Remove the field
        </Button>
      </div>
      <AskedForBy field={field} />
      {isTyped(field) && kind.control !== 'link' && kind.control !== 'file' && <TryValue table={table} field={field} />}
      {!derived && <DerivedFromIt field={field} />}
    </div>
  )
}

/** Which lists would miss the field. */
function AskedForBy({ field }: { readonly field: Field }) {
  const { book } = useWorkshop()
  const words = saidOfField(book, field.id)
  return words ? <p className="text-[13px] text-ash-6">{words}</p> : null
}

interface ValueProps {
  readonly field: Field
  readonly name: 'startsAs' | 'least' | 'most'
  readonly label: string
  readonly onChange: (to: Changes) => boolean
}

/** A setting that is itself a value of the field: typed as people type it, kept canonical. */
function ValueSetting({ field, name, label, onChange }: ValueProps) {
  const { book } = useWorkshop()
  const kind = kindOf(field.kind)
  const value = field[name]
  const words = ['today', 'tomorrow', 'now']
  const shown = value === undefined || words.includes(value) ? (value ?? '') : kind.show(value, field, book.look)
  const keep = (typed: string) => {
    if (typed.trim() === '') return onChange({ [name]: null })
    if (name === 'startsAs' && words.includes(typed.trim().toLowerCase()))
      return onChange({ startsAs: typed.trim().toLowerCase() })
    const read = kind.read(typed, { ...field, least: undefined, most: undefined }, book.look)
    // What can't be read goes on as it was typed: the edit refuses it with the words for it.
    return onChange({ [name]: read.ok ? read.value : typed })
  }
  if (name === 'startsAs' && (kind.control === 'choice' || kind.control === 'tick')) {
    const choices = kind.control === 'tick' ? ['yes'] : (field.choices ?? []).map((choice) => choice.word)
    return (
      <Labelled label={label} htmlFor={`${field.id}-${name}`}>
        <ChoiceBox
          id={`${field.id}-${name}`}
          value={kind.control === 'tick' && value !== '1' ? '' : shown}
          onChange={(event) => keep(event.target.value)}
        >
          <option value="">{kind.control === 'tick' ? 'no' : 'nothing'}</option>
          {choices.map((word) => (
            <option key={word}>{word}</option>
          ))}
        </ChoiceBox>
      </Labelled>
    )
  }
  return (
    <SettingBox
      id={`${field.id}-${name}`}
      label={label}
      text={shown}
      placeholder={name === 'startsAs' ? 'nothing' : 'no bound'}
      onKeep={keep}
    />
  )
}
