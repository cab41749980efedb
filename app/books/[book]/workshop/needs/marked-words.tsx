import type { MarkKind, Piece } from '@/core/needs'
import { classNames } from '@/ui/kit'

const looks: Record<MarkKind, string> = {
  table: 'decoration-spruce decoration-2',
  field: 'decoration-sky decoration-dotted decoration-2',
  link: 'decoration-ash-6 decoration-double',
  limit: 'decoration-plum decoration-dashed decoration-2',
  question: 'decoration-moss decoration-wavy decoration-1',
}

const words: readonly MarkKind[] = ['table', 'field', 'link', 'limit', 'question']

/** The underlines of a need's words. They lie under the box that the words are typed in, letter for letter. */
export const MarkedWords = ({ pieces }: { readonly pieces: readonly Piece[] }) => (
  <div
    aria-hidden
    className="pointer-events-none col-start-1 row-start-1 px-1.5 py-1 break-words whitespace-pre-wrap text-transparent"
  >
    {pieces.map((piece, at) =>
      piece.mark ? (
        <span key={at} className={classNames('underline underline-offset-4', looks[piece.mark])}>
          {piece.text}
        </span>
      ) : (
        piece.text
      ),
    )}
  </div>
)

/** What the underlines mean. */
export const MarkLegend = () => (
  <p className="mb-2 flex flex-wrap gap-x-4 gap-y-1 text-[13px] text-ash-6">
    {words.map((word) => (
      <span key={word} className={classNames('underline underline-offset-4', looks[word])}>
        {word}
      </span>
    ))}
  </p>
)
