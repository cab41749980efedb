import type { SamplesOf } from './samples-of'

export const peopleSamples: SamplesOf<'people'> = {
  'wrong-sign-in': { kind: 'wrong-sign-in' },
  wait: { kind: 'wait', seconds: 4 },
  'password-short': { kind: 'password-short', least: 10 },
  'account-name': { kind: 'account-name', limit: 80 },
  'account-taken': { kind: 'account-taken', name: 'Rosa' },
  'already-started': { kind: 'already-started' },
  'last-administrator': { kind: 'last-administrator' },
  'signed-out': { kind: 'signed-out' },
  'password-long': { kind: 'password-long', most: 200 },
  'password-common': { kind: 'password-common' },
  'wrong-password': { kind: 'wrong-password' },
  'own-account': { kind: 'own-account' },
  'account-gone': { kind: 'account-gone' },
  'not-yours-to-manage': { kind: 'not-yours-to-manage', name: 'Bram' },
  'no-answer': { kind: 'no-answer' },
  'no-answer-to-change': { kind: 'no-answer-to-change' },
  unexpected: { kind: 'unexpected' },
}
