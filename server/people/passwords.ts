import { hash, verify } from '@node-rs/argon2'
import { ZxcvbnFactory } from '@zxcvbn-ts/core'
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common'
import { hasUnseen } from '@/core/kinds'
import type { Problem } from '@/core/words'
import { newId } from '../ids'

const least = 10
const longest = 200
/** Of the five grades from nought to four; below this a password falls within some millions of guesses. */
const leastGrade = 2

let judge: ZxcvbnFactory | undefined

/** Why a password won't do, if so. `name` is who it is for: their own name is the first that is guessed. */
export function passwordProblem(password: string, name: string): Problem | undefined {
  if ([...password].length < least) return { kind: 'password-short', least }
  if ([...password].length > longest) return { kind: 'password-long', most: longest }
  if (hasUnseen(password)) return { kind: 'odd-characters' }
  judge ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs })
  return judge.check(password, [name, name.replaceAll(' ', ''), ...name.split(' ')]).score < leastGrade
    ? { kind: 'password-common' }
    : undefined
}

// argon2id with the library's defaults, 19 MiB and two passes, as OWASP asks at the least.
export const hashOf = (password: string) => hash(password)

let nobodys: Promise<string> | undefined
/** A hash that no password matches, to spend the same time on unknown names. */
const unusable = () => (nobodys ??= hash(newId(40)))

/** Whether a password is right; where there is nothing to compare it with it takes as long to say no. */
export const isRight = async (stored: string | undefined, password: string) => {
  const right = await verify(stored ?? (await unusable()), password).catch(() => false)
  return stored !== undefined && right
}
