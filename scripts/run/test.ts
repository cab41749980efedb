import { spawn } from 'node:child_process'
import { ensureBuilt, root } from '../../setup/application'
import { runScript } from '../../setup/run-script'
import { say } from '../../setup/say.mjs'

/** Everything that CI runs, in the order in which it fails soonest. `-- core` runs one part. */
await runScript(async () => {
  const asked = process.argv.slice(2).filter((word) => !word.startsWith('--'))
  // What stands together runs at the same time.
  const parts: readonly Readonly<Record<string, () => Promise<number>>>[] = [
    {
      types: () => run('npx', 'tsc', '--noEmit'),
      code: () => run('npm', 'run', '-s', 'lint:code'),
      tree: () => run('npm', 'run', '-s', 'lint:tree'),
    },
    { core: () => run('npx', 'vitest', 'run', '--project', 'core') },
    { server: () => run('npx', 'vitest', 'run', '--project', 'server') },
    { journeys: async () => (await ensureBuilt(), run('npx', 'vitest', 'run', '--project', 'journeys')) },
  ]
  for (const together of parts) {
    const wanted = Object.entries(together).filter(([name]) => asked.length === 0 || asked.includes(name))
    const codes = await Promise.all(wanted.map(([name, part]) => told(name, part)))
    const failed = codes.find((code) => code !== 0)
    if (failed !== undefined) return failed
  }
  return 0
})

async function told(name: string, part: () => Promise<number>): Promise<number> {
  const started = Date.now()
  say(`── ${name}`)
  const code = await part()
  say(`── ${name}: ${code === 0 ? 'passed' : 'failed'} in ${Math.round((Date.now() - started) / 1000)} s`)
  return code
}

function run(command: string, ...words: string[]): Promise<number> {
  return new Promise((done) => {
    // Its own database is started by the tests that need one, whatever the surroundings say.
    const { HEARTH_DATABASE_URL: _theirs, ...env } = process.env
    spawn(command, words, { cwd: root, stdio: 'inherit', env }).on('exit', (code) => done(code ?? 1))
  })
}
