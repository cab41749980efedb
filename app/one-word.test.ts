import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import ts from 'typescript'
import { expect, test } from 'vitest'

const root = join(import.meta.dirname, '..')
const rooms = ['app', 'ui', 'core', 'server'].map((room) => join(root, room))

/** Words that the screens no longer use; each has one that is used for it everywhere. */
const gone =
  /\b(desk|pick lists?|leave it|do (it )?again|wave[ds]? (off|it|this)|it is let be|no two alike|told apart|reckon\w*|untie[ds]?|tied to|hangs? on|leads? nowhere|belongs? together|right as it is|whose words|things alone)\b/i

function* sources(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name)
    // What the reader knows is how offices write, in any words.
    if (entry.isDirectory() && path !== join(root, 'core/reading')) yield* sources(path)
    else if (/\.tsx?$/.test(path) && !path.includes('.test.')) yield path
  }
}

/** What is written in a file, between tags or in texts; those with a blank or a capital are for people to read. */
function* texts(path: string): Generator<string> {
  const file = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true)
  const waiting: ts.Node[] = [file]
  for (let node = waiting.pop(); node; node = waiting.pop()) {
    if (ts.isJsxText(node)) yield node.text.replace(/\s+/g, ' ')
    else if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node) || ts.isTemplateHead(node))
      yield node.text
    else if (ts.isTemplateMiddle(node) || ts.isTemplateTail(node)) yield node.text
    node.forEachChild((child) => void waiting.push(child))
  }
}

test('no screen and no message says in another word what has one', () => {
  const found = rooms
    .flatMap((room) => [...sources(room)])
    // What was stored in former words is told there to be brought along.
    .filter((path) => !path.includes('migrations'))
    .flatMap((path) =>
      [...texts(path)]
        .filter((text) => / |^\p{Lu}/u.test(text.trim()) && gone.test(text))
        .map((text) => [relative(root, path), text]),
    )
  expect(found).toEqual([])
})
