// @vitest-environment happy-dom
import { act, cleanup, renderHook } from '@testing-library/react'
import { afterEach, expect, test, vi } from 'vitest'
import { useKept } from './use-kept'
import { useKeys } from './use-keys'
import { useLeaving } from './use-leaving'

afterEach(() => {
  cleanup()
  document.body.replaceChildren()
})

function press(key: string, more: KeyboardEventInit = {}, on: EventTarget = document.body) {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more })
  on.dispatchEvent(event)
  return event.defaultPrevented
}

function box() {
  const input = document.createElement('input')
  document.body.append(input)
  return input
}

test('a key does what it says, and the browser is kept from its own', () => {
  const find = vi.fn()
  renderHook(() => useKeys({ 'Ctrl k': find, 'Ctrl K': find }))
  expect(press('k', { ctrlKey: true })).toBe(true)
  expect(find).toHaveBeenCalledOnce()
})

test('a key without a handler is left to the browser', () => {
  renderHook(() => useKeys({ 'Ctrl K': undefined }))
  expect(press('k', { ctrlKey: true })).toBe(false)
})

test('idle keys leave whoever is typing alone', () => {
  const slash = vi.fn()
  renderHook(() => useKeys({}, { '/': slash }))
  expect(press('/', {}, box())).toBe(false)
  expect(slash).not.toHaveBeenCalled()
  expect(press('/')).toBe(true)
  expect(slash).toHaveBeenCalledOnce()
})

test('a key does what it says now, not what it said when it was first listened to', () => {
  const [first, second] = [vi.fn(), vi.fn()]
  const hook = renderHook(({ act }) => useKeys({ Escape: act }), { initialProps: { act: first } })
  hook.rerender({ act: second })
  press('Escape')
  expect([first.mock.calls.length, second.mock.calls.length]).toEqual([0, 1])
  hook.unmount()
  press('Escape')
  expect(second).toHaveBeenCalledOnce()
})

test('the browser asks before it leaves only while something is unsaved', () => {
  const asked = () => {
    const event = new Event('beforeunload', { cancelable: true })
    window.dispatchEvent(event)
    return event.defaultPrevented
  }
  const hook = renderHook(({ unsaved }) => useLeaving(unsaved), { initialProps: { unsaved: false } })
  expect(asked()).toBe(false)
  hook.rerender({ unsaved: true })
  expect(asked()).toBe(true)
  hook.rerender({ unsaved: false })
  expect(asked()).toBe(false)
})

test('words are kept by their name, and a browser that keeps nothing does without', () => {
  const hook = renderHook(({ name }) => useKept(name), { initialProps: { name: 'width' } })
  expect(hook.result.current[0]).toBeUndefined()
  act(() => hook.result.current[1]('wide'))
  hook.rerender({ name: 'width' })
  expect(hook.result.current[0]).toBe('wide')
  hook.rerender({ name: 'other' })
  expect(hook.result.current[0]).toBeUndefined()
  const full = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new Error('full')
  })
  expect(() => hook.result.current[1]('narrow')).not.toThrow()
  full.mockRestore()
})
