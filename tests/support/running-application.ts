import type { TestProject } from 'vitest/node'
import { ensureBuilt } from '@/setup/application'
import { passingFolder } from '@/setup/passing-folder'
import { startPrivateDatabase } from '@/setup/private-database'

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string
  }
}

/** A private MariaDB and the production build, for the browser journeys; each file starts its own server. */
export default async function setup(project: TestProject) {
  await ensureBuilt()
  const folder = passingFolder('journeys')
  const server = await startPrivateDatabase(folder.path, { relaxed: true })
  project.provide('databaseUrl', server.url)
  return async () => {
    await server.stop()
    folder.remove()
  }
}
