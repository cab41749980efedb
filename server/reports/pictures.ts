import { createHash } from 'node:crypto'
import sharp from 'sharp'
import type { Letterhead, Picture } from '@/core/book'
import { fail, ok, type Result } from '@/core/words'
import type { Catalogue } from '../catalogue'
import { type Database, run, select } from '../database'
import { roomProblem } from '../disk-room'

/** A picture may have so many megabytes, and so many dots, when it is given; what is kept has fewer. */
export const mostMegabytes = 10
const mostDots = 60_000_000
const kept = { width: 1200, height: 600 }

export type Pictures = ReadonlyMap<string, Buffer>

/** Keeps a picture for what a book prints: on white, and with as many dots as paper shows. */
export async function storePicture(
  db: Catalogue,
  book: string,
  { name, contents }: { readonly name: string; readonly contents: Buffer },
): Promise<Result<Picture>> {
  if (contents.length > mostMegabytes * 1024 * 1024) return fail({ kind: 'file-too-big', megabytes: mostMegabytes })
  const full = await roomProblem(db)
  if (full) return fail(full)
  const made = await onWhite(contents).catch(() => undefined)
  if (!made) return fail({ kind: 'file-not-picture', name })
  const hash = createHash('sha256').update(made.data).digest('hex')
  await run(
    db,
    `INSERT INTO \`${db.catalogue}\`.pictures (book_id, hash, contents) VALUES (?, ?, ?) ON DUPLICATE KEY UPDATE hash = hash`,
    [book, hash, made.data],
  )
  return ok({ hash, width: made.info.width, height: made.info.height })
}

const onWhite = async (contents: Buffer) =>
  sharp(contents, { limitInputPixels: mostDots })
    .rotate()
    .flatten({ background: '#ffffff' })
    .resize({ ...kept, fit: 'inside', withoutEnlargement: true })
    .png()
    .toBuffer({ resolveWithObject: true })

/** A picture of a book; undefined where it has none of this hash. */
export async function pictureOf(db: Database, book: string, hash: string): Promise<Buffer | undefined> {
  const [row] = await select<{ contents: Buffer }>(
    db,
    `SELECT contents FROM \`${db.catalogue}\`.pictures WHERE book_id = ? AND hash = ?`,
    [book, hash],
  )
  return row?.contents
}

/** Pictures by their hashes, for a PDF. */
export async function picturesBy(db: Database, hashes: readonly string[]): Promise<Pictures> {
  const wanted = [...new Set(hashes)]
  if (wanted.length === 0) return new Map()
  const rows = await select<{ hash: string; contents: Buffer }>(
    db,
    `SELECT hash, contents FROM \`${db.catalogue}\`.pictures WHERE hash IN (${wanted.map(() => '?').join(', ')})`,
    wanted,
  )
  return new Map(rows.map(({ hash, contents }) => [hash, contents]))
}

/** Those that stand on everything that is printed, and those of a document's own text. */
export const picturesFor = (
  db: Database,
  letterhead: Letterhead | undefined,
  own: readonly string[] = [],
): Promise<Pictures> => picturesBy(db, [...(letterhead?.logo ? [letterhead.logo.hash] : []), ...own])
