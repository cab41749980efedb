import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))

export default defineConfig({
  resolve: { alias: { '@': at('.') } },
  test: {
    // One worker less than there are cores is what is usual; on a small machine that is one.
    maxWorkers: 2,
    env: { HEARTH_LOG: 'silent', TZ: 'UTC', HEARTH_KIT: '1' },
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          setupFiles: 'tests/support/seed.ts',
          // Files share the modules they import: loading them anew for each takes longer than the tests.
          isolate: false,
          testTimeout: 60_000,
          include: ['{core,app,ui,demo}/**/*.test.ts'],
        },
      },
      {
        extends: true,
        test: {
          name: 'server',
          setupFiles: 'tests/support/seed.ts',
          isolate: false,
          include: ['server/**/*.test.ts', 'tests/server/**/*.test.ts', 'scripts/**/*.test.ts', 'setup/**/*.test.ts'],
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
          testTimeout: 300_000,
          hookTimeout: 120_000,
        },
      },
    ],
  },
})
