import { catalogue } from '@/server/catalogue'
import { sendWaiting } from '@/server/post'
import { select } from '@/server/database'

// Sends what waits, and says of each e-mail that it was sent, until nothing waits or it is killed.
const db = await catalogue()
const said = new Set<string>()
const tell = async () => {
  const rows = await select<{ id: string }>(db, `SELECT id FROM \`${db.catalogue}\`.mails WHERE state = 'sent'`)
  for (const { id } of rows)
    if (!said.has(id)) {
      said.add(id)
      process.stdout.write(`${id}\n`)
    }
}
const telling = setInterval(() => void tell(), 5)
await sendWaiting(db)
clearInterval(telling)
await tell()
process.exit(0)
