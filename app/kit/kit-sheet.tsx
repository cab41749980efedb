'use client'

import { KeyRound } from 'lucide-react'
import { useState } from 'react'
import {
  Button,
  ChoiceBox,
  Dialog,
  Empty,
  IconButton,
  Labelled,
  Note,
  PassageBox,
  Segments,
  Tag,
  TextBox,
  TickBox,
  WordButton,
} from '@/ui/kit'
import { ControlStates } from './control-states'

type Theme = 'light' | 'dark'

/** The kit and the controls, in one theme or the other. */
export function KitSheet() {
  const [open, setOpen] = useState(false)
  const [theme, setTheme] = useState<Theme>()
  const choose = (next: Theme) => {
    setTheme(next)
    document.documentElement.dataset.theme = next
  }
  return (
    <main className="mx-auto min-h-screen max-w-[1100px] bg-paper p-6 text-ink">
      <div className="flex items-center justify-between gap-4">
        <h1 className="text-[22px]">Kit</h1>
        <Segments
          small
          label="Theme"
          value={theme}
          onChange={choose}
          options={[
            { value: 'light', words: 'Light' },
            { value: 'dark', words: 'Dark' },
          ]}
        />
      </div>
      <Parts onOpen={() => setOpen(true)} />
      <ControlStates />
      <Dialog
        open={open}
        onClose={() => setOpen(false)}
        title="Remove this visit?"
        say="What goes with it is said before."
        actions={
          <>
            <Button onClick={() => setOpen(false)}>Cancel</Button>
            <Button look="ember" onClick={() => setOpen(false)}>
              Remove it
            </Button>
          </>
        }
      />
    </main>
  )
}

function Parts({ onOpen }: { readonly onOpen: () => void }) {
  const [side, setSide] = useState<'one' | 'several'>('one')
  const [ticked, setTicked] = useState(true)
  const id = (name: string) => `kit-${name}`
  return (
    <div className="flex flex-col gap-5 py-4">
      <Row head="Buttons">
        <Button look="main" keys="Ctrl S">
          Save
        </Button>
        <Button>Cancel</Button>
        <Button look="ember">Remove</Button>
        <Button disabled>Saving …</Button>
        <Button small>Small</Button>
        <WordButton>Say it differently</WordButton>
        <WordButton quiet>Not now</WordButton>
        <IconButton label="A new password">
          <KeyRound size={16} aria-hidden />
        </IconButton>
        <Button onClick={onOpen}>Open a dialog</Button>
      </Row>
      <Row head="Tags and choices">
        {(['ash', 'brass', 'sky', 'spruce', 'ember'] as const).map((look) => (
          <Tag key={look} look={look}>
            {look}
          </Tag>
        ))}
        <Segments
          label="One or several"
          value={side}
          onChange={setSide}
          options={[
            { value: 'one', words: 'One' },
            { value: 'several', words: 'Several' },
          ]}
        />
        <TickBox id={id('tick')} label="Must be filled" checked={ticked} onChange={setTicked} />
        <TickBox id={id('tick-off')} label="Can’t be changed" checked={false} disabled onChange={() => undefined} />
      </Row>
      <div className="grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
        <Labelled label="A name" htmlFor={id('text')} hint="As people call it.">
          <TextBox id={id('text')} defaultValue="Quay Lane" />
        </Labelled>
        <Labelled label="A name" htmlFor={id('wrong')} must problem="Give the table a name.">
          <TextBox id={id('wrong')} invalid aria-describedby={id('wrong-note')} />
        </Labelled>
        <Labelled label="What it is about" htmlFor={id('choice')}>
          <ChoiceBox id={id('choice')}>
            <option>A field between two values</option>
            <option>At least one of some fields filled</option>
          </ChoiceBox>
        </Labelled>
        <Labelled label="In a few words" htmlFor={id('passage')}>
          <PassageBox id={id('passage')} defaultValue="Rung first when the owner is away." />
        </Labelled>
      </div>
      <div className="grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
        {(['settle', 'look', 'fine', 'info'] as const).map((mark) => (
          <Note key={mark} mark={mark} head={`A note: ${mark}`} actions={<WordButton>Do it now</WordButton>}>
            What is so, and what to do about it.
          </Note>
        ))}
      </div>
      <Empty head="Nothing here yet" action={<Button look="main">Add the first</Button>}>
        What to do first stands here.
      </Empty>
    </div>
  )
}

const Row = ({ head, children }: { readonly head: string; readonly children: React.ReactNode }) => (
  <div>
    <p className="mb-2 text-[13px] font-semibold text-ash-6">{head}</p>
    <div className="flex flex-wrap items-center gap-3">{children}</div>
  </div>
)
