'use client'

import { type Condition, operators, type Operator, sayOperator, type Sentence, type Subject } from '@/core/rules'
import { ChoiceBox, Labelled, TextBox, TickBox } from '@/ui/kit'

interface Props {
  readonly subjects: readonly Subject[]
  readonly sentence: Sentence
  readonly onChange: (sentence: Sentence) => void
}

const comparable = ['whole', 'exact', 'measured', 'money', 'mark', 'date', 'dateTime', 'time', 'running']
const isOrdered = (subject: Subject | undefined) => subject !== undefined && comparable.includes(subject.face.kind)
const isText = (subject: Subject) => ['line', 'passage', 'code', 'email', 'phone', 'web'].includes(subject.face.kind)
const isDay = (subject: Subject) => subject.face.kind === 'date'

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
            label="This fact"
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
            label="This fact"
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
            label="by at least so many days"
            text={sentence.least}
            onChange={(least) => onChange({ ...sentence, least })}
          />
          <Typed
            id="rule-most"
            label="and at most so many"
            text={sentence.most}
            onChange={(most) => onChange({ ...sentence, most })}
          />
        </div>
      )
  }
}

interface ConditionProps {
  readonly id: string
  readonly subjects: readonly Subject[]
  readonly condition: Condition
  readonly onChange: (condition: Condition) => void
}

function ConditionParts({ id, subjects, condition, onChange }: ConditionProps) {
  const subject = subjects.find((one) => one.source === condition.subject)
  const offered = (Object.keys(operators) as Operator[]).filter(
    (operator) => ['=', '<>', 'filled', 'blank'].includes(operator) || isOrdered(subject),
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
        label="This fact"
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
              {subject ? sayOperator(operator, subject.face) : operators[operator]}
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

const isNumber = (subject: Subject) => ['whole', 'exact', 'measured', 'money', 'mark'].includes(subject.face.kind)

/** A value of a fact; the words of a pick are offered. */
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

const SubjectBox = ({ id, label, subjects, value, onChange }: SubjectProps) => (
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
