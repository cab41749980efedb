import { existsSync, readdirSync } from 'node:fs'
import { createRequire } from 'node:module'
import { cruise, type ICruiseResult } from 'dependency-cruiser'
import extractTSConfig from 'dependency-cruiser/config-utl/extract-ts-config'

const config = createRequire(import.meta.url)('../.dependency-cruiser.cjs')

/** Fails on an import against the arrows, on a room without its README; and when it read nothing, for then it would pass whatever is there. */
const { output } = await cruise(
  ['app', 'core', 'server', 'ui', 'workers', 'demo', 'setup', 'scripts', 'tests', 'bench'],
  { ...config.options, ruleSet: { forbidden: config.forbidden }, validate: true },
  undefined,
  { tsConfig: extractTSConfig('tsconfig.json') },
)
const { summary, modules } = output as ICruiseResult
const own = modules.filter((module) => !module.source.includes('node_modules')).length
for (const { rule, from, to } of summary.violations) process.stderr.write(`${rule.name}: ${from} → ${to}\n`)
const rooms = ['core', 'server'].flatMap((storey) =>
  readdirSync(storey, { withFileTypes: true })
    .filter((entry) => entry.isDirectory())
    .map((entry) => `${storey}/${entry.name}`),
)
const silent = rooms.filter((room) => !existsSync(`${room}/README.md`))
for (const room of silent) process.stderr.write(`${room} has no README.md that says what it takes and gives.\n`)
if (own < 150) process.stderr.write(`Only ${own} modules were read; the check itself is broken.\n`)
process.stdout.write(
  `${own} modules, ${summary.totalDependenciesCruised} imports, ${summary.violations.length} against the arrows\n`,
)
process.exit(summary.violations.length > 0 || silent.length > 0 || own < 150 ? 1 : 0)
