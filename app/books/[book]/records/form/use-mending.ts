import { useEffect, useRef } from 'react'
import type { UseFormReturn } from 'react-hook-form'
import type { FormText } from '@/core/records'
import type { FormAsks } from './form-asks'
import type { Wrong } from './problems'

/** The record's own boxes, or one row's: "insets.lines.2". */
const partOf = (path: string) => (path.startsWith('text.') ? 'text' : path.split('.').slice(0, 3).join('.'))

/**
 * A mark goes with its cause, wherever that is put right: with each change what is marked is asked again. What the
 * server alone can know is asked again when the record is saved; its mark goes once something beside it is changed.
 * Where another form is chosen, what is marked is asked again too.
 */
export function useMending(form: UseFormReturn<FormText>, wrongs: readonly Wrong[], asks: FormAsks): void {
  const marked = useRef(wrongs)
  useEffect(() => {
    marked.current = wrongs
  }, [wrongs])
  // Another form may ask for other things.
  const asked = useRef(asks)
  useEffect(() => {
    if (asked.current === asks) return
    asked.current = asks
    const paths = marked.current.map(({ path }) => path)
    if (paths.length > 0) void form.trigger(paths)
  }, [form, asks])
  useEffect(() => {
    const watching = form.watch((_, { name }) => {
      if (!name || name.includes('labels.')) return
      const others = marked.current.map(({ path }) => path).filter((path) => path !== name)
      const isSaid = (path: string) => form.getFieldState(path as `text.${string}`).error?.type === 'server'
      for (const path of others.filter((one) => isSaid(one) && partOf(one) === partOf(name))) form.clearErrors(path)
      const known = others.filter((path) => !isSaid(path))
      if (known.length > 0) void form.trigger(known)
    })
    return () => watching.unsubscribe()
  }, [form])
}
