import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { benchAdvice } from '@/bench/advice'
import { benchExpressions } from '@/bench/expressions'
import { benchBook } from '@/bench/book'
import { benchLists } from '@/bench/lists'
import { benchMap } from '@/bench/map'
import { benchFrames } from '@/bench/map-frames'
import { tell } from '@/bench/measure'
import { benchNeeds } from '@/bench/needs'
import { benchSaves } from '@/bench/saves'
import { emberlyDesign } from '@/demo/emberly/design'
import { ensureBuilt } from '../setup/application'
import { startPrivateDatabase } from '../setup/private-database'
import { runScript } from '../setup/run-script'
import { say } from '../setup/say.mjs'

/** How needs are read, then our own functions against plain SQL in the same run; prints scores and ratios. */
await runScript(async (later) => {
  benchNeeds()
  benchAdvice()
  benchExpressions()
  benchMap(emberlyDesign().book)
  const folder = mkdtempSync(join(tmpdir(), 'hearth-bench-'))
  later(() => rmSync(folder, { recursive: true, force: true }))
  const server = await startPrivateDatabase(folder)
  later(() => server.stop())
  await ensureBuilt()
  await benchFrames(server.url)
  const book = await benchBook(server.url, 'bench')
  later(async () => {
    await book.plain.end()
    await book.db.sequelize.close()
  })
  tell(await benchSaves(book))
  say('Making a list of 1 000 000 visits …')
  tell(await benchLists(book))
})
