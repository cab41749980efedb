'use client'

import { useEffect, useState } from 'react'

/** A value once it has rested for a moment, so that not every letter asks the server. */
export function useSettled<T>(value: T, milliseconds = 160): T {
  const [settled, setSettled] = useState(value)
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), milliseconds)
    return () => clearTimeout(timer)
  }, [value, milliseconds])
  return settled
}
