import { useFormContext, useFormState } from 'react-hook-form'
import type { FormText } from '@/core/records'

/** What is wrong with something that nobody types, in words. */
export function useProblem(path: `text.${string}` | `insets.${string}.${number}.text.${string}`): string | undefined {
  const { control, getFieldState } = useFormContext<FormText>()
  const state = useFormState({ control })
  return getFieldState(path, state).error?.message
}
