'use client'

import { type FormEvent, useState } from 'react'
import { toast } from 'sonner'
import { AccountBar } from '@/app/account-bar'
import { answered } from '@/app/answered'
import { wordProblem } from '@/core/words'
import type { Account, Member } from '@/server/people'
import { Button, ChoiceBox, Labelled, Note, TextBox } from '@/ui/kit'
import { IndexHead, IndexRow, Room } from '@/ui/shell/room'
import { addPerson, chooseRole } from './actions'
import { ManagePerson } from './manage-person'

type Role = NonNullable<Member['role']>

const roles: readonly { readonly role: Role; readonly words: string }[] = [
  { role: 'administrator', words: 'Administrator: designs, opens, runs the book' },
  { role: 'staff', words: 'Staff: enters and changes records' },
  { role: 'reader', words: 'Reader: looks records up, changes nothing' },
]

interface Props {
  readonly id: string
  readonly name: string
  readonly account: Account
  readonly books: readonly { readonly id: string; readonly name: string }[]
  readonly members: readonly Member[]
}

/** Who may use the book, and as what. */
export function PeopleSheet({ id, name, account, books, members: first }: Props) {
  const [members, setMembers] = useState(first)
  const base = `/books/${id}`
  const choose = async (member: Member, role: Role | null) => {
    const result = await answered(chooseRole(id, { account: member.account, role }))
    if (result.ok) setMembers(result.value)
    else toast(wordProblem(result.problem))
  }
  return (
    <div className="flex h-full min-h-0 flex-col">
      <AccountBar
        account={account.name}
        book={{ name, others: books.filter((book) => book.id !== id) }}
        sides={[
          { title: 'Workshop', href: `${base}/workshop/needs`, here: false },
          { title: 'Records', href: `${base}/records`, here: false },
          { title: 'Office', href: `${base}/office/people`, here: true },
        ]}
      />
      <Room
        indexLabel="Office"
        index={
          <>
            <IndexHead>Office</IndexHead>
            <IndexRow here count={members.filter((member) => member.role).length} onPick={() => undefined}>
              People
            </IndexRow>
          </>
        }
        margin={
          <Note mark="info" head="What a role may do">
            Administrators see every side of the book. Staff and readers see only Records. The server checks it at every
            door.
          </Note>
        }
      >
        <h1 className="text-[22px] leading-tight">People</h1>
        <p className="mt-1 mb-4 text-ash-6">Who may use this book, and as what.</p>
        <ul className="border-t border-ash-3">
          {members.map((member) => (
            <li
              key={member.account}
              className="flex min-h-12 flex-wrap items-center justify-between gap-3 border-b border-ash-3 py-1"
            >
              <label htmlFor={`role-${member.account}`} className="font-bold">
                {member.name}
                {member.account === account.id && <span className="font-normal text-ash-6"> (you)</span>}
              </label>
              <span className="flex items-center gap-2">
                <ChoiceBox
                  id={`role-${member.account}`}
                  className="!w-[340px]"
                  value={member.role ?? ''}
                  onChange={(event) => void choose(member, (event.target.value || null) as Role | null)}
                >
                  <option value="">Does not see this book</option>
                  {roles.map(({ role, words }) => (
                    <option key={role} value={role}>
                      {words}
                    </option>
                  ))}
                </ChoiceBox>
                {member.account === account.id ? (
                  <span className="w-[60px]" />
                ) : (
                  <ManagePerson id={id} member={member} onRemoved={setMembers} />
                )}
              </span>
            </li>
          ))}
        </ul>
        <NewPerson id={id} onAdded={setMembers} />
      </Room>
    </div>
  )
}

function NewPerson({ id, onAdded }: { readonly id: string; readonly onAdded: (members: readonly Member[]) => void }) {
  const [name, setName] = useState('')
  const [password, setPassword] = useState('')
  const [role, setRole] = useState<Role>('staff')
  const [problem, setProblem] = useState<string>()
  const add = async (event: FormEvent) => {
    event.preventDefault()
    const result = await answered(addPerson(id, { name, password, role }))
    if (!result.ok) return setProblem(wordProblem(result.problem))
    onAdded(result.value)
    toast(`${name.trim()} can sign in now.`)
    setName('')
    setPassword('')
    setProblem(undefined)
  }
  return (
    <form
      onSubmit={(event) => void add(event)}
      className="mt-6 max-w-[720px] rounded-lg border border-ash-3 bg-ash-1 p-4"
    >
      <h2 className="mb-3 text-base">Add a person</h2>
      <div className="grid gap-3 sm:grid-cols-2">
        <Labelled label="Name" htmlFor="person-name">
          <TextBox id="person-name" value={name} onChange={(event) => setName(event.target.value)} />
        </Labelled>
        <Labelled
          label="First password"
          htmlFor="person-password"
          hint="At least 10 characters. Tell it to them yourself."
        >
          <TextBox
            id="person-password"
            type="text"
            value={password}
            onChange={(event) => setPassword(event.target.value)}
          />
        </Labelled>
        <Labelled label="As" htmlFor="person-role" className="sm:col-span-2" problem={problem}>
          <ChoiceBox id="person-role" value={role} onChange={(event) => setRole(event.target.value as Role)}>
            {roles.map((one) => (
              <option key={one.role} value={one.role}>
                {one.words}
              </option>
            ))}
          </ChoiceBox>
        </Labelled>
      </div>
      <Button type="submit" look="main" className="mt-4" disabled={!name.trim() || !password}>
        Add
      </Button>
    </form>
  )
}
