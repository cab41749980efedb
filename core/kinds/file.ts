import { fail, ok } from '../words'
import type { FieldKind } from './kind'
import { compareCanonical } from './text'

/** A stored picture or document; the value is the SHA-256 of its name and contents, 64 hex digits. */
export const file: FieldKind = {
  title: 'File',
  short: 'file',
  holds: 'a picture or a document',
  control: 'file',
  align: 'start',
  span: () => 4,
  uses: ['megabytes', 'picturesOnly'],
  starts: { megabytes: 10 },
  read: (typed) => (/^[\da-f]{64}$/.test(typed.trim()) ? ok(typed.trim()) : fail({ kind: 'no-such-file' })),
  show: () => 'file',
  compare: compareCanonical,
  columnType: () => ({ is: 'fileHash' }),
  checks: () => [],
  load: String,
  store: (value) => value,
  specimen: () => '',
  summary: ({ megabytes, picturesOnly }) => `${picturesOnly ? 'Picture' : 'File'}, up to ${megabytes ?? 10} MB`,
}
