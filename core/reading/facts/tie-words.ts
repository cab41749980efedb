import nlp from 'compromise/two'
import type { Doing } from '../words/elements'

/** How a tie reads from one end, and from the other; what can't be said from the words is left out. */
export interface TieWords {
  readonly there?: string
  readonly back?: string
}

interface Forms {
  readonly PresentTense?: string
  readonly PastTense?: string
  readonly Participle?: string
}

interface Verbs {
  readonly conjugate: (verb: string, model: unknown) => Forms
  readonly toInfinitive: (form: string, model: unknown, tense: string) => string
}
const english = nlp as unknown as { methods: () => { two: { transform: { verb: Verbs } } }; model: () => unknown }
const verbs = () => english.methods().two.transform.verb

const formsOf = (verb: string): Forms => verbs().conjugate(verb, english.model())

/** What the doer does: "glazes" where something is glazed; undefined where the form tells no verb for certain. */
function actsAs(verb: string, form: string): string | undefined {
  const plain = form.endsWith('ed') ? verbs().toInfinitive(form, english.model(), 'PastTense') : verb
  const { PresentTense, PastTense, Participle } = formsOf(plain)
  return [PastTense, Participle, ...(likePlain.has(plain) ? [plain] : [])].includes(form) ? PresentTense : undefined
}

/** Participles that are like the plain form, which past tenses don't tell. */
const likePlain = new Set(['run', 'come', 'become', 'overcome'])

const participle = (verb: string) => {
  const { Participle, PastTense } = formsOf(verb)
  return likePlain.has(verb) ? verb : (Participle ?? PastTense)
}

/** Say nothing of how two things are tied beyond that they are. */
const empty = new Set(['have', 'get', 'receive', 'need', 'want', 'share'])

/**
 * "A booking is made by one member": a booking "is made by" a member, who "makes" it. `prep` stands between the
 * verb and what the first thing is tied to.
 */
export function tieWords({ verb, form, passive, not }: Doing, prep: string): TieWords {
  if (not || empty.has(verb)) return {}
  if (verb === 'be') return prep && prep !== 'by' ? { there: `is ${prep}` } : {}
  const [plain, particle] = form.split(' ')
  const words = (...all: (string | undefined)[]) => all.filter(Boolean).join(' ')
  if (passive) {
    const acts = prep === 'by' ? actsAs(verb, plain!) : undefined
    return { there: words('is', plain, particle, prep), ...(acts && { back: words(acts, particle) }) }
  }
  const acts = words(formsOf(verb).PresentTense, particle)
  if (!acts) return {}
  const done = participle(verb)
  return { there: words(acts, prep), ...(!prep && done && { back: words('is', done, particle, 'by') }) }
}

/** The same, seen from the other end. */
export const turned = ({ there, back }: TieWords): TieWords => ({
  ...(back && { there: back }),
  ...(there && { back: there }),
})
