// @vitest-environment happy-dom
import { QueryClient, QueryClientProvider, useInfiniteQuery, useQuery } from '@tanstack/react-query'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { createElement } from 'react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { ListStatus } from './list-status'
import type { useListLines } from './use-list-lines'

beforeEach(() => void vi.useFakeTimers())
afterEach(() => {
  cleanup()
  vi.useRealTimers()
})

/** A list whose first page comes when it is let, and tells whether it was stopped. */
function slowList() {
  const asked = { times: 0, stopped: 0, answer: (): void => undefined }
  const page = ({ signal }: { readonly signal: AbortSignal }) =>
    new Promise((resolve, reject) => {
      asked.times++
      asked.answer = () => resolve({ lines: [] })
      signal.addEventListener('abort', () => {
        asked.stopped++
        reject(new Error('stopped'))
      })
    })
  function Shown() {
    const lines = useInfiniteQuery({
      queryKey: ['list', 'a'],
      initialPageParam: undefined,
      queryFn: page,
      getNextPageParam: () => undefined,
      retry: false,
    })
    const count = useQuery({ queryKey: ['list-count'], queryFn: () => 3 })
    return createElement(ListStatus, {
      lines: lines as unknown as ReturnType<typeof useListLines>,
      count,
      noun: 'visit',
    })
  }
  render(createElement(QueryClientProvider, { client: new QueryClient() }, createElement(Shown)))
  return asked
}
const wait = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds))
const words = () => screen.getByRole('status').textContent

test('what takes long says for how long, can be stopped, and asked again', async () => {
  const asked = slowList()
  await wait(900)
  expect(words()).toBe('Looking …')
  await wait(3200)
  expect(words()).toMatch(/^Looking for 4 seconds …Stop$/)
  fireEvent.click(screen.getByText('Stop'))
  await wait(10)
  expect(asked.stopped).toBe(1)
  expect(words()).toMatch(/^Stopped\. Look again$/)
  fireEvent.click(screen.getByText('Look again'))
  await wait(600)
  expect([asked.times, words()]).toEqual([2, 'Looking …'])
  asked.answer()
  await wait(10)
  expect(words()).toBe('3 visits')
})
