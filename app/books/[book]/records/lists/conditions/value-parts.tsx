'use client'

import type { Field } from '@/core/book'
import { asksDays, type CompareDraft, mayAsk, takesLetters } from '@/core/lists'
import { ChoiceBox, Labelled, TextBox, TickBox } from '@/ui/kit'

interface Props {
  readonly id: string
  readonly draft: CompareDraft
  /** What the values look like. */
  readonly face: Field
  /** How many values there are to write. */
  readonly taken: number
  readonly onChange: (draft: CompareDraft) => void
}

const lookHint = 'A star stands for any letters, a question mark for one.'
const daysHint = 'What it starts with: this month, last year, March 2027, a day. It may be left blank.'

function labelOf({ how }: CompareDraft, taken: number, at: number): string {
  if (taken === 2) return at === 0 ? 'From' : 'To'
  return how === 'oneOf' ? 'These, with commas between them' : 'This'
}

/** The words of which one is written here; none where any may be. */
function wordsOf({ how }: CompareDraft, face: Field): readonly string[] {
  if (how === 'oneOf' || takesLetters(how)) return []
  return face.kind === 'tick' ? ['yes', 'no'] : (face.choices ?? []).map(({ word }) => word)
}

/** What a field is compared with: values, or one that is asked for each time. */
export function ValueParts({ id, draft, face, taken, onChange }: Props) {
  const type = (at: number, words: string) => {
    const typed = [...draft.typed]
    typed[at] = words
    onChange({ ...draft, typed: Array.from(typed, (one) => one ?? '') })
  }
  const words = wordsOf(draft, face)
  return (
    <div className="flex flex-col gap-1.5">
      {Array.from({ length: taken }, (_, at) => {
        const box = {
          id: `${id}-value-${at}`,
          value: draft.typed[at] ?? '',
          onChange: (event: { readonly target: { readonly value: string } }) => type(at, event.target.value),
        }
        return (
          <Labelled key={at} label={labelOf(draft, taken, at)} htmlFor={box.id}>
            {words.length > 0 ? (
              <ChoiceBox {...box}>
                <option value="">Choose …</option>
                {words.map((word) => (
                  <option key={word}>{word}</option>
                ))}
              </ChoiceBox>
            ) : (
              <TextBox {...box} />
            )}
          </Labelled>
        )
      })}
      {draft.how === 'looks' && <p className="text-[13px] text-ash-6">{lookHint}</p>}
      {draft.asked && asksDays(face, draft.how) && <p className="text-[13px] text-ash-6">{daysHint}</p>}
      {mayAsk(draft.how) && (
        <TickBox
          id={`${id}-asked`}
          checked={draft.asked}
          label="Asked each time it is run"
          onChange={(asked) => onChange({ ...draft, asked })}
        />
      )}
    </div>
  )
}
