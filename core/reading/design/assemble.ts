import type { KindName } from '../../kinds'
import type { Evidence, ReadField, Reading, ReadQuestion, ReadTable, ReadTie } from '../../needs'
import { singular } from '../../words'
import { Context } from '../facts/context'
import type { Fact, Named } from '../facts/facts'
import { mentioned } from '../facts/mentioned'
import { openQuestions } from './open-questions'
import { shownFields, shownNames } from './shown-names'
import { placed, throughHappenings, tieOf } from './resolve-ties'
import { pairsIn } from './ties'

/** Puts what the sentences say together: one table for each thing, its facts, and the ties resolved from both sides. */
export function assemble(
  facts: readonly Fact[],
  things: ReadonlySet<string>,
  names: ReadonlyMap<string, string>,
): Omit<Reading, 'phrases'> {
  const context = new Context(0, things, names)
  const fields = new Map<string, ReadField[]>()
  const rows: { owner: string; named: Named; at: Evidence }[] = []
  const add = (owner: string, told: Named, at: Evidence) => {
    // An invoice's invoice number is the book's to give; a payment's invoice number is somebody else's.
    const others = told.kind === 'running' && !owner.includes(told.name.split(' ')[0]!)
    const named = others ? { ...told, kind: 'code' as const } : told
    if (named.several && named.kind !== 'passage' && !named.choices) rows.push({ owner, named, at })
    else fields.set(owner, withField(fields.get(owner) ?? [], named, at))
  }
  for (const fact of facts) {
    if (fact.kind !== 'fact') continue
    const owner = names.get(fact.owner) ?? fact.owner
    if (
      things.has(owner) &&
      !(context.thing(fact.named.name) && !fact.named.kind && fact.named.name === context.thing(fact.named.name))
    )
      add(owner, fact.named, fact.at)
  }
  const through = throughHappenings(pairsIn(placed(facts)), things)
  for (const { owner, named, at } of through.facts) add(owner, named, at)
  const told = through.pairs
  const ties: ReadTie[] = []
  for (const whole of told) {
    // What the two things are called is no fact about them.
    const pair = {
      ...whole,
      facts: whole.facts.filter(({ named }) => ![whole.a, whole.b].includes(context.thing(named.name) ?? '')),
    }
    const tie = tieOf(pair)
    if (tie.kind !== 'n-n') for (const { named, at } of pair.facts) add(tie.to, named, at)
    ties.push(
      tie.kind === 'n-n'
        ? {
            ...tie,
            fields: pair.facts.reduce<ReadField[]>((sum, { named, at, limit }) => withField(sum, named, at, limit), []),
          }
        : tie,
    )
  }
  const rowsOf = new Map(
    facts.flatMap((fact) => (fact.kind === 'thing' && fact.rowsOf ? [[fact.name, fact.rowsOf]] : [])),
  )
  const tables: ReadTable[] = []
  for (const name of things) {
    const evidence = facts.flatMap((fact) =>
      fact.kind === 'thing' && fact.name === name && fact.weight > 0.5 ? [fact.at] : [],
    )
    const own = (fields.get(name) ?? []).filter((field) => field.name.toLowerCase() !== name || field.kind !== 'line')
    if (own.length === 0 && !ties.some((tie) => tie.from === name || tie.to === name) && evidence.length < 2) continue
    const of = rowsOf.get(name)
    tables.push({ name, fields: own, ...(of && { rowsOf: of }), evidence })
  }
  for (const { owner, named, at } of rows) {
    const plain = singular(named.name)
    const name = plain.startsWith(`${owner} `) ? plain : `${owner} ${plain}`
    if (tables.some((table) => table.name === name)) continue
    tables.push({
      name,
      fields: withField([], { ...named, name: singular(named.name), several: false }, at),
      rowsOf: owner,
      evidence: [at],
    })
    ties.push({
      from: owner,
      to: name,
      kind: '1-n',
      must: true,
      least: named.must ?? false,
      fields: [],
      verb: 'have',
      evidence: [at],
    })
  }
  const kept = new Set(tables.map((table) => table.name))
  const shownName = shownNames(kept)
  const questions = facts.flatMap((fact): ReadQuestion[] =>
    fact.kind === 'question'
      ? [
          {
            text: fact.text,
            tables: askedOf(
              fact.text,
              mentioned(fact.text, context).filter((name) => kept.has(name)),
              tables,
            ).map(shownName),
            evidence: [fact.at],
          },
        ]
      : [],
  )
  const shown = ties.filter((tie) => kept.has(tie.from) && kept.has(tie.to))
  return {
    tables: tables.map((table) => ({
      ...table,
      name: shownName(table.name),
      ...(table.rowsOf && { rowsOf: shownName(table.rowsOf) }),
      fields: shownFields(table.fields, shownName),
    })),
    ties: shown.map((tie) => ({
      ...tie,
      from: shownName(tie.from),
      to: shownName(tie.to),
      fields: shownFields(tie.fields, shownName),
      ...(tie.limit && { limit: { ...tie.limit, per: shownName(tie.limit.per), of: shownName(tie.limit.of) } }),
    })),
    questions,
    open: openQuestions(tables, shown, told),
  }
}

/** Where a question names no table, the one whose facts it names: "which licences run out". */
function askedOf(text: string, named: readonly string[], tables: readonly ReadTable[]): readonly string[] {
  if (named.length > 0) return named
  const words = new Set(
    text
      .toLowerCase()
      .split(/[^\p{L}]+/u)
      .filter((word) => word.length > 4)
      .map(singular),
  )
  const found = tables.filter((table) =>
    table.fields.some((field) =>
      field.name
        .toLowerCase()
        .split(' ')
        .some((word) => word.length > 4 && words.has(singular(word))),
    ),
  )
  return found.length === 1 ? [found[0]!.name] : []
}

function withField(fields: readonly ReadField[], named: Named, at: Evidence, limit?: ReadField['limit']): ReadField[] {
  const same = fields.findIndex((field) => field.name === named.name)
  const known = fields[same]
  const choices = distinct(named.choices ?? known?.choices)
  const made: ReadField = {
    name: named.name,
    kind: named.kind ?? known?.kind ?? kindByDefault(named),
    ...(choices && { choices }),
    ...((named.unit ?? known?.unit) && { unit: (named.unit ?? known?.unit)! }),
    ...((named.must || known?.must) && { must: true }),
    ...(limit && { limit }),
    evidence: [...(known?.evidence ?? []), at],
  }
  return known ? fields.map((field, i) => (i === same ? made : field)) : [...fields, made]
}

/** A choice takes each word once. */
function distinct(choices: readonly string[] | undefined): string[] | undefined {
  const byWord = new Map(choices?.map((word) => [word.trim().toLowerCase(), word.trim().slice(0, 100)]))
  byWord.delete('')
  return byWord.size > 0 ? [...byWord.values()].slice(0, 200) : undefined
}

const kindByDefault = ({ several }: Named): KindName => (several ? 'passage' : 'line')
