import { limits } from '../book'
import { hintedKind } from '../kinds'
import { capital } from '../words'
import type { FormLabel } from './form-label'
import { formNames, formTotals, paidWords } from './form-totals'
import type { ReadField, Reading, ReadTable, ReadTie } from './reading'

/** Parties that forms are made out for or by; a label that begins with one is a fact about it. */
const parties =
  'customer client buyer supplier vendor patient guest tenant owner member pupil student employee technician driver seller sender receiver recipient contact payer company vehicle appliance premises property animal device'.split(
    ' ',
  )
const totals =
  /^(sub-?total|total|grand total|sum|net total|gross total|vat|tax|balance|amount due|to pay|discount total)\b/i
const lineWords =
  /^(qty|quantity|item|article|description|unit price|price each|price|amount|line total|hours|rate|unit|part|part number|work done|service)$/i

/**
 * Splits what was typed or pasted into labels and guesses what each belongs to; the guesses are there to be changed.
 * `known` are the names of tables that there are: a label that begins with one is a fact about it.
 */
export function readLabels(typed: string, known: readonly string[] = []): FormLabel[] {
  const cleaned = typed
    .split(/[\n;]|,(?=\s*\p{Lu})/u)
    .map((label) =>
      label
        .replace(/[:_.…\s]+$/, '')
        .replace(/^\s*(?:[-•*]\s*|\d+[.)]\s*)+/, '')
        .replace(/\s+/g, ' ')
        .trim()
        .slice(0, limits.nameLength),
    )
    .filter((label) => /[\p{L}\p{N}]/u.test(label))
  // The same label twice is one fact.
  const labels = [...new Map(cleaned.map((label) => [label.toLowerCase(), label])).values()]
  const lines = labels.filter((label) => lineWords.test(label)).length
  return labels.slice(0, 100).map((label): FormLabel => {
    const first = label
      .split(' ')[0]!
      .toLowerCase()
      .replace(/['’]s$/, '')
    if (totals.test(label)) return { label, of: 'total', name: label }
    if (lines > 1 && lineWords.test(label)) return { label, of: 'lines', name: label }
    const rest = label.split(' ').slice(1).join(' ')
    const table = known.find((name) => label.toLowerCase().startsWith(`${name.toLowerCase()} `))
    if (table) return { label, of: 'party', party: table, name: capital(label.slice(table.length + 1)) }
    if (parties.includes(first)) return { label, of: 'party', party: capital(first), name: capital(rest || 'name') }
    return { label, of: 'form', name: label }
  })
}

/**
 * What a form in use amounts to: the form itself, those it names, its lines. Totals that can be calculated
 * (`formTotals`) are not typed.
 */
export function readForm(form: string, labels: readonly FormLabel[]): Reading {
  const { name, lines: lineName } = formNames(form)
  const calculated = formTotals(form, labels)
  const isTyped = (table: string) => (label: FormLabel) =>
    !calculated.some((one) => one.table === table && one.name === capital(label.name))
  const fieldsOf = (some: readonly FormLabel[]): ReadField[] =>
    some.map(({ name: own, of }) => ({
      name: capital(own),
      kind: of === 'total' || paidWords.test(own) ? 'money' : (hintedKind(own) ?? 'line'),
      evidence: [],
    }))
  const own = labels.filter(({ of }) => of === 'form' || of === 'total').filter(isTyped(name))
  const lines = labels.filter((label) => label.of === 'lines').filter(isTyped(lineName))
  const named = [...new Set(labels.flatMap((label) => (label.of === 'party' && label.party ? [label.party] : [])))]
  const table = (called: string, fields: readonly ReadField[], rowsOf?: string): ReadTable => ({
    name: called,
    fields,
    evidence: [],
    ...(rowsOf && { rowsOf }),
  })
  const tables: ReadTable[] = [
    ...named.map((party) =>
      table(party, fieldsOf(labels.filter((label) => label.of === 'party' && label.party === party))),
    ),
    table(name, fieldsOf(own)),
    ...(lines.length > 0 ? [table(lineName, fieldsOf(lines), name)] : []),
  ]
  const tie = (from: string, to: string): ReadTie => ({
    from,
    to,
    kind: '1-n',
    must: true,
    least: false,
    fields: [],
    verb: 'have',
    evidence: [],
  })
  return {
    tables,
    ties: [...named.map((party) => tie(party, name)), ...(lines.length > 0 ? [tie(name, lineName)] : [])],
    questions: [],
    open: [],
    phrases: [],
  }
}
