import { type QueryInterface, QueryTypes } from 'sequelize'

type Json = null | boolean | number | string | Json[] | { [key: string]: Json }

const kinds: Readonly<Record<string, string>> = { pick: 'choice' }
const roles: Readonly<Record<string, string>> = { 'pick-list': 'word-list' }
const pieces: Readonly<Record<string, string>> = {
  pickOfOne: 'choiceOfOne',
  pickOfYesAndNo: 'choiceOfYesAndNo',
  pickWithoutChoices: 'choiceWithoutWords',
  listNobodyPicksFrom: 'listNobodyUses',
}

const renamed = (names: Readonly<Record<string, string>>, value: Json): Json =>
  typeof value === 'string' ? (names[value] ?? value) : value

/** A stored design, or the steps of an edit, with kinds, roles and pieces of advice as they are called now. */
function withNewWords(stored: Json): Json {
  if (Array.isArray(stored)) return stored.map(withNewWords)
  if (stored === null || typeof stored !== 'object') return stored
  const all = Object.fromEntries(Object.entries(stored).map(([key, value]) => [key, withNewWords(value)]))
  // What a step sets: the name of the setting, and what it was and is.
  const names = all.key === 'kind' ? kinds : all.key === 'role' ? roles : undefined
  if (names) return { ...all, from: renamed(names, all.from ?? null), to: renamed(names, all.to ?? null) }
  if ('kind' in all) all.kind = renamed(kinds, all.kind)
  if ('role' in all) all.role = renamed(roles, all.role)
  if (typeof all.what === 'string')
    all.what = all.what.replace(/^advice\/(\w+)\//, (whole, piece: string) =>
      pieces[piece] ? `advice/${pieces[piece]}/` : whole,
    )
  return all
}

const sentences: readonly (readonly [RegExp, string])[] = [
  [/^Tie (.+), each with many$/, 'Link $1, many to many'],
  [/^Tie /, 'Link '],
  [/^Untie /, 'Unlink '],
  [/^No direct tie between /, 'No direct link between '],
  [/^Wave off /, 'Ignore '],
  [/^Consider (.+) again$/, 'Restore $1'],
  [/^Bring (.+ into )/, 'Merge $1'],
  [/^Add the pick list /, 'Add the word list '],
  [/^Make a pick list of /, 'Make a word list of '],
  [/^Let the map lay itself out$/, 'Arrange the whole map again'],
  [/^Choose what staff know (.+) by$/, 'Choose what $1 is shown as'],
  [/^Add (.+) \(pick\) to /, 'Add $1 (choice) to '],
]

/** A line of the history in the words that the screens use now. */
export const newlySaid = (say: string): string => {
  const [, undo = '', line = say] = /^(Undo: )?(.*)$/s.exec(say) ?? []
  return undo + sentences.reduce((words, [was, is]) => words.replace(was, is), line)
}

/** One word for one thing: books, the designs they were opened with, and their history say it as the screens do. */
export async function up(tables: QueryInterface, schema: string): Promise<void> {
  const { sequelize } = tables
  const table = (name: string) => `\`${schema}\`.\`${name}\``
  const rows = <Row extends object>(sql: string, replacements: unknown[] = []) =>
    sequelize.query<Row>(sql, { type: QueryTypes.SELECT, replacements })
  const put = (sql: string, replacements: unknown[]) => sequelize.query(sql, { replacements })
  const inNewWords = (json: string | null) => json && JSON.stringify(withNewWords(JSON.parse(json) as Json))

  for (const { id } of await rows<{ id: string }>(`SELECT id FROM ${table('books')}`)) {
    const [book] = await rows<{ design: string; opened: string | null }>(
      `SELECT design, opened FROM ${table('books')} WHERE id = ?`,
      [id],
    )
    await put(`UPDATE ${table('books')} SET design = ?, opened = ? WHERE id = ?`, [
      inNewWords(book!.design),
      inNewWords(book!.opened),
      id,
    ])
    // A long history comes in parts, so that it needn't be held as one.
    for (let after = -1; ;) {
      const edits = await rows<{ revision: number; say: string; steps: string }>(
        `SELECT revision, say, steps FROM ${table('edits')} WHERE book_id = ? AND revision > ? ORDER BY revision LIMIT 200`,
        [id, after],
      )
      for (const { revision, say, steps } of edits)
        await put(`UPDATE ${table('edits')} SET say = ?, steps = ? WHERE book_id = ? AND revision = ?`, [
          newlySaid(say),
          inNewWords(steps),
          id,
          revision,
        ])
      if (edits.length === 0) break
      after = edits.at(-1)!.revision
    }
  }
  for (const { id, design } of await rows<{ id: number; design: string }>(
    `SELECT id, design FROM ${table('openings')} WHERE state = 'running'`,
  ))
    await put(`UPDATE ${table('openings')} SET design = ? WHERE id = ?`, [inNewWords(design), id])
}
