import pino from 'pino'

/** Structured logs on standard error: one JSON object a line. Never what people typed. */
export const log = pino({ name: 'hearth', level: process.env.HEARTH_LOG ?? 'info' }, pino.destination(2))
