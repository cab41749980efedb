import type { Completion, CompletionContext, CompletionResult } from '@codemirror/autocomplete'
import type { EditorView } from '@codemirror/view'
import type { OfferedWord } from '@/core/expressions'

const ranks: Record<OfferedWord['is'], number> = { fact: 5, rows: 4, choice: 3, function: 1, word: 0 }

/** A name or a text that is being written, begun with its mark or without. */
const begun = /"[^"]*"?|'[^']*|[\p{L}_][\p{L}\p{N}_.]*/u

/** Offers what goes on the way one has begun to write. Asked for with Ctrl and space, it offers everything. */
export const offering =
  (words: () => readonly OfferedWord[]) =>
  (context: CompletionContext): CompletionResult | null => {
    const before = context.matchBefore(begun)
    if (!before && !context.explicit) return null
    const typed = before?.text ?? ''
    const quote = /^["']/.test(typed) ? typed[0]! : ''
    const wanted = typed.slice(quote.length)
    // A text is a choice, and nothing else is.
    const options = words().filter((word) =>
      quote === "'" ? word.is === 'choice' : quote !== '"' || word.is === 'fact',
    )
    const alone = options.filter(({ label }) => plain(label).toLowerCase().startsWith(wanted.toLowerCase()))
    if (alone.length === 1 && plain(alone[0]!.label).toLowerCase() === wanted.toLowerCase()) return null
    return {
      from: (before?.from ?? context.pos) + quote.length,
      options: options.map((word) => completion(word, quote)),
      validFor: /^[^"'()]*$/,
    }
  }

const plain = (label: string) => label.replace(/^'|'$/g, '')

function completion(word: OfferedWord, quote: string): Completion {
  return {
    label: quote === "'" ? plain(word.label) : word.label,
    detail: word.says,
    boost: ranks[word.is],
    apply(view: EditorView, _completion: Completion, from: number, to: number) {
      const { state } = view
      const start = from - quote.length
      // The mark that closes a name may be there already.
      const end = quote && state.sliceDoc(to, to + 1) === quote ? to + 1 : to
      view.dispatch({
        changes: { from: start, to: end, insert: word.written },
        selection: selected(word, start),
        userEvent: 'input.complete',
      })
    },
  }
}

/** Behind what was put in; of a function its first part, so that one goes on typing there. */
function selected({ written, is }: OfferedWord, start: number) {
  const part = is === 'function' ? /\ba\b/.exec(written) : null
  return part
    ? { anchor: start + part.index, head: start + part.index + 1 }
    : { anchor: start + written.length, head: start + written.length }
}
