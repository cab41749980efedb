'use client'

import type { Edit } from '@/core/book'
import { fieldKinds, Look } from '@/core/kinds'
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
        <Labelled label="Dates are typed as" htmlFor="look-date">
          <ChoiceBox
            id="look-date"
            value={look.dateStyle}
            onChange={(event) => change({ dateStyle: event.target.value as Look['dateStyle'] })}
          >
            {Object.entries(dateWords).map(([style, words]) => (
              <option key={style} value={style}>
                {words}
              </option>
            ))}
          </ChoiceBox>
        </Labelled>
        <Labelled label="Numbers are written as" htmlFor="look-number">
          <ChoiceBox
            id="look-number"
            value={look.numberStyle}
            onChange={(event) => change({ numberStyle: event.target.value as Look['numberStyle'] })}
          >
            {Look.shape.numberStyle.options.map((style) => (
              <option key={style}>{style}</option>
            ))}
          </ChoiceBox>
        </Labelled>
        <Labelled label="Decimals of the currency" htmlFor="look-decimals">
          <ChoiceBox
            id="look-decimals"
            value={look.currencyDecimals}
            onChange={(event) => change({ currencyDecimals: Number(event.target.value) })}
          >
            {[0, 1, 2, 3].map((decimals) => (
              <option key={decimals}>{decimals}</option>
            ))}
          </ChoiceBox>
        </Labelled>
        <Labelled label="The week begins on" htmlFor="look-week">
          <ChoiceBox
            id="look-week"
            value={look.weekStart}
            onChange={(event) => change({ weekStart: event.target.value as Look['weekStart'] })}
          >
            {Look.shape.weekStart.options.map((day) => (
              <option key={day}>{day}</option>
            ))}
          </ChoiceBox>
        </Labelled>
      </div>
    </Room>
  )
}
