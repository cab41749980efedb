import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { startPrivateDatabase } from '@/scripts/setup/private-database'

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string
  }
}

/** One private MariaDB for all server tests; each test file takes a catalogue of its own in it. */
export default async function setup(project: TestProject) {
  const folder = mkdtempSync(join(tmpdir(), 'hearth-test-'))
  const server = await startPrivateDatabase(folder, { relaxed: true })
  project.provide('databaseUrl', server.url)
  return async () => {
    await server.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
