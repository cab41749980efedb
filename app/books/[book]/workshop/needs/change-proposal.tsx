'use client'

import { useState } from 'react'
import { limits } from '@/core/book'
import type { Proposal } from '@/core/needs'
import { type KindName, kindNames, kindOf } from '@/core/kinds'
import { Button, ChoiceBox, Dialog, Labelled, TextBox } from '@/ui/kit'

interface Props {
  readonly proposal: Proposal
  /** All things the words speak of, for saying that two are one. */
  readonly names: readonly string[]
  readonly onAccept: (changed: Proposal) => void
  readonly onMerge: (into: string) => void
  readonly onClose: () => void
}

const tieKinds = [
  { value: '1-n', words: (from: string, to: string) => `One ${from} has several ${to}` },
  { value: 'n-n', words: (from: string, to: string) => `Several on both sides: ${from} and ${to}` },
  { value: '1-1', words: (from: string, to: string) => `One ${from} and one ${to}` },
] as const

/** A proposal put right before it is accepted: another name, another kind, another tie, or two things that are one. */
export function ChangeProposal({ proposal, names, onAccept, onMerge, onClose }: Props) {
  const [name, setName] = useState(proposal.kind === 'table' ? proposal.table : proposal.words)
  const [kind, setKind] = useState<KindName>(proposal.kind === 'field' ? proposal.what.kind : 'line')
  const [shape, setShape] = useState(proposal.kind === 'tie' ? proposal.what.kind : '1-n')
  const [same, setSame] = useState('')

  const changed = (): Proposal => {
    if (proposal.kind === 'table')
      return { ...proposal, table: name.trim(), what: { ...proposal.what, name: name.trim() } }
    if (proposal.kind === 'tie')
      return {
        ...proposal,
        what: { ...proposal.what, kind: shape, fields: shape === 'n-n' ? proposal.what.fields : [] },
      }
    const { choices: _choices, ...rest } = proposal.what
    const what = kind === 'choice' ? proposal.what : rest
    return { ...proposal, words: name.trim(), what: { ...what, name: name.trim(), kind } }
  }
  return (
    <Dialog
      open
      onClose={onClose}
      title={proposal.kind === 'table' ? `Change ${proposal.table}` : `Change ${proposal.table}: ${proposal.words}`}
      say={proposal.kind === 'tie' ? 'How are the two linked?' : 'Change it, then accept it.'}
      actions={
        <>
          <Button onClick={onClose}>Cancel</Button>
          {same ? (
            <Button look="main" onClick={() => onMerge(same)}>
              They are the same
            </Button>
          ) : (
            <Button look="main" disabled={!name.trim()} onClick={() => onAccept(changed())}>
              Accept the change
            </Button>
          )}
        </>
      }
    >
      <div className="mt-3 flex flex-col gap-3">
        {proposal.kind !== 'tie' && (
          <Labelled label="Name" htmlFor="proposal-name">
            <TextBox
              id="proposal-name"
              maxLength={limits.nameLength}
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          </Labelled>
        )}
        {proposal.kind === 'field' && (
          <Labelled label="Holds" htmlFor="proposal-kind">
            <ChoiceBox id="proposal-kind" value={kind} onChange={(event) => setKind(event.target.value as KindName)}>
              {kindNames
                .filter((one) => one !== 'link')
                .map((one) => (
                  <option key={one} value={one}>
                    {kindOf(one).title}
                  </option>
                ))}
            </ChoiceBox>
          </Labelled>
        )}
        {proposal.kind === 'tie' && (
          <Labelled label="How they are linked" htmlFor="proposal-tie">
            <ChoiceBox
              id="proposal-tie"
              value={shape}
              onChange={(event) => setShape(event.target.value as typeof shape)}
            >
              {tieKinds.map((one) => (
                <option key={one.value} value={one.value}>
                  {one.words(proposal.what.from, proposal.what.to)}
                </option>
              ))}
            </ChoiceBox>
          </Labelled>
        )}
        {proposal.kind === 'table' && names.length > 1 && (
          <Labelled label="Or is it the same as another table?" htmlFor="proposal-same">
            <ChoiceBox id="proposal-same" value={same} onChange={(event) => setSame(event.target.value)}>
              <option value="">No, it is a table of its own</option>
              {names
                .filter((one) => one !== proposal.table)
                .map((one) => (
                  <option key={one} value={one}>
                    It is a {one.toLowerCase()}
                  </option>
                ))}
            </ChoiceBox>
          </Labelled>
        )}
      </div>
    </Dialog>
  )
}
