import type { TestProject } from 'vitest/node'
import { passingFolder } from '@/setup/passing-folder'
import { startPrivateDatabase } from '@/setup/private-database'

declare module 'vitest' {
  interface ProvidedContext {
    databaseUrl: string
  }
}

/** One private MariaDB for all server tests; each test file takes a catalogue of its own in it. */
export default async function setup(project: TestProject) {
  const folder = passingFolder('test')
  const server = await startPrivateDatabase(folder.path, { relaxed: true })
  project.provide('databaseUrl', server.url)
  return async () => {
    await server.stop()
    folder.remove()
  }
}
