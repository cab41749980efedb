import pino from 'pino'

const longest = 300
const frames = 6

/**
 * What went wrong, without what was typed: MariaDB quotes values in what it says, and its driver writes the statement
 * and its parameters behind.
 */
export function tellCause(cause: unknown): Record<string, unknown> {
  if (!(cause instanceof Error)) return { message: short(String(cause)) }
  const { errno, code, sqlState } = cause as { errno?: number; code?: string; sqlState?: string }
  const inner = (cause as { original?: unknown }).original ?? cause.cause
  const stack = cause.stack?.split('\n').filter((line) => /^\s+at /.test(line)) ?? []
  return {
    type: cause.name,
    message: short(cause.message),
    ...(errno !== undefined && { errno }),
    ...(code !== undefined && { code }),
    ...(sqlState !== undefined && { sqlState }),
    ...(inner instanceof Error && { cause: tellCause(inner) }),
    stack: stack.slice(0, frames).map((line) => line.trim()),
  }
}

const short = (message: string) =>
  message
    .split(/\nsql: /)[0]!
    .replace(/'(?:[^'\\]|\\.|'')*'/gs, "'…'")
    .replaceAll('\n', ' ')
    .slice(0, longest)

/** Structured logs on standard error: one JSON object a line. Never what people typed. */
export const log = pino(
  { name: 'hearth', level: process.env.HEARTH_LOG ?? 'info', serializers: { cause: tellCause, step: short } },
  pino.destination(2),
)
