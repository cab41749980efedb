'use client'

import { isDay, isOrdered, isText, type Sentence, type Subject } from '@/core/rules'
import { ChoiceBox, Labelled, TextBox, TickBox } from '@/ui/kit'
import { ConditionParts, SubjectBox } from '../../conditions/condition-parts'

interface Props {
  readonly subjects: readonly Subject[]
  readonly sentence: Sentence
  readonly onChange: (sentence: Sentence) => void
}

/** The parts of a sentence, to be filled in. */
export function SentenceParts({ subjects, sentence, onChange }: Props) {
  switch (sentence.kind) {
    case 'compare':
      return (
        <ConditionParts
          id="rule"
          subjects={subjects}
          condition={sentence}
          onChange={(to) => onChange({ kind: 'compare', ...to })}
        />
      )
    case 'if':
      return (
        <>
          <p className="font-semibold">If</p>
          <ConditionParts
            id="rule-if"
            subjects={subjects}
            condition={sentence.when}
            onChange={(when) => onChange({ ...sentence, when })}
          />
          <p className="font-semibold">then</p>
          <ConditionParts
            id="rule-then"
            subjects={subjects}
            condition={sentence.then}
            onChange={(then) => onChange({ ...sentence, then })}
          />
        </>
      )
    case 'range':
      return (
        <div className="grid gap-3 sm:grid-cols-3">
          <SubjectBox
            id="rule-subject"
            label="This field"
            subjects={subjects.filter(isOrdered)}
            value={sentence.subject}
            onChange={(subject) => onChange({ ...sentence, subject })}
          />
          <Typed
            id="rule-least"
            label="is from"
            text={sentence.least}
            onChange={(least) => onChange({ ...sentence, least })}
          />
          <Typed id="rule-most" label="to" text={sentence.most} onChange={(most) => onChange({ ...sentence, most })} />
        </div>
      )
    case 'oneOf':
      return (
        <div className="grid gap-3 sm:grid-cols-2">
          <SubjectBox
            id="rule-subject"
            label="This field"
            subjects={subjects}
            value={sentence.subject}
            onChange={(subject) => onChange({ ...sentence, subject })}
          />
          <Typed
            id="rule-words"
            label="is one of (with commas between)"
            text={sentence.words}
            onChange={(words) => onChange({ ...sentence, words })}
          />
        </div>
      )
    case 'filled':
      return (
        <fieldset className="flex flex-wrap gap-x-5 gap-y-1">
          <legend className="mb-1 text-[13px] text-ash-6">At least one of these is filled</legend>
          {subjects
            .filter((subject) => !subject.words.includes('→') && subject.face.kind !== 'tick')
            .map((subject) => (
              <TickBox
                key={subject.source}
                id={`rule-filled-${subject.face.id}`}
                label={subject.words}
                checked={sentence.subjects.includes(subject.source)}
                onChange={(now) =>
                  onChange({
                    ...sentence,
                    subjects: now
                      ? [...sentence.subjects, subject.source]
                      : sentence.subjects.filter((source) => source !== subject.source),
                  })
                }
              />
            ))}
        </fieldset>
      )
    case 'looks':
      return (
        <div className="grid gap-3 sm:grid-cols-3">
          <SubjectBox
            id="rule-subject"
            label="This text"
            subjects={subjects.filter(isText)}
            value={sentence.subject}
            onChange={(subject) => onChange({ ...sentence, subject })}
          />
          <Labelled label="must" htmlFor="rule-how">
            <ChoiceBox
              id="rule-how"
              value={sentence.how}
              onChange={(event) => onChange({ ...sentence, how: event.target.value as typeof sentence.how })}
            >
              <option value="begins">begin with</option>
              <option value="ends">end with</option>
              <option value="contains">contain</option>
            </ChoiceBox>
          </Labelled>
          <Typed
            id="rule-text"
            label="these letters"
            text={sentence.text}
            onChange={(text) => onChange({ ...sentence, text })}
          />
        </div>
      )
    case 'days':
      return (
        <div className="grid gap-3 sm:grid-cols-2">
          <SubjectBox
            id="rule-later"
            label="The later day"
            subjects={subjects.filter(isDay)}
            value={sentence.later}
            onChange={(later) => onChange({ ...sentence, later })}
          />
          <SubjectBox
            id="rule-earlier"
            label="comes after"
            subjects={subjects.filter(isDay)}
            value={sentence.earlier}
            onChange={(earlier) => onChange({ ...sentence, earlier })}
          />
          <Typed
            id="rule-least"
            label="by at least this many days"
            text={sentence.least}
            onChange={(least) => onChange({ ...sentence, least })}
          />
          <Typed
            id="rule-most"
            label="and at most this many"
            text={sentence.most}
            onChange={(most) => onChange({ ...sentence, most })}
          />
        </div>
      )
  }
}

const Typed = ({
  id,
  label,
  text,
  onChange,
}: {
  readonly id: string
  readonly label: string
  readonly text: string
  readonly onChange: (text: string) => void
}) => (
  <Labelled label={label} htmlFor={id}>
    <TextBox id={id} value={text} onChange={(event) => onChange(event.target.value)} />
  </Labelled>
)
