'use client'

import { useState } from 'react'
import type { Field } from '@/core/book'
import { type Block, learnPattern, type Pattern, readyMade, sayPattern, specimenOf } from '@/core/patterns'
import { counted } from '@/core/words'
import { Button, ChoiceBox, Labelled, PassageBox, TextBox, TickBox, WordButton } from '@/ui/kit'

interface Props {
  readonly field: Field
  readonly onChange: (pattern: Pattern | null) => boolean
}

/** The fixed shape of a code, learned from real values or taken ready made; its parts are changed by clicking them. */
export function PatternEditor({ field, onChange }: Props) {
  const { pattern } = field
  const [samples, setSamples] = useState('')
  const [chosen, setChosen] = useState<number>()
  const lines = samples.split('\n').filter((line) => line.trim() !== '')
  const learned = learnPattern(lines)
  const block = pattern && chosen !== undefined ? pattern.blocks[chosen] : undefined
  const change = (to: Block) =>
    pattern && onChange({ ...pattern, blocks: pattern.blocks.map((one, at) => (at === chosen ? to : one)) })
  return (
    <div className="flex flex-col gap-2 rounded-lg border border-ash-3 bg-paper p-3">
      {pattern ? (
        <>
          <p>
            <b>Written as</b> {sayPattern(pattern)}; such as{' '}
            <code className="font-mono">{specimenOf(pattern, () => 0)}</code>
          </p>
          <div role="group" aria-label="Parts of the pattern" className="flex flex-wrap gap-1.5">
            {pattern.blocks.map((one, at) => (
              <Button
                key={at}
                small
                aria-pressed={chosen === at}
                look={chosen === at ? 'main' : 'plain'}
                onClick={() => setChosen(chosen === at ? undefined : at)}
              >
                {sayPattern({ blocks: [one] })}
              </Button>
            ))}
            <WordButton onClick={() => (setChosen(undefined), onChange(null))}>Without a pattern</WordButton>
          </div>
          {block && <BlockParts id={field.id} block={block} onChange={change} />}
        </>
      ) : (
        <>
          <div className="grid gap-3 sm:grid-cols-2">
            <Labelled label="Pattern from real values, one a line" htmlFor={`${field.id}-samples`}>
              <PassageBox
                id={`${field.id}-samples`}
                rows={3}
                value={samples}
                placeholder={'V-00418\nV-00007'}
                onChange={(event) => setSamples(event.target.value)}
              />
            </Labelled>
            <Labelled label="or a ready-made one" htmlFor={`${field.id}-ready`}>
              <ChoiceBox
                id={`${field.id}-ready`}
                value=""
                onChange={(event) => onChange(readyMade[event.target.value]?.pattern ?? null)}
              >
                <option value="">Choose …</option>
                {Object.entries(readyMade).map(([name, { title }]) => (
                  <option key={name} value={name}>
                    {title}
                  </option>
                ))}
              </ChoiceBox>
            </Labelled>
          </div>
          {learned && (
            <p role="status" className="text-[13px]">
              {sayPattern(learned.pattern)}.{' '}
              {learned.misfits.length > 0 && (
                <span className="text-ember">
                  {counted(learned.misfits.length, 'value')} {learned.misfits.length === 1 ? 'doesn’t' : 'don’t'} fit:{' '}
                  {learned.misfits
                    .slice(0, 5)
                    .map((at) => lines[at]!.trim())
                    .join(', ')}
                  .{' '}
                </span>
              )}
              <WordButton onClick={() => onChange(learned.pattern) && setSamples('')}>Use this pattern</WordButton>
            </p>
          )}
        </>
      )}
    </div>
  )
}

const wholeOf = (typed: string, otherwise: number) => {
  const number = Number(typed)
  return Number.isInteger(number) && number >= 1 && number <= 40 ? number : otherwise
}

function BlockParts({
  id,
  block,
  onChange,
}: {
  readonly id: string
  readonly block: Block
  readonly onChange: (block: Block) => unknown
}) {
  const optional = block.optional ? { optional: true as const } : {}
  const kinds = { fixed: 'always this', digits: 'digits', letters: 'letters', either: 'letters or digits' }
  const turn = (kind: Block['kind']) => {
    if (kind === 'fixed') return onChange({ kind, text: '-', ...optional })
    const size = block.kind === 'fixed' ? { least: block.text.length, most: block.text.length } : block
    return onChange({ kind, least: size.least, most: size.most, ...optional })
  }
  return (
    <div className="grid items-end gap-3 sm:grid-cols-4">
      <Labelled label="This part is" htmlFor={`${id}-part-kind`}>
        <ChoiceBox
          id={`${id}-part-kind`}
          value={block.kind}
          onChange={(event) => turn(event.target.value as Block['kind'])}
        >
          {Object.entries(kinds).map(([kind, words]) => (
            <option key={kind} value={kind}>
              {words}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
      {block.kind === 'fixed' ? (
        <Labelled label="Letter by letter" htmlFor={`${id}-part-text`}>
          <TextBox
            id={`${id}-part-text`}
            value={block.text}
            maxLength={20}
            onChange={(event) => event.target.value && onChange({ ...block, text: event.target.value })}
          />
        </Labelled>
      ) : (
        <>
          <Labelled label="At least" htmlFor={`${id}-part-least`}>
            <TextBox
              id={`${id}-part-least`}
              inputMode="numeric"
              value={block.least}
              onChange={(event) => {
                const least = wholeOf(event.target.value, block.least)
                onChange({ ...block, least, most: Math.max(least, block.most) })
              }}
            />
          </Labelled>
          <Labelled label="At most" htmlFor={`${id}-part-most`}>
            <TextBox
              id={`${id}-part-most`}
              inputMode="numeric"
              value={block.most}
              onChange={(event) => {
                const most = wholeOf(event.target.value, block.most)
                onChange({ ...block, most, least: Math.min(most, block.least) })
              }}
            />
          </Labelled>
        </>
      )}
      <TickBox
        id={`${id}-part-optional`}
        label="May be missing"
        checked={block.optional ?? false}
        onChange={(now) => {
          const { optional: _optional, ...rest } = block
          onChange(now ? { ...rest, optional: true } : rest)
        }}
      />
    </div>
  )
}
