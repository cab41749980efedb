'use client'

import { useRouter } from 'next/navigation'
import { useEffect } from 'react'

/** How often it is looked again, in milliseconds. */
const often = 2000

/** Has the page look again while something is under way. */
export function useLooking(isUnderWay: boolean): void {
  const router = useRouter()
  useEffect(() => {
    if (!isUnderWay) return
    const timer = setInterval(() => router.refresh(), often)
    return () => clearInterval(timer)
  }, [isUnderWay, router])
}
