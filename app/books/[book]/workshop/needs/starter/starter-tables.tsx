'use client'

import { useState } from 'react'
import { limits } from '@/core/book'
import { readStarter, type StarterField, starters } from '@/core/needs'
import { kindOf } from '@/core/kinds'
import { listed } from '@/core/words'
import { Button, IconButton, Labelled, Note, TextBox, TickBox } from '@/ui/kit'
import { ArrowDown, ArrowUp } from 'lucide-react'
import { IndexHead, IndexRow, Room } from '@/ui/shell/room'
import { useAccept } from '../use-accept'

/** Everyday tables to begin from: named as the office calls them, their fields chosen and put in order. */
export function StarterTables() {
  const accept = useAccept()
  const [at, setAt] = useState(0)
  const starter = starters[at]!
  const [name, setName] = useState(starter.name)
  const [fields, setFields] = useState<readonly StarterField[]>(starter.fields)
  const choose = (next: number) => {
    setAt(next)
    setName(starters[next]!.name)
    setFields(starters[next]!.fields)
  }
  const move = (from: number, by: number) => {
    const moved = [...fields]
    const [field] = moved.splice(from, 1)
    moved.splice(from + by, 0, field!)
    setFields(moved)
  }
  const picked = fields.filter((field) => field.usual)
  return (
    <Room
      indexLabel="Starter tables"
      index={
        <>
          <IndexHead>Begin from</IndexHead>
          {starters.map((one, index) => (
            <IndexRow key={one.name} here={index === at} count={one.fields.length} onPick={() => choose(index)}>
              {one.name}
            </IndexRow>
          ))}
        </>
      }
      margin={
        <Note mark="info" head="Call it what you call it">
          “Person” may be a member, a patient or a guest here. Everything can be changed later.
        </Note>
      }
    >
      <h1 className="text-[22px] leading-tight">{starter.name}</h1>
      <p className="mt-1 mb-4 text-ash-6">{starter.say}</p>
      <div className="max-w-[560px]">
        <Labelled label="What your office calls it" htmlFor="starter-name">
          <TextBox
            id="starter-name"
            maxLength={limits.nameLength}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </Labelled>
        <ul aria-label="Fields" className="mt-4 border-t border-ash-3">
          {fields.map((field, index) => (
            <li key={field.name} className="flex items-center gap-2 border-b border-ash-3 py-0.5">
              <span className="min-w-0 flex-1">
                <TickBox
                  id={`starter-${field.name}`}
                  label={field.name}
                  checked={field.usual}
                  onChange={(on) =>
                    setFields(fields.map((other) => (other === field ? { ...field, usual: on } : other)))
                  }
                />
              </span>
              <span className="text-[13px] text-ash-6">
                {field.choices ? listed(field.choices, 'or') : kindOf(field.kind).title.toLowerCase()}
              </span>
              <IconButton label={`Move ${field.name} up`} disabled={index === 0} onClick={() => move(index, -1)}>
                <ArrowUp size={14} aria-hidden />
              </IconButton>
              <IconButton
                label={`Move ${field.name} down`}
                disabled={index === fields.length - 1}
                onClick={() => move(index, 1)}
              >
                <ArrowDown size={14} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ul>
        <Button
          look="main"
          className="mt-4"
          disabled={!name.trim() || picked.length === 0}
          onClick={() => accept(readStarter(name.trim(), picked), `Begin ${name.trim()} from a starter table`)}
        >
          Make the table
        </Button>
      </div>
    </Room>
  )
}
