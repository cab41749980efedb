import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  resolve: { alias: { '@': at('.') } },
  test: {
    env: { HEARTH_LOG: 'silent', TZ: 'UTC' },
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          testTimeout: 60_000,
          include: ['{core,app,ui,demo}/**/*.test.ts'],
        },
      },
      {
        extends: true,
        test: {
          name: 'server',
          include: ['server/**/*.test.ts', 'tests/server/**/*.test.ts', 'scripts/**/*.test.ts'],
          globalSetup: 'tests/support/private-database.ts',
          testTimeout: 60_000,
          hookTimeout: 60_000,
        },
      },
      {
        extends: true,
        test: {
          name: 'journeys',
          include: ['tests/journeys/**/*.test.ts'],
          globalSetup: 'tests/support/running-application.ts',
          testTimeout: 180_000,
          hookTimeout: 120_000,
          fileParallelism: false,
        },
      },
    ],
  },
})
