'use client'

import type { Field } from '@/core/book'
import { DerivedBox } from './derived-box'
import { useDerivedText, useFrozenWords } from './live-facts'
import { useProblem } from './use-problem'

/** What the rows come to, one line each, as at the foot of a bill. */
export const FormFoot = ({ fields }: { readonly fields: readonly Field[] }) => (
  <div className="flex flex-col pr-4 max-md:pr-0">
    {fields.map((field) => (
      <FootLine key={field.id} field={field} />
    ))}
  </div>
)

function FootLine({ field }: { readonly field: Field }) {
  const text = useDerivedText(field)
  const frozen = useFrozenWords(field)
  const problem = useProblem(`text.${field.id}`)
  return (
    <div
      data-field={field.id}
      className="flex flex-wrap items-center justify-between gap-x-4 border-b border-ash-3 last:border-b-0"
    >
      <label htmlFor={field.id} title={field.note} className="text-[13px] text-ash-6">
        {field.name}
      </label>
      <DerivedBox bare id={field.id} field={field} text={text} frozen={frozen} invalid={problem !== undefined} />
      {problem && (
        <p id={`${field.id}-note`} role="alert" className="w-full pb-1 text-[13px] text-ember">
          {problem}
        </p>
      )}
    </div>
  )
}
