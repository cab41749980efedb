// @vitest-environment happy-dom
import { act, cleanup, renderHook } from '@testing-library/react'
import { useForm } from 'react-hook-form'
import { afterEach, beforeEach, expect, test } from 'vitest'
import type { FormText, ListRow } from '@/core/records'
import { useTyping } from './use-typing'

const frame = { current: null }
const text = (name: string): FormText => ({ text: { name, town: '' }, labels: {}, insets: {} })
const row = (rev: number) => ({ ref: '7', rev, label: 'Mill House' }) as unknown as ListRow

/** The form of one record, begun with what is stored. */
function begin(start: FormText, of: ListRow | undefined = row(1), drafts = true) {
  return renderHook(
    ({ start, of }) => {
      const form = useForm<FormText>({ defaultValues: start })
      return { form, typing: useTyping(form, start, { book: 'b', table: 'premises', row: of, frame, drafts }) }
    },
    { initialProps: { start, of } },
  )
}
type Begun = ReturnType<typeof begin>

const type = ({ result }: Begun, name: string) =>
  act(() => result.current.form.setValue('text.name', name, { shouldDirty: true }))
const shown = ({ result }: Begun) => result.current.form.getValues('text')

beforeEach(() => sessionStorage.clear())
afterEach(cleanup)

test('what was typed and not saved stands there again, and is said to be of another time', () => {
  const first = begin(text('Mill House'))
  type(first, 'Mill House East')
  first.unmount()
  const again = begin(text('Mill House'))
  expect(shown(again).name).toBe('Mill House East')
  expect(again.result.current.typing.found).toBe(true)
})

test('a record that was changed since has no draft of its former state', () => {
  const first = begin(text('Mill House'))
  type(first, 'Mill House East')
  first.unmount()
  const again = begin(text('Mill Barn'), row(2))
  expect(shown(again).name).toBe('Mill Barn')
  expect(again.result.current.typing.found).toBe(false)
})

test('a form within another keeps no draft', () => {
  const inner = begin(text('Mill House'), row(1), false)
  type(inner, 'Mill House East')
  inner.unmount()
  expect(sessionStorage).toHaveLength(0)
  expect(shown(begin(text('Mill House'), row(1), false)).name).toBe('Mill House')
})

test('what is typed while a save is on its way goes on top of what was stored', () => {
  const form = begin(text('Mill House'))
  type(form, 'Mill House East')
  act(() => form.result.current.typing.sent(structuredClone(form.result.current.form.getValues())))
  act(() => form.result.current.form.setValue('text.town', 'Otterby', { shouldDirty: true }))
  form.rerender({ start: text('MILL HOUSE EAST'), of: row(2) })
  expect(shown(form)).toEqual({ name: 'MILL HOUSE EAST', town: 'Otterby' })
  // The draft goes with the state it was typed on.
  expect(Object.keys(sessionStorage)).toEqual(['hearth-draft-b-premises-7-2'])
})

test('once all is saved there is nothing left to find', () => {
  const form = begin(text('Mill House'))
  type(form, 'Mill House East')
  act(() => form.result.current.typing.sent(structuredClone(form.result.current.form.getValues())))
  form.rerender({ start: text('Mill House East'), of: row(2) })
  form.unmount()
  expect(sessionStorage).toHaveLength(0)
})

test('taken back, the form is as the record began, and no draft is left', () => {
  const form = begin(text('Mill House'))
  type(form, 'Mill House East')
  act(() => form.result.current.typing.takeBack())
  expect(shown(form).name).toBe('Mill House')
  form.unmount()
  expect(shown(begin(text('Mill House'))).name).toBe('Mill House')
})

test('what was chosen of two versions stands on the other one', () => {
  const form = begin(text('Mill House'))
  type(form, 'Mill House East')
  act(() => form.result.current.typing.choose(text('Mill House West')))
  form.rerender({ start: text('Mill Barn'), of: row(2) })
  expect(shown(form).name).toBe('Mill House West')
  expect(form.result.current.form.formState.defaultValues?.text?.name).toBe('Mill Barn')
})
