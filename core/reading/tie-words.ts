import nlp from 'compromise/two'
import type { Doing } from './elements'

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

type Conjugate = (verb: string, model: unknown) => Forms
const english = nlp as unknown as {
  methods: () => { two: { transform: { verb: { conjugate: Conjugate } } } }
  model: () => unknown
}

const formsOf = (verb: string): Forms => english.methods().two.transform.verb.conjugate(verb, english.model())

/** Participles that are like the plain form, which past tenses don't tell. */
const likePlain = new Set(['run', 'come', 'become', 'overcome'])

const participle = (verb: string) => {
  const { Participle, PastTense } = formsOf(verb)
  return likePlain.has(verb) ? verb : (Participle ?? PastTense)
}

/** Say nothing of how two things are tied beyond that they are. */
const empty = new Set(['have', 'get', 'receive', 'do', 'need', 'want', 'share'])

/**
 * "A booking is made by one member": a booking "is made by" a member, who "makes" it. `prep` stands between the
 * verb and what the first thing is tied to.
 */
export function tieWords({ verb, form, passive, not }: Doing, prep: string): TieWords {
  if (not || empty.has(verb)) return {}
  if (verb === 'be') return prep ? { there: `is ${prep}` } : {}
  const [plain, particle] = form.split(' ')
  const words = (...all: (string | undefined)[]) => all.filter(Boolean).join(' ')
  const acts = words(formsOf(verb).PresentTense, particle)
  if (passive)
    return {
      there: words('is', plain, particle, prep),
      ...(prep === 'by' && formsOf(verb).PresentTense && { back: acts }),
    }
  if (!formsOf(verb).PresentTense) return {}
  const done = participle(verb)
  return { there: words(acts, prep), ...(!prep && done && { back: words('is', done, particle, 'by') }) }
}

/** The same, seen from the other end. */
export const turned = ({ there, back }: TieWords): TieWords => ({
  ...(back && { there: back }),
  ...(there && { back: there }),
})
