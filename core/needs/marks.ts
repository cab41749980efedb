import type { Proposals } from './proposals'

export type MarkKind = 'table' | 'field' | 'link' | 'limit' | 'question'

/** A piece of a need's text: plain, or marked for what was found in it. */
export interface Piece {
  readonly text: string
  readonly mark?: MarkKind
}

// Where several were found in the same words, the smallest meaning shows.
const strength: Record<MarkKind, number> = { question: 1, link: 2, limit: 3, field: 4, table: 5 }

const limitWords = /more than|at most|up to|maximum|between|fewer|\d/i

/** Cuts the text of a need at what was found in it. All pieces together are the text again. */
export function piecesOf({ reading, all }: Proposals, need: number, text: string): Piece[] {
  const marks: (MarkKind | undefined)[] = Array.from({ length: text.length })
  const put = (kind: MarkKind, evidence: readonly { need: number; start: number; end: number }[]) => {
    for (const { need: at, start, end } of evidence) {
      if (at !== need) continue
      for (let i = start; i < Math.min(end, text.length); i++) {
        const there = marks[i]
        if (!there || strength[there] < strength[kind]) marks[i] = kind
      }
    }
  }
  for (const proposal of all) {
    if (proposal.kind === 'table') put('table', proposal.evidence)
    else if (proposal.kind === 'field') put(proposal.what.limit ? 'limit' : 'field', proposal.evidence)
    else
      for (const one of proposal.evidence) {
        const limiting = proposal.what.limit && limitWords.test(text.slice(one.start, one.end))
        put(limiting ? 'limit' : 'link', [one])
      }
  }
  for (const question of reading.questions) put('question', question.evidence)
  const pieces: { text: string; mark?: MarkKind }[] = []
  for (let at = 0; at < text.length; at++) {
    const last = pieces.at(-1)
    if (last && last.mark === marks[at]) last.text += text[at]
    else pieces.push({ text: text[at]!, ...(marks[at] && { mark: marks[at] }) })
  }
  return pieces
}
