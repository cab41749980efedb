'use client'

import type { Paper } from '@/core/book'
import { leastLetters } from '@/core/reports'
import { ChoiceBox, Labelled, Segments } from '@/ui/kit'
import { Millimetres } from './millimetres'

const letterSizes = Array.from({ length: 17 }, (_, at) => leastLetters + at / 2)
const names = { a4: 'A4', a5: 'A5', letter: 'Letter', legal: 'Legal' } as const

interface Props {
  readonly paper: Paper
  readonly letters: number
  readonly onChange: (to: { readonly paper?: Paper; readonly letters?: number }) => void
}

/** On which paper, with which margins, in letters how large. */
export function PaperChoices({ paper, letters, onChange }: Props) {
  const set = (to: Partial<Paper>) => onChange({ paper: { ...paper, ...to } })
  const isOwn = typeof paper.size !== 'string'
  const turn = (turned: boolean) => {
    const { turned: _turned, ...rest } = paper
    onChange({ paper: turned ? { ...rest, turned: true } : rest })
  }
  return (
    <>
      <Labelled label="Paper" htmlFor="paper-paper">
        <ChoiceBox
          id="paper-paper"
          value={isOwn ? 'own' : paper.size}
          onChange={(event) => {
            const size = event.target.value
            set({ size: size === 'own' ? { width: 200, height: 280 } : (size as keyof typeof names) })
          }}
        >
          {Object.entries(names).map(([size, words]) => (
            <option key={size} value={size}>
              {words}
            </option>
          ))}
          <option value="own">a size of its own …</option>
        </ChoiceBox>
      </Labelled>
      {typeof paper.size !== 'string' && (
        <div className="flex gap-2">
          <Millimetres
            label="Width, mm"
            id="paper-width"
            value={paper.size.width}
            least={60}
            most={900}
            onChange={(width) => typeof paper.size !== 'string' && set({ size: { ...paper.size, width } })}
          />
          <Millimetres
            label="Height, mm"
            id="paper-height"
            value={paper.size.height}
            least={60}
            most={900}
            onChange={(height) => typeof paper.size !== 'string' && set({ size: { ...paper.size, height } })}
          />
        </div>
      )}
      <Segments
        small
        label="How the paper lies"
        value={paper.turned ? 'side' : 'upright'}
        options={[
          { value: 'upright', words: 'upright' },
          { value: 'side', words: 'on its side' },
        ]}
        onChange={(how) => turn(how === 'side')}
      />
      <Millimetres
        label="Margins, mm"
        id="paper-margin"
        value={paper.margin}
        least={5}
        most={60}
        onChange={(margin) => set({ margin })}
      />
      <Labelled label="Letters, points" htmlFor="paper-letters">
        <ChoiceBox
          id="paper-letters"
          value={letters}
          onChange={(event) => onChange({ letters: Number(event.target.value) })}
        >
          {[...new Set([...letterSizes, letters])].map((size) => (
            <option key={size} value={size}>
              {size}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
    </>
  )
}
