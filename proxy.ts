import { type NextRequest, NextResponse } from 'next/server'

/** Puts a strict content policy on every page: only our own scripts, each with this response's nonce. */
export function proxy(request: NextRequest) {
  const nonce = btoa(String.fromCharCode(...crypto.getRandomValues(new Uint8Array(16))))
  const dev = process.env.NODE_ENV === 'development'
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${dev ? " 'unsafe-eval'" : ''}`,
    // Layout libraries place things by style attributes; styles can't run anything.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ')
  const headers = new Headers(request.headers)
  headers.set('x-nonce', nonce)
  headers.set('content-security-policy', policy)
  const response = NextResponse.next({ request: { headers } })
  // What somebody uploaded may run nothing at all; such an answer has a policy of its own, which this would take the place of.
  const isFile = /\/files\/[\da-f]{64}$/.test(request.nextUrl.pathname)
  response.headers.set('content-security-policy', isFile ? "default-src 'none'; sandbox" : policy)
  response.headers.set('x-content-type-options', 'nosniff')
  response.headers.set('referrer-policy', 'same-origin')
  response.headers.set('x-frame-options', 'DENY')
  response.headers.set('cross-origin-opener-policy', 'same-origin')
  response.headers.set('permissions-policy', 'camera=(), microphone=(), geolocation=()')
  return response
}

export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg).*)'] }
