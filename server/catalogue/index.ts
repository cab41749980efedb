import { closeDatabase, type Database, database } from '../database'
import { migrate } from './migrate'
import { modelsOn } from './models'

export type Catalogue = Database & ReturnType<typeof modelsOn>

const held = globalThis as { hearthCatalogue?: Promise<Catalogue> }

/** The database with its catalogue, brought up to date once in the life of the process. */
export function catalogue(): Promise<Catalogue> {
  held.hearthCatalogue ??= database()
    .then(catalogueOn)
    .catch((cause: unknown) => {
      delete held.hearthCatalogue
      throw cause
    })
  return held.hearthCatalogue
}

export async function catalogueOn(db: Database): Promise<Catalogue> {
  await migrate(db)
  return { ...db, ...modelsOn(db) }
}

export async function closeCatalogue(): Promise<void> {
  delete held.hearthCatalogue
  await closeDatabase()
}

export type { AccountRow, BookRow, EditRow, GateRow, OpeningRow, Role } from './models'
