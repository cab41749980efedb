import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

/** `HEARTH_ROOM=rules` looks at one room of core by its own tests alone, which takes minutes rather than hours. */
const room = process.env.HEARTH_ROOM ?? '{lists,rules,expressions,opening,records}'

/** The tests that faults are put in front of by `npm run mutation`: those of the rooms it changes, without a database. */
export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('.', import.meta.url)) } },
  test: {
    include: [`core/${room}/**/*.test.ts`],
    setupFiles: 'tests/support/seed.ts',
    testTimeout: 60_000,
    // Each fault runs them again: what they import is loaded once for them all.
    isolate: false,
    // A law's thousands of cases for each fault would take days.
    env: { TZ: 'UTC', HEARTH_LAWS: 'short' },
  },
})
