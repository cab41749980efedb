import { mostScale, readMoment } from '../../kinds'
import { fail, nowhere, type Outcome } from './check-help'
import type { Span } from '../text/syntax'
import type { Node } from '../tree'

export const nothing: Node<'literal'> = { kind: 'literal', value: null, type: { is: 'nothing' } }

export function checkNumber(at: Span, text: string): Outcome {
  const [whole = '', fraction = ''] = text.split('.')
  const plain = whole.replace(/^0+(?=\d)/, '')
  if (plain.length + fraction.length > 40 || fraction.length > mostScale) return fail(at, { kind: 'number-too-long' })
  const value = fraction ? `${plain || '0'}.${fraction}` : plain || '0'
  return { kind: 'literal', value, type: { is: 'exact', whole: Math.max(1, plain.length), scale: fraction.length } }
}

const types = { DATE: 'date', TIME: 'time', TIMESTAMP: 'moment' } as const

export function checkMoment(at: Span, of: keyof typeof types, text: string): Outcome {
  const value = readMoment(of, text)
  return value ? { kind: 'literal', value, type: { is: types[of] } } : fail(at, { kind: 'no-such-moment', of, text })
}

/** A value that a stored tree holds: what its type says it is must still be so. */
export function checkStoredLiteral({ value, type }: Node<'literal'>): Outcome {
  if (value === null) return nothing
  switch (type.is) {
    case 'nothing':
      return nothing
    case 'text':
      return { kind: 'literal', value, type }
    case 'truth':
      return { kind: 'literal', value: value === '1' ? '1' : '0', type }
    case 'exact':
    case 'measured':
      return /^\d+(?:\.\d+)?$/.test(value)
        ? checkNumber(nowhere, value)
        : fail(nowhere, { kind: 'stored-no-number', text: value })
    case 'date':
      return checkMoment(nowhere, 'DATE', value)
    case 'time':
      return checkMoment(nowhere, 'TIME', value)
    case 'moment':
      return checkMoment(nowhere, 'TIMESTAMP', value.replace('T', ' '))
  }
}
