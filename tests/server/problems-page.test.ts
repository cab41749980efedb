import { readFileSync } from 'node:fs'
import { format, resolveConfig } from 'prettier'
import { expect, test } from 'vitest'
import { problemsPage } from '@/tests/support/problems-page'

test('docs/problems.md has every problem with the sentence that is read', async () => {
  const path = 'docs/problems.md'
  const page = await format(problemsPage(), { ...(await resolveConfig(path)), parser: 'markdown' })
  expect(readFileSync(path, 'utf8')).toBe(page)
})
