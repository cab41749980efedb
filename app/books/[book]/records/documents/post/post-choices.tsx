'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { toast } from 'sonner'
import { answered } from '@/app/answered'
import { wordProblem } from '@/core/words'
import type { RealOffice, Safety } from '@/server/post'
import { Button, ChoiceBox, Labelled, Note, Segments, TextBox } from '@/ui/kit'
import { useRecords } from '../../records-context'
import { setPost } from './actions'

interface Props {
  readonly senderName: string
  readonly senderAddress: string
  readonly real: RealOffice | undefined
  readonly hasPassword: boolean
  readonly maySet: boolean
}

const safetyWords: Readonly<Record<Safety, string>> = {
  tls: 'safe from the first word (TLS, 465)',
  agreed: 'made safe first (STARTTLS, 587)',
  none: 'not safe: within the house alone',
}
const usualPorts: Readonly<Record<Safety, number>> = { tls: 465, agreed: 587, none: 25 }

/** Who e-mails are from, and by which post office they go. */
export function PostChoices({ maySet, ...start }: Props) {
  if (maySet) return <Choices {...start} />
  return (
    <Note mark="info" head={start.real ? `By ${start.real.host}` : 'By the post office that comes with the program'}>
      E-mails are from {start.senderName} {`<${start.senderAddress}>`}. Administrators set that up.
    </Note>
  )
}

function Choices(start: Omit<Props, 'maySet'>) {
  const { id } = useRecords()
  const router = useRouter()
  const [name, setName] = useState(start.senderName)
  const [address, setAddress] = useState(start.senderAddress)
  const [isReal, setIsReal] = useState(start.real !== undefined)
  const [real, setReal] = useState<Typed>(() => typedOf(start.real))
  const [problem, setProblem] = useState<string>()
  const keep = async () => {
    const wrong = isReal ? wrongIn(real) : undefined
    if (wrong) return setProblem(wrong)
    const { host, port, safety, user, password } = real
    const done = await answered(
      setPost(id, {
        senderName: name,
        senderAddress: address,
        ...(isReal && {
          real: { host: host.trim(), port: Number(port), safety, ...(user.trim() && { user: user.trim() }) },
        }),
        ...(isReal && password && { password }),
      }),
    )
    if (!done.ok) return setProblem(wordProblem(done.problem))
    setProblem(undefined)
    setReal({ ...real, password: '' })
    toast('Saved. The next e-mails go out so.')
    router.refresh()
  }
  return (
    <section aria-label="How e-mails are sent" className="flex flex-col gap-2.5">
      <h3 className="font-semibold">E-mails are from</h3>
      <Labelled label="Name" htmlFor="post-name">
        <TextBox id="post-name" value={name} maxLength={60} onChange={(event) => setName(event.target.value)} />
      </Labelled>
      <Labelled label="Address" htmlFor="post-address">
        <TextBox
          id="post-address"
          value={address}
          maxLength={254}
          onChange={(event) => setAddress(event.target.value)}
        />
      </Labelled>
      <h3 className="pt-2 font-semibold">They go by</h3>
      <Segments
        label="They go by"
        value={isReal ? 'real' : 'own'}
        options={[
          { value: 'own', words: 'The one here' },
          { value: 'real', words: 'A real one' },
        ]}
        onChange={(to) => setIsReal(to === 'real')}
      />
      {!isReal && <p className="text-[13px] text-ash-6">For trying: nothing leaves this machine.</p>}
      {isReal && <RealFields real={real} hasPassword={start.hasPassword} onChange={setReal} />}
      {problem && (
        <p role="alert" className="text-[13px] text-ember">
          {problem}
        </p>
      )}
      <Button look="main" className="self-start" onClick={() => void keep()}>
        Save
      </Button>
    </section>
  )
}

/** A real post office as it is typed. */
interface Typed {
  readonly host: string
  readonly port: string
  readonly safety: Safety
  readonly user: string
  readonly password: string
}

const typedOf = (real: RealOffice | undefined): Typed => ({
  host: real?.host ?? '',
  port: String(real?.port ?? usualPorts.agreed),
  safety: real?.safety ?? 'agreed',
  user: real?.user ?? '',
  password: '',
})

function wrongIn({ host, port }: Typed): string | undefined {
  if (!host.trim()) return 'Type the name of the machine, as your mail provider says it.'
  const isPort = /^\d{1,5}$/.test(port) && Number(port) >= 1 && Number(port) <= 65535
  return isPort ? undefined : 'A port is a number from 1 to 65535, most often 465 or 587.'
}

interface RealProps {
  readonly real: Typed
  readonly hasPassword: boolean
  readonly onChange: (real: Typed) => void
}

/** Where a real post office is, and how one signs in there. */
function RealFields({ real, hasPassword, onChange }: RealProps) {
  const set = (to: Partial<Typed>) => onChange({ ...real, ...to })
  return (
    <>
      <Labelled label="Machine" htmlFor="post-host" hint="As your mail provider says it.">
        <TextBox
          id="post-host"
          value={real.host}
          maxLength={254}
          placeholder="post.firm.example"
          onChange={(event) => set({ host: event.target.value })}
        />
      </Labelled>
      <Labelled label="The connection is" htmlFor="post-safety">
        <ChoiceBox
          id="post-safety"
          value={real.safety}
          onChange={(event) => {
            const to = event.target.value as Safety
            set({ safety: to, port: String(usualPorts[to]) })
          }}
        >
          {Object.entries(safetyWords).map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </ChoiceBox>
      </Labelled>
      <Labelled label="Port" htmlFor="post-port">
        <TextBox
          id="post-port"
          value={real.port}
          inputMode="numeric"
          onChange={(event) => set({ port: event.target.value })}
        />
      </Labelled>
      <Labelled label="User (optional)" htmlFor="post-user">
        <TextBox
          id="post-user"
          value={real.user}
          maxLength={254}
          autoComplete="off"
          onChange={(event) => set({ user: event.target.value })}
        />
      </Labelled>
      {real.user.trim() && (
        <Labelled
          label="Password"
          htmlFor="post-password"
          hint={hasPassword ? 'One is kept, sealed. Empty: it stays.' : 'It is kept sealed, and never shown.'}
        >
          <TextBox
            id="post-password"
            type="password"
            value={real.password}
            maxLength={500}
            autoComplete="new-password"
            onChange={(event) => set({ password: event.target.value })}
          />
        </Labelled>
      )}
    </>
  )
}
