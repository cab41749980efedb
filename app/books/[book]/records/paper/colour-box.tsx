import { Labelled, WordButton } from '@/ui/kit'

interface Props {
  readonly id: string
  readonly label: string
  /** As it is where nothing is said. */
  readonly usual: string
  readonly value: string | undefined
  readonly onChange: (colour: string | undefined) => void
  /** Why it can't be so, and what is done about that by a press. */
  readonly fault?: { readonly words: string; readonly mend: string; readonly onMend: () => void } | undefined
}

/** A colour of the office's own; one that can't be read is mended by a press. */
export const ColourBox = ({ id, label, usual, value, onChange, fault }: Props) => (
  <div className="flex flex-col gap-1">
    <Labelled label={label} htmlFor={id}>
      <div className="flex items-center gap-3">
        <input
          id={id}
          type="color"
          value={value ?? usual}
          aria-describedby={fault ? `${id}-fault` : undefined}
          onChange={(event) => onChange(event.target.value)}
          className="h-9 w-14 cursor-pointer rounded-md border border-ash-4 bg-paper p-1"
        />
        <span className="font-mono text-[13px] text-ash-6">{value ?? 'as usual'}</span>
        {value !== undefined && <WordButton onClick={() => onChange(undefined)}>Without it</WordButton>}
      </div>
    </Labelled>
    {fault && (
      <p id={`${id}-fault`} role="alert" className="text-[13px] text-ember">
        {fault.words} <WordButton onClick={fault.onMend}>{fault.mend}</WordButton>
      </p>
    )}
  </div>
)
