'use client'

import { Trash2 } from 'lucide-react'
import { isChecked, isKeyed, type OwnRule } from '@/core/rules'
import { wordProblem } from '@/core/words'
import { IconButton, Tag, WordButton } from '@/ui/kit'
import { useWorkshop } from '../workshop-context'
import { RuleBreakers } from './breakers'

/** Where a rule is asked. */
function placesOf(own: OwnRule): string {
  if (own.rule.warns) return 'save'
  const { compiled } = own
  const inForm =
    isChecked(own) || compiled?.kind === 'holds' || compiled?.kind === 'follows' || compiled?.kind === 'closed'
  return `${inForm && !isKeyed(own) ? 'form · ' : ''}save · database`
}

/** One rule that was made: what staff read, what must hold, and where it can't. */
export function OwnRuleRow({ own, onChange }: { readonly own: OwnRule; readonly onChange: () => void }) {
  const { edit } = useWorkshop()
  return (
    <li className="flex min-h-9 flex-wrap items-center justify-between gap-x-4 border-b border-ash-3 py-1">
      <span className="min-w-0 flex-1 wrap-anywhere">
        <WordButton onClick={onChange} aria-label={`Change the rule ${own.rule.words}`}>
          {own.rule.words}
        </WordButton>
        <span className="block px-1 font-mono text-[13px] text-ash-6">{own.source}</span>
        {own.problem && (
          <span className="block text-ember">
            <b>Can’t be kept. </b>
            {wordProblem(own.problem)}
          </span>
        )}
      </span>
      <span className="flex flex-wrap items-center justify-end gap-1 text-xs text-ash-6">
        {own.rule.onlyNew && <Tag>new records</Tag>}
        {own.rule.warns && <Tag look="brass">warns</Tag>}
        {own.problem ? <Tag look="ember">not kept</Tag> : placesOf(own)}
        <IconButton
          label={`Remove the rule ${own.rule.words}`}
          onClick={() => edit({ kind: 'removeRule', rule: own.rule.id })}
        >
          <Trash2 size={14} aria-hidden />
        </IconButton>
      </span>
      <RuleBreakers own={own} />
    </li>
  )
}
