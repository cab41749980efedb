'use client'

import { useId, useState } from 'react'
import { type Edit, findLink, type Link, linksFrom, sayEdit, type Table, tableOf, linkWith } from '@/core/book'
import { settled } from '@/core/needs'
import { type Answers, askMust, askSeveral, sayOutcome, type Tie } from '@/core/pairings'
import { aOrAn, inSentence, plural } from '@/core/words'
import { Button, ChoiceBox, Labelled, Segments, TextBox, WordButton } from '@/ui/kit'
import { freshId } from '@/ui/ids'
import { useWorkshop } from '../workshop-context'
import { Limits } from './limits'
import { Outcome } from './outcome'

type Partial2 = Partial<Answers>

interface Props {
  readonly a: Table
  readonly b: Table
  /** The link that the answers are about; none for one to be made. */
  readonly tie: Tie | undefined
  /** A further link needs a name that tells it from the first. */
  readonly second: boolean
  readonly onMade: (tie: string) => void
}

/** The two questions, then whether there must be any. What comes of them is drawn as they are answered. */
export function Questions({ a, b, tie, second, onMade }: Props) {
  const { book, edit: carryOut, proposals } = useWorkshop()
  const [answers, setAnswers] = useState<Partial2>(tie?.answers ?? {})
  const [name, setName] = useState(tie?.name ?? '')
  const nameId = useId()
  const several = answers.aHasSeveral !== undefined && answers.bHasSeveral !== undefined
  const whole: Answers | undefined = several
    ? {
        aHasSeveral: answers.aHasSeveral,
        bHasSeveral: answers.bHasSeveral,
        aMust: answers.aMust ?? false,
        bMust: answers.bMust ?? false,
      }
    : undefined
  const changed =
    !tie || (whole && (Object.keys(whole) as (keyof Answers)[]).some((key) => whole[key] !== tie.answers[key]))
  const joins = whole?.aHasSeveral && whole.bHasSeveral
  const nameNeeded = second || a.id === b.id

  // What the words left open about the two is answered with them.
  const open = proposals?.reading.open.filter(({ about }) => about.includes(a.name) && about.includes(b.name)) ?? []
  const edit = (answer: Edit): boolean => {
    if (open.length === 0) return carryOut(answer)
    const settling = open.map(settle)
    const say = sayEdit(book, answer)
    return carryOut({ kind: 'together', say: say.slice(0, 300), edits: [answer, ...settling] })
  }
  const keep = () => {
    if (!whole) return
    const sameShape =
      tie && tie.answers.aHasSeveral === whole.aHasSeveral && tie.answers.bHasSeveral === whole.bHasSeveral
    if (sameShape && !tie.joining && (whole.aHasSeveral || whole.bHasSeveral)) {
      const link = linkWith(book, tie.id)
      const [least, must] = link.one === a.id ? [whole.aMust, whole.bMust] : [whole.bMust, whole.aMust]
      edit({ kind: 'changeLink', link: link.id, must, least: least ? 1 : 0 })
      return
    }
    if (sameShape && tie.joining) {
      for (const link of linksFrom(book, tie.joining.id).filter((one) => tie.joining!.key.includes(one.field))) {
        const least = (link.one === a.id ? whole.aMust : whole.bMust) ? 1 : 0
        if (least !== link.least) edit({ kind: 'changeLink', link: link.id, least })
      }
      return
    }
    const ids = {
      table: freshId(),
      links: [freshId(), freshId()] as [string, string],
      fields: [freshId(), freshId()] as [string, string],
    }
    const made = edit({
      kind: 'answerPairing',
      a: a.id,
      b: b.id,
      ...whole,
      ids,
      ...(name.trim() && { name }),
      ...(tie && { instead: tie.id }),
    })
    if (made) onMade(joins ? ids.table : ids.links[0])
  }
  const ask = (several: 'aHasSeveral' | 'bHasSeveral', from: Table, to: Table) => (
    <div className="flex flex-col gap-2">
      <p className="font-semibold">{askSeveral(from, to)}</p>
      <Segments
        label={askSeveral(from, to)}
        value={answers[several] === undefined ? undefined : answers[several] ? 'yes' : 'no'}
        options={[
          { value: 'yes', words: 'Yes, several' },
          { value: 'no', words: 'No, one at most' },
        ]}
        onChange={(value) => setAnswers({ ...answers, [several]: value === 'yes' })}
      />
    </div>
  )
  const askAny = (must: 'aMust' | 'bMust', from: Table, to: Table) => (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <p>{askMust(from, to)}</p>
      <Segments
        small
        label={askMust(from, to)}
        value={answers[must] ? 'yes' : 'no'}
        options={[
          { value: 'yes', words: 'Yes, at least one' },
          { value: 'no', words: 'No, there may be none' },
        ]}
        onChange={(value) => setAnswers({ ...answers, [must]: value === 'yes' })}
      />
    </div>
  )
  return (
    <>
      <div className="grid gap-5 md:grid-cols-2">
        {ask('aHasSeveral', a, b)}
        {ask('bHasSeveral', b, a)}
      </div>
      {whole && (
        <div className="mt-4 border-t border-dashed border-ash-4 pt-3">
          <Outcome
            a={a}
            b={b}
            answers={whole}
            name={changed && (name === a.name || name === b.name) ? undefined : name || tie?.name}
          />
          <div className="mt-3 flex flex-col gap-2">
            {askAny('aMust', a, b)}
            {askAny('bMust', b, a)}
          </div>
          <div className="mt-3 flex flex-wrap items-end justify-between gap-3">
            {!tie ? (
              <Labelled
                label={joins ? 'Name of the joining table' : 'Name of the link field'}
                htmlFor={nameId}
                className="w-[260px]"
              >
                <TextBox
                  id={nameId}
                  value={name}
                  placeholder={
                    joins
                      ? `${a.name} ${b.name.toLowerCase()}`
                      : nameNeeded
                        ? `Say what this link means`
                        : (whole.aHasSeveral ? a : b).name
                  }
                  onChange={(event) => setName(event.target.value)}
                />
              </Labelled>
            ) : (
              <Removal tie={tie} />
            )}
            <div className="flex gap-2">
              {tie && <Button onClick={() => edit({ kind: 'untie', tie: tie.id })}>Unlink</Button>}
              <Button look="main" disabled={!changed || (nameNeeded && !tie && !name.trim())} onClick={keep}>
                {tie ? (changed ? 'Change the link' : 'Linked') : 'Link them'}
              </Button>
            </div>
          </div>
          {tie && !changed && open.length > 0 && (
            <ul aria-label="Your words leave this open" className="mt-3 border-t border-dashed border-ash-4 pt-2">
              {open.map((question) => (
                <li key={question.text} className="flex flex-wrap items-center justify-between gap-x-3">
                  <span className="text-ash-6">Your words leave open: {question.text}</span>
                  <WordButton
                    onClick={() => carryOut(settle(question))}
                    aria-label={`No change needed: ${question.text}`}
                  >
                    No change needed
                  </WordButton>
                </li>
              ))}
            </ul>
          )}
          {tie && !changed && <Limits tie={tie} />}
          {sayOutcome(a, b, whole).head && nameNeeded && !tie && (
            <p className="mt-1 text-xs text-ash-6">A name says what this link means: Supervisor, Billing address.</p>
          )}
        </div>
      )}
    </>
  )
}

