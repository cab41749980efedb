import { createHash } from 'node:crypto'
import { fileTypeFromBuffer } from 'file-type'
import sharp from 'sharp'
import { type Field, findField } from '@/core/book'
import { kindOf } from '@/core/kinds'
import { ownTable, quoteName } from '@/core/names'
import { fail, ok, type Problem, type Result } from '@/core/words'
import { type Database, run } from '../database'
import { roomProblem } from '../disk-room'
import { type Live, namesOf } from './live'
import { type Reads, selectIn } from './unit'

export interface StoredFile {
  readonly hash: string
  readonly name: string
  readonly mediaType: string
  readonly size: number
  readonly picture: boolean
}

const pictures = new Set(['image/png', 'image/jpeg', 'image/webp', 'image/gif'])
const tableIn = (live: Live) => namesOf(live).files

/**
 * Keeps a file by the hash of its name and contents, so that it comes down under the name it was sent with. What it is
 * comes from the contents, never from its name.
 */
export async function storeFile(
  { db, live }: Reads,
  fieldId: string,
  { name, contents }: { readonly name: string; readonly contents: Buffer },
): Promise<Result<StoredFile>> {
  const field = findField(live.book, fieldId)?.field
  if (!field || field.kind !== 'file') return fail({ kind: 'gone', what: 'field' })
  const full = await roomProblem(db)
  if (full) return fail(full)
  const megabytes = field.megabytes ?? 10
  if (contents.length === 0) return fail({ kind: 'file-empty', name })
  if (contents.length > megabytes * 1024 * 1024) return fail({ kind: 'file-too-big', megabytes })
  const mediaType = (await fileTypeFromBuffer(contents))?.mime ?? 'application/octet-stream'
  const thumbnail = pictures.has(mediaType) ? await makeThumbnail(contents) : undefined
  if (field.picturesOnly && !thumbnail) return fail({ kind: 'file-not-picture', name })
  const fileName = cleanName(name)
  const hash = createHash('sha256').update(fileName).update('\0').update(contents).digest('hex')
  await run(
    db,
    `INSERT INTO ${tableIn(live)} (hash, file_name, media_type, size, contents, thumbnail) VALUES (?, ?, ?, ?, ?, ?) ON DUPLICATE KEY UPDATE stored_at = CURRENT_TIMESTAMP`,
    [hash, fileName, mediaType, contents.length, contents, thumbnail ?? null],
  )
  await dropUnused(db, live)
  return ok({ hash, name: fileName, mediaType, size: contents.length, picture: thumbnail !== undefined })
}

/** Whether a stored file may stand in a field: what it is and how large were asked for the field it was uploaded for. */
export async function fileProblem(reads: Reads, field: Field, hash: string): Promise<Problem | undefined> {
  const [row] = await selectIn<{ file_name: string; size: number; drawn: number }>(
    reads,
    `SELECT file_name, size, thumbnail IS NOT NULL AS drawn FROM ${tableIn(reads.live)} WHERE hash = ?`,
    [hash],
  )
  const megabytes = field.megabytes ?? 10
  if (!row) return { kind: 'no-such-file' }
  if (row.size > megabytes * 1024 * 1024) return { kind: 'file-too-big', megabytes }
  return field.picturesOnly && !row.drawn ? { kind: 'file-not-picture', name: row.file_name } : undefined
}

/** Files that no record refers to go after a day: somebody may still be filling in the form that they are for. */
async function dropUnused(db: Database, live: Live): Promise<number> {
  const names = namesOf(live)
  const used = live.book.tables.flatMap((table) =>
    table.fields
      .filter((field) => kindOf(field.kind).control === 'file')
      .map((field) => {
        const column = quoteName(names.columns(table.id, field.id)[0]!.name)
        return `AND NOT EXISTS (SELECT 1 FROM ${names.quoted(table.id)} AS t WHERE t.${column} = ${quoteName(ownTable)}.hash)`
      }),
  )
  return run(db, `DELETE FROM ${tableIn(live)} WHERE stored_at < CURRENT_TIMESTAMP - INTERVAL 1 DAY ${used.join(' ')}`)
}

/** A small WebP, or nothing where the picture can't be read: a broken picture is kept as a plain file. */
async function makeThumbnail(contents: Buffer): Promise<Buffer | undefined> {
  try {
    const small = sharp(contents, { limitInputPixels: 80_000_000 }).rotate()
    return await small.resize(320, 320, { fit: 'inside', withoutEnlargement: true }).webp({ quality: 80 }).toBuffer()
  } catch {
    return undefined
  }
}

/** A file's name without folders and without what other systems refuse in names. */
const cleanName = (name: string) =>
  (name.split(/[\\/]/).at(-1) ?? '')
    .replace(/[\u0000-\u001f<>:"|?*]/g, '_')
    .trim()
    .slice(-200) || 'file'

export async function findFile(reads: Reads, hash: string): Promise<StoredFile | undefined> {
  const [row] = await selectIn<{ hash: string; file_name: string; media_type: string; size: number }>(
    reads,
    `SELECT hash, file_name, media_type, size FROM ${tableIn(reads.live)} WHERE hash = ?`,
    [hash],
  )
  return (
    row && {
      hash: row.hash,
      name: row.file_name,
      mediaType: row.media_type,
      size: row.size,
      picture: pictures.has(row.media_type),
    }
  )
}

export async function fileContents(reads: Reads, hash: string, small: boolean): Promise<Buffer | undefined> {
  const column = small ? 'thumbnail' : 'contents'
  const [row] = await selectIn<{ bytes: Buffer | null }>(
    reads,
    `SELECT ${column} AS bytes FROM ${tableIn(reads.live)} WHERE hash = ?`,
    [hash],
  )
  return row?.bytes ?? undefined
}
