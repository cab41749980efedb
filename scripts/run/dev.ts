import { join } from 'node:path'
import { home, secretIn, startApplication } from '../../setup/application'
import { freePort } from '../../setup/free-port'
import { claim } from '../../setup/one-at-a-time'
import { startPrivateDatabase } from '../../setup/private-database'
import { runScript } from '../../setup/run-script'
import { say } from '../../setup/say.mjs'

/** For work on the code: a database of its own, empty at first, and a server that follows every change. */
await runScript(async (later) => {
  const folder = join(home, 'dev')
  let url = ''
  later(claim(folder, () => url))
  const own = process.env.HEARTH_DATABASE_URL
  const database = own
    ? { url: own, stop: async () => undefined }
    : await startPrivateDatabase(folder, { fresh: process.argv.includes('--fresh'), keepUp: true })
  later(() => database.stop())
  const port = await freePort(Number(process.env.HEARTH_PORT ?? 4320))
  const application = await startApplication({
    port,
    databaseUrl: own ?? `${database.url}/hearth`,
    secret: secretIn(folder),
    mode: 'dev',
  })
  later(() => application.stop())
  url = application.url
  say(`\nReady at ${url}. Ctrl-C stops everything.`)
  await new Promise((done) => application.process.once('exit', done))
})
