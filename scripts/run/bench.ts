import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import * as mariadb from 'mariadb'
import { benchAdvice } from '@/bench/advice'
import { benchAsked } from '@/bench/asked-lists'
import { benchExpressions } from '@/bench/expressions'
import { benchBook } from '@/bench/book'
import { benchClerks } from '@/bench/clerks'
import { crowd } from '@/bench/crowd'
import { benchLetters } from '@/bench/letters'
import { benchLists } from '@/bench/lists'
import { benchMap } from '@/bench/map'
import { benchFrames } from '@/bench/map-frames'
import { tell } from '@/bench/measure'
import { benchNeeds } from '@/bench/needs'
import { benchReports } from '@/bench/reports'
import { benchRows } from '@/bench/rows'
import { benchSaves } from '@/bench/saves'
import { emberlyDesign } from '@/demo/emberly/design'
import { catalogueOn } from '@/server/catalogue'
import { connect } from '@/server/database'
import { ensureBuilt, startApplication } from '../../setup/application'
import { freePort } from '../../setup/free-port'
import { startPrivateDatabase } from '../../setup/private-database'
import { runScript } from '../../setup/run-script'
import { say, Stop } from '../../setup/say.mjs'

type Later = Parameters<Parameters<typeof runScript>[0]>[0]

/** Without names all but the last two are run; they measure crowds and take the whole machine for some minutes. */
const parts: Readonly<Record<string, (url: string, later: Later) => Promise<void> | void>> = {
  needs: benchNeeds,
  advice: benchAdvice,
  expressions: benchExpressions,
  map: () => benchMap(emberlyDesign().book),
  frames: async (url) => {
    await ensureBuilt()
    await benchFrames(url)
  },
  saves: async (url, later) => tell(await benchSaves(await bookFor(url, later, 'saves'))),
  rows: async (url, later) => tell(await benchRows(await bookFor(url, later, 'rows'))),
  lists: async (url, later) => {
    const book = await bookFor(url, later, 'lists')
    say('Making a list of 1 000 000 visits …')
    tell(await benchLists(book))
  },
  asked: async (url, later) => {
    const book = await bookFor(url, later, 'asked')
    say('Making a list of 1 000 000 visits …')
    tell(await benchAsked(book))
  },
  ready: async (url, later) => {
    const book = await bookFor(url, later, 'ready')
    say('Making a list of 1 000 000 visits …')
    tell(await benchAsked(book, 'ready'))
  },
  letters: async (url, later) => benchLetters(await bookFor(url, later, 'letters')),
  reports: async (url, later) => benchReports(await bookFor(url, later, 'reports')),
  clerks: async (url, later) => {
    const databaseUrl = `${url}/clerks`
    process.env.HEARTH_DATABASE_URL = databaseUrl
    const { demoPeople, loadDemo } = await import('@/demo/load')
    const { closeCatalogue } = await import('@/server/catalogue')
    await loadDemo({ say })
    await closeCatalogue()
    await ensureBuilt()
    const secret = 'clerks only, long enough to seal'
    const application = await startApplication({ port: await freePort(), databaseUrl, secret, quiet: true })
    later(() => application.stop())
    const db = await catalogueOn(await connect(databaseUrl))
    later(() => db.sequelize.close())
    const book = (await db.books.findOne({ where: { name: 'Emberly Flue Care' } }))!.get('id') as string
    await benchClerks(application.url, book, demoPeople[0]!.name, demoPeople[0]!.password)
  },
  crowd: async (url, later) => {
    const db = await catalogueOn(await connect(`${url}/crowd`))
    later(() => db.sequelize.close())
    const { hostname, port, username, password } = new URL(url)
    await crowd(db, async (database) => {
      const tool = await mariadb.createConnection({
        host: hostname,
        port: Number(port),
        user: username,
        password,
        database,
      })
      later(() => tool.end())
      return (statement) => tool.query(statement)
    })
  },
}

async function bookFor(url: string, later: Later, catalogue: string) {
  const book = await benchBook(url, catalogue)
  later(async () => {
    await book.plain.end()
    await book.db.sequelize.close()
  })
  return book
}

/** How needs are read, our own functions against plain SQL in the same run, and crowds; prints scores, ratios, figures. */
await runScript(async (later) => {
  const asked = process.argv.slice(2)
  const unknown = asked.find((name) => !Object.hasOwn(parts, name))
  if (unknown) throw new Stop(`There is no “${unknown}”. Try some of: ${Object.keys(parts).join(', ')}.`)
  const folder = mkdtempSync(join(tmpdir(), 'hearth-bench-'))
  later(() => rmSync(folder, { recursive: true, force: true }))
  const server = await startPrivateDatabase(folder)
  later(() => server.stop())
  const wanted =
    asked.length > 0 ? asked : Object.keys(parts).filter((name) => !['clerks', 'crowd', 'ready'].includes(name))
  for (const name of wanted) await parts[name]!(server.url, later)
})
