// @vitest-environment happy-dom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { renderHook, waitFor } from '@testing-library/react'
import { createElement, type ReactNode } from 'react'
import { afterEach, expect, test, vi } from 'vitest'
import type { List } from '@/core/book'
import { Refused } from '../rows-query'
import { useGroups } from './use-list-lines'

const grouped = (field: string): List => ({
  id: 'list',
  table: 'visit',
  columns: [{ id: 'a', shows: { kind: 'field', place: { way: [], field: 'day' } } }],
  asks: [],
  order: [],
  groups: [{ place: { way: [], field } }],
})

function asking(first: List) {
  const client = new QueryClient()
  const wrapper = ({ children }: { readonly children: ReactNode }) =>
    createElement(QueryClientProvider, { client }, children)
  return renderHook((list: List) => useGroups('/base', list, {}, { by: [0] }), { initialProps: first, wrapper })
}
const answer = (body: object) => Promise.resolve(new Response(JSON.stringify(body)))

afterEach(() => vi.unstubAllGlobals())

test('what is wrong with a list is a refusal in words, and no answer without groups', async () => {
  const faults = [{ at: { part: 'group', at: 0 }, problem: { kind: 'list-too-many-groups', most: 100_000 } }]
  vi.stubGlobal('fetch', () => answer({ faults }))
  const { result } = asking(grouped('town'))
  await waitFor(() => expect(result.current.error).toBeInstanceOf(Refused))
  expect(result.current.error?.message).toMatch(/more than 100,000 groups/)
  expect(result.current.data).toBe(undefined)
})

test('groups of one field are never shown as those of another while these are on their way', async () => {
  vi.stubGlobal('fetch', () => answer({ groups: [], more: false, left: 0 }))
  const { result, rerender } = asking(grouped('town'))
  await waitFor(() => expect(result.current.data).toBeDefined())
  vi.stubGlobal('fetch', () => new Promise(() => undefined))
  // Another condition keeps what is seen; another field doesn't.
  rerender({
    ...grouped('town'),
    where: { kind: 'compare', place: { way: [], field: 'day' }, how: 'filled', with: [] },
  })
  expect(result.current.data).toBeDefined()
  rerender(grouped('month'))
  expect(result.current.data).toBe(undefined)
})
