import type { NamedPhrase } from '../../needs'
import { singular } from '../../words'
import type { Element } from '../words/elements'
import { noThings } from '../knowledge/attributes'
import { emptyAdjectives } from '../knowledge/words'
import { infinitive } from '../words/lemma'
import type { Line } from './lines'
import type { Phrase } from '../words/phrases'

/** Heads that say only that something has a day or a time; the verb before says of what. */
const moments = new Set(['day', 'date', 'time', 'moment', 'week', 'month', 'hour'])
/** Heads that stand for a list, a way or a part of something, people who work here, and what is no noun. */
const empty = new Set([
  ...noThings,
  ...moments,
  ...'name staff end side group series pair total zero nought half rest start same even afresh and than much many of unless once while whenever because'.split(
    ' ',
  ),
  ...'higher lower later earlier other others several all both'.split(' '),
])
/** Verbs that say nothing of what is kept. */
const plainVerbs = new Set(
  'be have do make get come go use need want keep note record list know see show call store hold write enter file find say tell refuse allow permit forbid'.split(
    ' ',
  ),
)

/**
 * Everything that a need names, with the words of which one must come in the design for it to have a place there: noun
 * phrases, what is done to something (a job is paid), and when (promised for a day). What says nothing by itself (a
 * list, a kind, a number of) is passed over.
 */
export function namedPhrases(lines: readonly Line[], need: number): NamedPhrase[] {
  const found: NamedPhrase[] = []
  const put = (
    words: string,
    place: readonly string[],
    { start, end }: { readonly start: number; readonly end: number },
  ) =>
    found.push({
      words,
      place: [
        ...new Set(
          place.flatMap((words) => words.split(' ')).flatMap((word) => [word, singular(word), infinitive(word)]),
        ),
      ],
      evidence: { need, start, end },
    })
  const look = (phrase: Phrase, act: Act | undefined): void => {
    if (phrase.of) look(phrase.of, act)
    const words = phrase.name.split(' ')
    const head = words.at(-1)!
    if (/^any|^some|^every|^no(thing|body)/.test(words[0]!)) return
    if (/^ones?$/.test(head) && words.length > 1) return void put(phrase.said, words.slice(0, -1), phrase)
    const telling = words.slice(0, -1).filter((word) => !emptyAdjectives.has(word) && !empty.has(word))
    if (!empty.has(head) && !empty.has(singular(head))) put(phrase.said, [head], phrase)
    else if (telling.length > 0) put(phrase.said, telling, phrase)
    else if (moments.has(head) && act && !phrase.quantity && !phrase.plural && phrase.det !== 'each')
      put(`${act.form} … ${phrase.said}`, [act.form, act.verb], phrase)
  }
  const walk = (elements: readonly Element[]) => {
    let act: Act | undefined
    for (const element of elements) {
      if (element.kind === 'aside') walk(element.inside)
      else if (element.kind === 'quality') {
        const [form, verb] = [element.word, infinitive(element.word)]
        act = plainVerbs.has(verb) ? undefined : { form, verb }
        // "and paid": what is done to something, said after another verb.
        if (act && verb !== form) put(form, [form, verb], element)
      } else if (element.kind === 'thing') look(element.phrase, act)
      else if (element.kind === 'doing') {
        const { verb, form, passive } = element.doing
        act = plainVerbs.has(verb) ? undefined : { form, verb }
        if (passive && act) put(form, [form, verb], element.doing)
      }
    }
  }
  for (const line of lines) walk(line.elements)
  return found
}

/** What is done, as it is written and in its plain form. */
interface Act {
  readonly form: string
  readonly verb: string
}
