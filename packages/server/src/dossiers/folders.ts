import { compareDossiers, type Dossier } from '@tidy-badger/core/dossiers'
import { writeFolder } from '@tidy-badger/core/dossier-files'
import type { Outcome } from '@tidy-badger/core/shared'
import { orRefuse, refusal } from '../platform/errors.ts'
import type { WorkPool } from '../platform/workPool.ts'
import { checkDocument } from './checkDocument.ts'
import { packFolder, photoPlace, unpackWhole } from './folderZip.ts'
import type { DossierRow } from './repository.ts'
import { contentKey } from './seedShipped.ts'

/** What a zipped folder holds, and what it is beside what is published. */
export interface BroughtFolder {
  document: Dossier
  /** The version it would be published as; null where it is published already. */
  next: number | null
  /** The version that says the same, or the newest it is compared with; null for one that is new. */
  beside: number | null
  /** What is otherwise than in the newest published version. */
  changes: string[]
}

/** Versions of one dossier, the newest first. */
export interface Versions {
  rows: readonly DossierRow[]
  documentOf: (row: DossierRow) => Promise<Dossier>
}

/**
 * Reads a zip, or one document as JSON. It becomes the next version of its id, whatever version it says it is.
 * @throws Refusal with its problems
 */
export async function bringFolder(
  pool: WorkPool,
  bytes: Buffer,
  versionsOf: (document: Dossier) => Promise<Versions>,
  keepPhoto: (hash: string, bytes: Buffer) => Promise<void>,
): Promise<BroughtFolder> {
  const document = isJson(bytes) ? await checkDocument(pool, jsonOf(bytes)) : await readZip(pool, bytes, keepPhoto)
  const { rows, documentOf } = await versionsOf(document)
  const key = contentKey(document)
  for (const row of rows)
    if (contentKey(await documentOf(row)) === key)
      return { document: { ...document, version: row.version }, next: null, beside: row.version, changes: [] }
  const [newest] = rows
  if (!newest) return { document: { ...document, version: 1 }, next: 1, beside: null, changes: [] }
  const version = newest.version + 1
  const changes = compareDossiers(await documentOf(newest), document).map(({ says }) => says)
  return { document: { ...document, version }, next: version, beside: newest.version, changes }
}

async function readZip(
  pool: WorkPool,
  bytes: Buffer,
  keepPhoto: (hash: string, bytes: Buffer) => Promise<void>,
): Promise<Dossier> {
  const { texts: files, photos } = await unpackWhole(bytes)
  const read: Outcome<Dossier> = await pool.run(new URL('./worker.ts', import.meta.url), 'readFiles', [...files])
  const document = orRefuse(read)
  for (const { photo } of document.kind === 'machine' ? (document.photos ?? []) : []) {
    const content = photos.get(photo)
    if (content) await keepPhoto(photo, content)
  }
  return document
}

/** A document as JSON begins with its brace, with or without blanks and a byte order mark before it; no zip does. */
function isJson(bytes: Buffer): boolean {
  return /^\uFEFF?\s*\{/.test(bytes.subarray(0, 200).toString('utf8'))
}

function jsonOf(bytes: Buffer): unknown {
  try {
    const value: unknown = JSON.parse(bytes.toString('utf8').replace(/^\uFEFF/, ''))
    return value
  } catch (error) {
    throw refusal(
      'unprocessable',
      'not-json',
      `It begins like JSON and is none: ${String(error).replace(/^\w+: /, '')}.`,
    )
  }
}

/** A published version as a zipped folder, with what changed from version to version. */
export async function sendFolder(
  document: Dossier,
  { rows, documentOf }: Versions,
  at: Date,
  photoOf: (hash: string) => Promise<Buffer | null>,
): Promise<{ name: string; bytes: Buffer }> {
  const name = `${document.id}-${document.version}`
  const told = rows.filter((row) => row.version <= document.version)
  const documents = await Promise.all(told.map(documentOf))
  const changes = documents.map((one, i) => {
    const before = documents[i + 1]
    const lines = before ? compareDossiers(before, one).map(({ says }) => `- ${says}`) : []
    return [`## Version ${one.version}`, '', one.source, ...(lines.length > 0 ? ['', ...lines] : []), ''].join('\n')
  })
  const files = [
    ...writeFolder(document),
    ['CHANGES.md', [`# ${document.maker} ${document.model}`, '', ...changes].join('\n')] as const,
  ]
  const photos: [string, Buffer][] = []
  for (const { photo } of document.kind === 'machine' ? (document.photos ?? []) : []) {
    const bytes = await photoOf(photo)
    if (bytes) photos.push([photoPlace(photo), bytes])
  }
  return { name, bytes: await packFolder(document.id, [...files, ...photos], at) }
}
