'use client'

import type { Edit } from '@/core/book'
import { fieldKinds, Look } from '@/core/kinds'
import type { Naming } from '@/core/names'
import { ChoiceBox, Labelled, Note } from '@/ui/kit'
import { Room } from '@/ui/shell/room'
import { SettingBox } from '../tables/setting-box'
import { useWorkshop } from '../workshop-context'

type Changes = NonNullable<Extract<Edit, { kind: 'changeLook' }>['look']>

const dateWords = {
  'day-month-year': 'Day, month, year',
  'month-day-year': 'Month, day, year',
  'year-month-day': 'Year, month, day',
}

const namingWords: Record<Naming, string> = {
  plain: 'job_card, booked_for',
  plural: 'job_cards, booked_for (tables in the plural)',
  capitals: 'JobCard, BookedFor',
}

const asTheyAre = <Value extends string>(values: readonly Value[]) =>
  Object.fromEntries<string>(values.map((value) => [value, value])) as Record<Value, string>

interface ChoiceProps<Value extends string> {
  readonly id: string
  readonly label: string
  readonly value: Value
  readonly options: Readonly<Record<Value, string>>
  readonly onChoose: (value: Value) => void
}

function Choice<Value extends string>({ id, label, value, options, onChoose }: ChoiceProps<Value>) {
  return (
    <Labelled label={label} htmlFor={id}>
      <ChoiceBox id={id} value={value} onChange={(event) => onChoose(event.target.value as Value)}>
        {Object.entries<string>(options).map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </ChoiceBox>
    </Labelled>
  )
}

/** How this book writes dates, numbers and money, and what it is called. */
export function LookChapter() {
  const { book, edit } = useWorkshop()
  const { look } = book
  const change = (changes: Changes) => edit({ kind: 'changeLook', look: changes })
  return (
    <Room
      margin={
        <Note mark="info" head="The same for everybody">
          One book has one currency and one way of writing. Times are the office’s own clock.
        </Note>
      }
    >
      <h1 className="text-[22px] leading-tight">The book and how it writes</h1>
      <p className="mt-1 mb-5 text-ash-6">
        A day reads {fieldKinds.date.show('2027-03-12', {}, look)}, an amount {look.currency}
        {fieldKinds.money.show('1234.50', {}, look)}.
      </p>
      <div className="grid max-w-[640px] gap-4 sm:grid-cols-2">
        <SettingBox
          id="look-name"
          label="Name of the book"
          text={book.name}
          onKeep={(name) => edit({ kind: 'changeLook', name })}
        />
        <SettingBox
          id="look-currency"
          label="Sign of the currency"
          text={look.currency}
          onKeep={(currency) => currency !== '' && change({ currency: currency.slice(0, 4) })}
        />
        <Choice
          id="look-date"
          label="Dates are typed as"
          value={look.dateStyle}
          options={dateWords}
          onChoose={(dateStyle) => change({ dateStyle })}
        />
        <Choice
          id="look-number"
          label="Numbers are written as"
          value={look.numberStyle}
          options={asTheyAre(Look.shape.numberStyle.options)}
          onChoose={(numberStyle) => change({ numberStyle })}
        />
        <Choice
          id="look-decimals"
          label="Decimals of the currency"
          value={String(look.currencyDecimals)}
          options={asTheyAre(['0', '1', '2', '3'])}
          onChoose={(decimals) => change({ currencyDecimals: Number(decimals) })}
        />
        <Choice
          id="look-week"
          label="The week begins on"
          value={look.weekStart}
          options={asTheyAre(Look.shape.weekStart.options)}
          onChoose={(weekStart) => change({ weekStart })}
        />
        <Choice
          id="look-naming"
          label="Names in the database"
          value={look.naming ?? 'plain'}
          options={namingWords}
          onChoose={(naming) => change({ naming })}
        />
      </div>
    </Room>
  )
}
