'use client'

import { type Field, linkOf, tableOf } from '@/core/book'
import { inSentence } from '@/core/words'
import { ChoiceBox, Labelled } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'
import { SettingBox } from './setting-box'

/** What happens when the record a link points to is removed, and how the link reads. */
export function LinkSettings({ field }: { readonly field: Field }) {
  const { book, edit } = useWorkshop()
  const link = linkOf(book, field.id)
  const one = inSentence(tableOf(book, link.one).name)
  const many = inSentence(tableOf(book, link.many).name)
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <Labelled label={`When the ${one} is to be removed`} htmlFor={`${link.id}-remove`}>
        <ChoiceBox
          id={`${link.id}-remove`}
          value={link.onRemove}
          onChange={(event) =>
            edit({ kind: 'changeLink', link: link.id, onRemove: event.target.value as typeof link.onRemove })
          }
        >
          <option value="keep">keep it while it has any {many}</option>
          <option value="remove">remove each {many} with it</option>
          <option value="leave">leave each {many} without it</option>
        </ChoiceBox>
      </Labelled>
      <SettingBox
        id={`${link.id}-label`}
        label={`On the map: ${one} … ${many}`}
        text={link.label ?? ''}
        placeholder="holds, is booked for …"
        onKeep={(label) => edit({ kind: 'changeLink', link: link.id, label })}
      />
      <SettingBox
        id={`${link.id}-back`}
        label={`And back: ${many} … ${one}`}
        text={link.back ?? ''}
        placeholder="is of, stands in …"
        onKeep={(back) => edit({ kind: 'changeLink', link: link.id, back })}
      />
    </div>
  )
}
