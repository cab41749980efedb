import { randomBytes } from 'node:crypto'

const letters = 'abcdefghijkmnpqrstuvwxyz23456789'

/** A short random id, easy to read out; 32 letters of 5 bits each. */
export const newId = (length = 12) => Array.from(randomBytes(length), (byte) => letters[byte % 32]).join('')