/** Answers what the words left open, by the design as it stands. */
const settle = ({ text }: { readonly text: string }): Edit => ({
  kind: 'dismiss',
  id: freshId(),
  what: settled(text),
  name: `“${text}”`.slice(0, 300),
})

/** What happens to the other side when a record is removed. */
function Removal({ tie }: { readonly tie: Tie }) {
  const { book } = useWorkshop()
  const links = tie.joining
    ? linksFrom(book, tie.joining.id).filter((link) => tie.joining!.key.includes(link.field))
    : [findLink(book, tie.id)].filter((link) => link !== undefined)
  return (
    <div className="flex flex-wrap gap-3">
      {links.map((link) => (
        <RemovalOf key={link.id} link={link} />
      ))}
    </div>
  )
}

function RemovalOf({ link }: { readonly link: Link }) {
  const { book, edit } = useWorkshop()
  const [one, many] = [inSentence(tableOf(book, link.one).name), inSentence(tableOf(book, link.many).name)]
  return (
    <Labelled
      label={`Its ${plural(many)}, when ${aOrAn(one)} is removed`}
      htmlFor={`${link.id}-fate`}
      className="w-[250px]"
    >
      <ChoiceBox
        id={`${link.id}-fate`}
        value={link.onRemove}
        onChange={(event) =>
          edit({ kind: 'changeLink', link: link.id, onRemove: event.target.value as Link['onRemove'] })
        }
      >
        <option value="keep">keep it while it has any</option>
        <option value="remove">remove them with it</option>
        <option value="leave">leave them without it</option>
      </ChoiceBox>
    </Labelled>
  )
}
