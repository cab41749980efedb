import { writeFileSync } from 'node:fs'
import { format, resolveConfig } from 'prettier'
import { problemsPage } from '@/tests/support/problems-page'

/** Writes docs/problems.md; to be run when a problem or its sentence changes. */
const path = 'docs/problems.md'
writeFileSync(path, await format(problemsPage(), { ...(await resolveConfig(path)), parser: 'markdown' }))
