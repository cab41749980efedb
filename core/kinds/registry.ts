import { code } from './code'
import { email, phone, web } from './contact'
import { date } from './date'
import { dateTime } from './date-time'
import { borrowed, copied, gathered, workedOut } from './derived'
import { exact } from './exact'
import { file } from './file'
import type { FieldKind } from './kind'
import { line } from './line'
import { link } from './link'
import { mark } from './mark'
import { measured } from './measured'
import { money } from './money'
import { passage } from './passage'
import { choice } from './choice'
import { running } from './running'
import { tick } from './tick'
import { time } from './time'
import { whole } from './whole'

/** Every kind of field, in the order that the list of kinds shows. */
export const fieldKinds = {
  line,
  passage,
  code,
  running,
  whole,
  exact,
  measured,
  money,
  date,
  time,
  dateTime,
  tick,
  choice,
  mark,
  email,
  phone,
  web,
  file,
  link,
  borrowed,
  copied,
  gathered,
  workedOut,
} satisfies Record<string, FieldKind>

export type KindName = keyof typeof fieldKinds
export const kindNames = Object.keys(fieldKinds) as KindName[]
export const kindOf = (name: KindName): FieldKind => fieldKinds[name]

/** Whether people type the field's values, rather than the book giving them. */
export const isTyped = ({ kind }: { readonly kind: KindName }) => !['given', 'derived'].includes(kindOf(kind).control)

/** Whether nobody types the field's values because they come from other facts. */
export const isDerived = ({ kind }: { readonly kind: KindName }) => kindOf(kind).control === 'derived'
