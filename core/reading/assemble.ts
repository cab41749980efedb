import { happenings } from './knowledge/frames'
import type { KindName } from '../kinds'
import { capital } from '../words'
import { Context } from './context'
import type { Fact, Named } from './facts'
import type { Evidence } from '../needs'
import { infinitive } from './lemma'
import { singular } from '../words'
import { openQuestions } from './open-questions'
import type { ReadField, Reading, ReadQuestion, ReadTable, ReadTie } from '../needs'
import { type Pair, pairsIn } from './ties'

/** Puts what the sentences say together: one table for each thing, its facts, and the ties resolved from both sides. */
export function assemble(
  facts: readonly Fact[],
  things: ReadonlySet<string>,
  names: ReadonlyMap<string, string>,
): Reading {
  const context = new Context(0, things, names)
  const fields = new Map<string, ReadField[]>()
  const rows: { owner: string; named: Named; at: Evidence }[] = []
  const add = (owner: string, named: Named, at: Evidence) => {
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
  const told = throughHappenings(pairsIn(placed(facts)), things)
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
  const tables: ReadTable[] = []
  for (const name of things) {
    const evidence = facts.flatMap((fact) =>
      fact.kind === 'thing' && fact.name === name && fact.weight > 0.5 ? [fact.at] : [],
    )
    const own = (fields.get(name) ?? []).filter((field) => field.name.toLowerCase() !== name || field.kind !== 'line')
    if (own.length === 0 && !ties.some((tie) => tie.from === name || tie.to === name) && evidence.length < 2) continue
    tables.push({ name, fields: own, evidence })
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
  const questions = facts.flatMap((fact): ReadQuestion[] =>
    fact.kind === 'question'
      ? [
          {
            text: fact.text,
            tables: mentioned(fact.text, context)
              .filter((name) => kept.has(name))
              .map(capital),
            evidence: [fact.at],
          },
        ]
      : [],
  )
  const shown = ties.filter((tie) => kept.has(tie.from) && kept.has(tie.to))
  return {
    tables: tables.map((table) => ({
      ...table,
      name: capital(table.name),
      ...(table.rowsOf && { rowsOf: capital(table.rowsOf) }),
      fields: table.fields.map(shownField),
    })),
    ties: shown.map((tie) => ({
      ...tie,
      from: capital(tie.from),
      to: capital(tie.to),
      fields: tie.fields.map(shownField),
      ...(tie.limit && { limit: { ...tie.limit, per: capital(tie.limit.per), of: capital(tie.limit.of) } }),
    })),
    questions,
    open: openQuestions(tables, shown, told),
  }
}

/** "the quantity of each treatment" belongs to the one tie that treatments share with others. */
function placed(facts: readonly Fact[]): Fact[] {
  const pairs = pairsIn(facts)
  return facts.flatMap((fact): Fact[] => {
    if (fact.kind !== 'pairFact' || fact.b !== '*') return [fact]
    const shared = pairs.filter((pair) => (pair.a === fact.a || pair.b === fact.a) && tieOf(pair).kind === 'n-n')
    if (shared.length !== 1) return []
    return [{ ...fact, a: shared[0]!.a, b: shared[0]!.b }]
  })
}

const shownField = (field: ReadField): ReadField => ({ ...field, name: capital(field.name) })

function withField(fields: readonly ReadField[], named: Named, at: Evidence, limit?: ReadField['limit']): ReadField[] {
  const same = fields.findIndex((field) => field.name === named.name)
  const known = fields[same]
  const made: ReadField = {
    name: named.name,
    kind: named.kind ?? known?.kind ?? kindByDefault(named),
    ...((named.choices ?? known?.choices) && { choices: (named.choices ?? known?.choices)! }),
    ...((named.unit ?? known?.unit) && { unit: (named.unit ?? known?.unit)! }),
    ...((named.must || known?.must) && { must: true }),
    ...(limit && { limit: { ...limit, per: capital(limit.per) } }),
    evidence: [...(known?.evidence ?? []), at],
  }
  return known ? fields.map((field, i) => (i === same ? made : field)) : [...fields, made]
}

const kindByDefault = ({ several }: Named): KindName => (several ? 'passage' : 'line')

/**
 * A tie told by a verb ("members borrow tools") goes through the table of what happened ("for each loan …")
 * where there is one: each of the two then has several of it.
 */
function throughHappenings(pairs: readonly Pair[], things: ReadonlySet<string>): Pair[] {
  const out: Pair[] = []
  const has = (a: string, b: string) =>
    pairs.some((pair) => (pair.a === a && pair.b === b) || (pair.a === b && pair.b === a))
  for (const pair of pairs) {
    const happened = pair.verbs
      .flatMap((verb) => (Object.hasOwn(happenings, verb) ? happenings[verb]! : []))
      .find((noun) => things.has(noun) && noun !== pair.a && noun !== pair.b)
    if (!happened) {
      out.push(pair)
      continue
    }
    for (const [one, side] of [
      [pair.a, pair.perA],
      [pair.b, pair.perB],
    ] as const) {
      if (has(one, happened)) continue
      out.push({
        a: one,
        b: happened,
        perA: { several: true, loose: false, least: 0, limit: side.limit },
        perB: { several: false, loose: false, least: 1, limit: undefined },
        verbs: pair.verbs,
        facts: one === pair.a ? pair.facts : [],
        evidence: pair.evidence,
      })
    }
  }
  return out
}

function tieOf(pair: Pair): ReadTie {
  const { a, b, perA, perB, evidence } = pair
  const base = { fields: [], verb: pair.verbs[0] ?? 'have', evidence }
  const limit = perA.limit
    ? { most: perA.limit, per: a, of: b }
    : perB.limit
      ? { most: perB.limit, per: b, of: a }
      : undefined
  const limited = limit && { limit }
  const onlyLoose = (perA.loose || perA.several === undefined) && (perB.loose || perB.several === undefined)
  if (perA.several && (perB.several || (onlyLoose && perB.several === undefined && perA.loose)))
    return { from: a, to: b, kind: 'n-n', must: perA.least === 1, least: perA.least === 1, ...limited, ...base }
  // One side was told alone: what only gathers or uses others shares them, what owns or makes them doesn't.
  if (perA.several && perB.several === undefined && sharing(pair))
    return { from: a, to: b, kind: 'n-n', must: perA.least === 1, least: perA.least === 1, ...limited, ...base }
  if (perB.several && perA.several === undefined && sharing(pair))
    return { from: b, to: a, kind: 'n-n', must: perB.least === 1, least: perB.least === 1, ...limited, ...base }
  if (perA.several)
    return { from: a, to: b, kind: '1-n', must: perB.least !== 0, least: perA.least === 1, ...limited, ...base }
  if (perB.several)
    return { from: b, to: a, kind: '1-n', must: perA.least !== 0, least: perB.least === 1, ...limited, ...base }
  if (perA.several === undefined && perB.several === undefined && sharing(pair))
    return { from: a, to: b, kind: 'n-n', must: false, least: false, ...base }
  if (perA.several === false && perB.several === false)
    return { from: a, to: b, kind: '1-1', must: perB.least !== 0, least: perA.least === 1, ...base }
  // Only one side was told: one a has one b, so one b may have several a.
  if (perA.several === false) return { from: b, to: a, kind: '1-n', must: perA.least === 1, least: false, ...base }
  return { from: a, to: b, kind: '1-n', must: perB.least === 1, least: false, ...base }
}

const sharing = ({ facts, verbs }: Pair) =>
  facts.length > 0 ||
  verbs.some((verb) =>
    /^(share|carry|use|contain|include|involve|cover|show|be|sign|attend|sing|play|give|list|need|require|speak|know|perform|feature|serve|rate|review|score|vote)$/.test(
      verb,
    ),
  )

/** The things a question speaks of, by their names or by what happens to them. */
function mentioned(text: string, context: Context): string[] {
  const words = text
    .toLowerCase()
    .split(/[^\p{L}\p{N}'’-]+/u)
    .filter(Boolean)
  const found: string[] = []
  for (let at = 0; at < words.length; at++) {
    for (let length = Math.min(3, words.length - at); length > 0; length--) {
      const name = [...words.slice(at, at + length - 1), singular(words[at + length - 1]!)].join(' ')
      const thing = context.thing(name) ?? (length === 1 ? context.happening(infinitive(words[at]!)) : undefined)
      if (!thing || (length > 1 && thing !== name)) continue
      found.push(thing)
      at += length - 1
      break
    }
  }
  return [...new Set(found)]
}
