'use client'

import { type Condition, isNumber, isOrdered, operators, type Operator, sayOperator, type Subject } from '@/core/rules'
import { ChoiceBox, Labelled, TextBox } from '@/ui/kit'

interface ConditionProps {
  readonly id: string
  readonly subjects: readonly Subject[]
  readonly condition: Condition
  readonly onChange: (condition: Condition) => void
}

/** One condition: a fact, how it stands, and to what. */
export function ConditionParts({ id, subjects, condition, onChange }: ConditionProps) {
  const subject = subjects.find((one) => one.source === condition.subject)
  const offered = (Object.keys(operators) as Operator[]).filter(
    (operator) => ['=', '<>', 'filled', 'blank'].includes(operator) || (subject && isOrdered(subject)),
  )
  const alone = condition.operator === 'filled' || condition.operator === 'blank'
  const alike = subjects.filter(
    (other) =>
      other !== subject && subject && (other.face.kind === subject.face.kind || (isNumber(other) && isNumber(subject))),
  )
  const byFact = 'fact' in condition.against
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      <SubjectBox
        id={`${id}-subject`}
        label="This field"
        subjects={subjects}
        value={condition.subject}
        onChange={(source) => onChange({ ...condition, subject: source })}
      />
      <Labelled label="How" htmlFor={`${id}-operator`}>
        <ChoiceBox
          id={`${id}-operator`}
          value={condition.operator}
          onChange={(event) => onChange({ ...condition, operator: event.target.value as Operator })}
        >
          {offered.map((operator) => (
            <option key={operator} value={operator}>
              {subject ? sayOperator(operator, subject) : operators[operator]}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
      {!alone && (
        <div className="flex flex-col gap-1.5">
          <Labelled label="With what" htmlFor={`${id}-against`}>
            <ChoiceBox
              id={`${id}-against`}
              value={'fact' in condition.against ? condition.against.fact : ''}
              onChange={(event) =>
                onChange({ ...condition, against: event.target.value ? { fact: event.target.value } : { value: '' } })
              }
            >
              <option value="">this value:</option>
              {alike.map((other) => (
                <option key={other.source} value={other.source}>
                  {other.words}
                </option>
              ))}
            </ChoiceBox>
          </Labelled>
          {!byFact && (
            <ValueBox
              id={`${id}-value`}
              subject={subject}
              text={'value' in condition.against ? condition.against.value : ''}
              onChange={(value) => onChange({ ...condition, against: { value } })}
            />
          )}
        </div>
      )}
    </div>
  )
}

/** A value of a fact; the words of a choice are offered. */
function ValueBox({
  id,
  subject,
  text,
  onChange,
}: {
  readonly id: string
  readonly subject: Subject | undefined
  readonly text: string
  readonly onChange: (text: string) => void
}) {
  const words = subject?.face.kind === 'tick' ? ['yes', 'no'] : subject?.face.choices?.map((choice) => choice.word)
  if (words?.length)
    return (
      <ChoiceBox id={id} aria-label="The value" value={text} onChange={(event) => onChange(event.target.value)}>
        <option value="">Choose …</option>
        {words.map((word) => (
          <option key={word}>{word}</option>
        ))}
      </ChoiceBox>
    )
  return <TextBox id={id} aria-label="The value" value={text} onChange={(event) => onChange(event.target.value)} />
}

interface SubjectProps {
  readonly id: string
  readonly label: string
  readonly subjects: readonly Subject[]
  readonly value: string
  readonly onChange: (source: string) => void
}

/** Which fact is meant. */
export const SubjectBox = ({ id, label, subjects, value, onChange }: SubjectProps) => (
  <Labelled label={label} htmlFor={id}>
    <ChoiceBox id={id} value={value} onChange={(event) => onChange(event.target.value)}>
      <option value="">Choose …</option>
      {subjects.map((subject) => (
        <option key={subject.source} value={subject.source}>
          {subject.words}
        </option>
      ))}
    </ChoiceBox>
  </Labelled>
)
