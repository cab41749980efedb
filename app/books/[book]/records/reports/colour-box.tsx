import { contrastOnPaper, darkEnough, leastContrast } from '@/core/book'
import { Labelled, WordButton } from '@/ui/kit'

interface Props {
  readonly what: 'words' | 'lines'
  readonly value: string | undefined
  readonly onChange: (colour: string | undefined) => void
}

const labels = { words: 'Colour of headings', lines: 'Colour of lines' } as const
/** As they are printed where nothing is said. */
const usual = { words: '#1d2422', lines: '#465049' } as const

/** A colour that things are printed in; one that is too pale to be read is made darker by a press. */
export function ColourBox({ what, value, onChange }: Props) {
  const id = `letterhead-colour-${what}`
  const isPale = value !== undefined && contrastOnPaper(value) < leastContrast[what]
  return (
    <div className="flex flex-col gap-1">
      <Labelled label={labels[what]} htmlFor={id}>
        <div className="flex items-center gap-3">
          <input
            id={id}
            type="color"
            value={value ?? usual[what]}
            aria-describedby={isPale ? `${id}-pale` : undefined}
            onChange={(event) => onChange(event.target.value)}
            className="h-9 w-14 cursor-pointer rounded-md border border-ash-4 bg-paper p-1"
          />
          <span className="font-mono text-[13px] text-ash-6">{value ?? 'as usual'}</span>
          {value !== undefined && <WordButton onClick={() => onChange(undefined)}>Without it</WordButton>}
        </div>
      </Labelled>
      {isPale && (
        <p id={`${id}-pale`} role="alert" className="text-[13px] text-ember">
          Too pale on white paper, in grey above all.{' '}
          <WordButton onClick={() => onChange(darkEnough(value, leastContrast[what]))}>Make it dark enough</WordButton>
        </p>
      )}
    </div>
  )
}
