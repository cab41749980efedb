import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** The tests that faults are put in front of by `npm run mutation`: those of the rooms it changes, without a database. */
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('.', import.meta.url)) } },
  test: {
    include: ['core/{lists,rules,expressions,opening,records}/**/*.test.ts'],
    setupFiles: 'tests/support/seed.ts',
    testTimeout: 60_000,
    // A law's thousands of cases for each fault would take days.
    env: { TZ: 'UTC', HEARTH_LAWS: 'short' },
  },
})
