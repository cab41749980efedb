import type { Table } from '../book'
import { aOrAn, inSentence, plural } from '../words'
import type { Answers } from './ties'

const noun = (table: Table) => inSentence(table.name)

/** "Can one visit have more than one appliance?" */
export const askSeveral = (a: Table, b: Table) =>
  a.id === b.id
    ? `Can one ${noun(a)} be linked to more than one other ${noun(b)}?`
    : `Can one ${noun(a)} have more than one ${noun(b)}?`

/** "Must every visit have at least one appliance?" */
export const askMust = (a: Table, b: Table) => `Must every ${noun(a)} have ${aOrAn(noun(b))}?`

/** What comes of the answers: a bold line and a sentence. */
export function sayOutcome(
  a: Table,
  b: Table,
  answers: Answers,
  name?: string,
): { readonly head: string; readonly text: string } {
  const { aHasSeveral, bHasSeveral } = answers
  const [one, other] = [noun(a), noun(b)]
  if (aHasSeveral && bHasSeveral) {
    return {
      head: 'A joining table is needed.',
      text: `One row for each ${other} of ${aOrAn(one)}. The same two can’t be entered twice, and the row can have fields of its own.`,
    }
  }
  if (!aHasSeveral && !bHasSeveral) {
    return {
      head: 'The two go one to one.',
      text: `A link that no two records may share. If they are never apart, they may be one table.`,
    }
  }
  const [carrier, target] = aHasSeveral ? [b, a] : [a, b]
  const must = aHasSeveral ? answers.bMust : answers.aMust
  return {
    head: `Each ${noun(carrier)} gets a link to one ${noun(target)}.`,
    text: `${plural(carrier.name)} get the field “${name || target.name}”${must ? ', which must be filled' : ', which may stay empty'}. ${aOrAn(noun(target)).replace(/^a/, 'A')} can have any number of ${plural(noun(carrier))}.`,
  }
}
