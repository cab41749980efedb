'use client'

import { useState } from 'react'
import { limits } from '@/core/book'
import { type FormLabel, formTotals, readForm, readLabels } from '@/core/needs'
import { kindOf } from '@/core/kinds'
import { inSentence } from '@/core/words'
import { Button, ChoiceBox, Empty, Labelled, Note, PassageBox, TextBox } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { useWorkshop } from '../../workshop-context'
import { useAccept } from '../use-accept'

/** A form in use on paper: its labels typed or pasted, each said what it is about; out come the tables. */
export function FromForm() {
  const accept = useAccept()
  const [name, setName] = useState('')
  const [typed, setTyped] = useState('')
  const [changed, setChanged] = useState<Readonly<Record<string, Partial<FormLabel>>>>({})
  const { book } = useWorkshop()
  const there = book.tables.filter((table) => table.role === undefined).map((table) => table.name)
  const labels = readLabels(typed, there).map((label) => ({ ...label, ...changed[label.label] }))
  const noun = inSentence(name.trim() || 'form')
  const reading = readForm(name.trim() || 'Form', labels)
  const totals = formTotals(name.trim() || 'Form', labels)
  const named = [...new Set(labels.flatMap((label) => (label.party ? [label.party] : [])))]
  const change = (label: string, to: Partial<FormLabel>) =>
    setChanged({ ...changed, [label]: { ...changed[label], ...to } })

  return (
    <Room
      margin={
        <>
          <Note mark="info" head="Take a form that is in use">
            A bill, a job card, a loan slip. Its labels are what the office needs to know already.
          </Note>
          <Note mark="info" head="Totals are calculated">
            What is added up from the lines is not typed, so it can never disagree with them.
          </Note>
        </>
      }
    >
      <h1 className="text-[22px] leading-tight">From a paper form</h1>
      <p className="mt-1 mb-4 text-ash-6">Type or paste its labels, one to a line, then say what each is about.</p>
      <div className="grid gap-6 xl:grid-cols-[minmax(0,1fr)_minmax(0,380px)]">
        <section aria-label="The form" className="flex flex-col gap-3">
          <Labelled label="What the form is called" htmlFor="form-name">
            <TextBox
              id="form-name"
              maxLength={limits.nameLength}
              autoFocus
              value={name}
              placeholder="Bill"
              onChange={(event) => setName(event.target.value)}
            />
          </Labelled>
          <Labelled label="Its labels" htmlFor="form-labels">
            <PassageBox
              id="form-labels"
              rows={6}
              value={typed}
              placeholder={'Bill number\nDate\nCustomer name\nQuantity\nDescription\nPrice each\nTotal'}
              onChange={(event) => setTyped(event.target.value)}
            />
          </Labelled>
          {labels.length > 0 && (
            <ul aria-label="Labels" className="border-t border-ash-3">
              {labels.map((label) => (
                <li key={label.label} className="flex flex-wrap items-center gap-2 border-b border-ash-3 py-1">
                  <span className="min-w-0 flex-1 break-words">{label.label}</span>
                  <div className="w-[200px]">
                    <ChoiceBox
                      aria-label={`${label.label} is about`}
                      value={label.of}
                      onChange={(event) => {
                        const of = event.target.value as FormLabel['of']
                        change(label.label, {
                          of,
                          ...(of === 'party' && !label.party && { party: named[0] ?? 'Customer' }),
                        })
                      }}
                    >
                      <option value="form">the {noun} itself</option>
                      <option value="party">somebody or something</option>
                      <option value="lines">the block that repeats</option>
                      <option value="total">a total, calculated</option>
                    </ChoiceBox>
                  </div>
                  {label.of === 'party' && (
                    <div className="w-[130px]">
                      <TextBox
                        aria-label={`Who or what ${label.label} describes`}
                        maxLength={limits.nameLength}
                        value={label.party ?? ''}
                        onChange={(event) => change(label.label, { party: event.target.value })}
                      />
                    </div>
                  )}
                </li>
              ))}
            </ul>
          )}
        </section>
        <section aria-label="What comes of it">
          {labels.length === 0 ? (
            <Empty head="Nothing yet">
              What the labels amount to stands here: the {noun}, those it names, and its lines.
            </Empty>
          ) : (
            <div className="rounded-lg border border-ash-3 bg-ash-1 p-4">
              <h2 className="mb-2 text-base">What comes of it</h2>
              {reading.tables.map((table) => (
                <div key={table.name} className="mb-3 rounded-lg border border-ash-4 bg-paper px-3 py-2 wrap-anywhere">
                  <p className="font-bold">{table.name}</p>
                  <ul>
                    {reading.ties
                      .filter((tie) => tie.to === table.name)
                      .map((tie) => (
                        <li key={tie.from} className="text-sky">
                          → {tie.from}
                        </li>
                      ))}
                    {table.fields.map((field) => (
                      <li key={field.name}>
                        {field.name}{' '}
                        <span className="text-[13px] text-ash-6">{kindOf(field.kind).title.toLowerCase()}</span>
                      </li>
                    ))}
                    {totals
                      .filter((total) => total.table === table.name)
                      .map((total) => (
                        <li key={total.name}>
                          <i>{total.name}</i> <span className="text-[13px] text-ash-6">calculated: {total.words}</span>
                        </li>
                      ))}
                  </ul>
                </div>
              ))}
              <Button
                look="main"
                disabled={!name.trim()}
                onClick={() => accept(reading, `Take the form ${name.trim()} into the book`, totals)}
              >
                Make these tables
              </Button>
              {!name.trim() && <p className="mt-1 text-[13px] text-ash-6">Say first what the form is called.</p>}
            </div>
          )}
        </section>
      </div>
    </Room>
  )
}
