import { catalogue } from '@/server/catalogue'
import { openBook } from '@/server/live'

// Opens a book; says so first, so that whoever kills it knows when it began.
const [bookId, accountId] = process.argv.slice(2) as [string, string]
const db = await catalogue()
process.stdout.write('opening\n')
await openBook(db, bookId, accountId)
process.stdout.write('opened\n')
await db.sequelize.close()
