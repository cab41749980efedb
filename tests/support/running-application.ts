import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { ensureBuilt } from '@/scripts/setup/application'
import { startPrivateDatabase } from '@/scripts/setup/private-database'

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string
  }
}

/** A private MariaDB and the production build, for the browser journeys; each file starts its own server. */
export default async function setup(project: TestProject) {
  await ensureBuilt()
  const folder = mkdtempSync(join(tmpdir(), 'hearth-journeys-'))
  const server = await startPrivateDatabase(folder, { relaxed: true })
  project.provide('databaseUrl', server.url)
  return async () => {
    await server.stop()
    rmSync(folder, { recursive: true, force: true })
  }
}
