import { join } from 'node:path'
import { claim } from '../../setup/one-at-a-time'
import { ensureBuilt, home, secretIn, startApplication } from '../../setup/application'
import { freePort } from '../../setup/free-port'
import { startPrivateDatabase } from '../../setup/private-database'
import { runScript } from '../../setup/run-script'
import { say } from '../../setup/say.mjs'

/** The ready demo: database, books, server, address. Kept between runs; `--fresh` starts over. */
await runScript(async (later) => {
  const fresh = process.argv.includes('--fresh')
  const folder = join(home, 'demo')
  let url = ''
  later(claim(folder, () => url))
  const own = process.env.HEARTH_DATABASE_URL
  const database = own
    ? { url: own, stop: async () => undefined }
    : await startPrivateDatabase(folder, { fresh, keepUp: true })
  later(() => database.stop())
  const databaseUrl = own ?? `${database.url}/hearth`
  // Loaded only now: what is imported reads the address of the database when it first connects.
  process.env.HEARTH_DATABASE_URL = databaseUrl
  const { loadDemo, demoPeople } = await import('@/demo/load')
  const { closeCatalogue } = await import('@/server/catalogue')
  await loadDemo({ fresh: fresh && own !== undefined, say })
  await closeCatalogue()
  await ensureBuilt()
  const wished = Number(process.env.HEARTH_PORT ?? 4310)
  const port = await freePort(wished)
  if (port !== wished) say(`Port ${wished} is in use by something else, so this is at ${port}.`)
  const application = await startApplication({ port, databaseUrl, secret: secretIn(folder) })
  later(() => application.stop())
  url = application.url
  say(`\nHearth Table is ready at ${url}\n`)
  say('Sign in as one of these:')
  for (const person of demoPeople) say(`  ${person.name.padEnd(14)} ${person.password.padEnd(22)} ${person.says}`)
  say('\nCtrl-C stops everything.')
  await new Promise((done) => application.process.once('exit', done))
  say('The server has stopped.')
})
