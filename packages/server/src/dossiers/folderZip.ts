import { buffer } from 'node:stream/consumers'
import type { Readable } from 'node:stream'
import yauzl, { type Entry, type ZipFile } from 'yauzl'
import { ZipFile as NewZip } from 'yazl'
import { refusal, type Refusal } from '../platform/errors.ts'

/** A folder's files, packed and unpacked, bytes; and how many there may be. */
export const largestZipBytes = 16 * 1024 * 1024
const largestFileBytes = 4 * 1024 * 1024
const largestFolderBytes = 24 * 1024 * 1024
const mostFiles = 400

/** What systems put into zips by themselves. */
const leavings = /(^|\/)(__MACOSX\/|\.DS_Store$|Thumbs\.db$|desktop\.ini$|\._)/

/** A file of the zip that nothing of ours is made of, and why. */
function unfit(entry: Entry): string | null {
  const mode = (entry.externalFileAttributes >>> 16) & 0o170000
  if (mode === 0o120000) return 'is a link. A folder holds files alone'
  if (entry.isEncrypted()) return 'is locked by a password'
  if (entry.uncompressedSize > largestFileBytes) return `is larger than ${largestFileBytes / 1024 / 1024} MB`
  return null
}

function notTaken(message: string, path = ''): Refusal {
  return refusal('unprocessable', 'not-a-folder', message, path)
}

/**
 * The texts of a zipped folder, by their names within the folder that holds machine.yaml or kit.yaml.
 * @throws Refusal when it is no zip, holds links, several dossiers or more than any of ours does, or a file that is no text
 */
export async function unpackFolder(bytes: Buffer): Promise<Map<string, string>> {
  return (await unpackWhole(bytes)).texts
}

/** A photo's place in the folder: its bytes' SHA-256. */
const photoName = /^photos\/([0-9a-f]{64})\.jpg$/
export const photoPlace = (hash: string): string => `photos/${hash}.jpg`

/** The texts of a zipped folder, and its photos by the SHA-256 they say they have. @throws Refusal as `unpackFolder` */
export async function unpackWhole(bytes: Buffer): Promise<{ texts: Map<string, string>; photos: Map<string, Buffer> }> {
  const unpacked = await filesOf(bytes)
  const heads = [...unpacked.keys()].filter((name) => /(^|\/)(machine|kit)\.yaml$/.test(name))
  if (heads.length === 0) throw notTaken('The zip holds no dossier: there is no machine.yaml and no kit.yaml in it.')
  if (heads.length > 1) throw notTaken(`The zip holds ${heads.length} dossiers: ${heads.join(', ')}. One at a time.`)
  const [head = ''] = heads
  const folder = head.slice(0, head.lastIndexOf('/') + 1)
  const texts = new Map<string, string>()
  const photos = new Map<string, Buffer>()
  for (const [name, content] of unpacked) {
    if (!name.startsWith(folder)) throw notTaken(`"${name}" lies outside the folder of the dossier.`, name)
    const within = name.slice(folder.length)
    const [, hash] = photoName.exec(within) ?? []
    if (hash === undefined) texts.set(within, textOf(name, content))
    else photos.set(hash, content)
  }
  return { texts, photos }
}

async function filesOf(bytes: Buffer): Promise<Map<string, Buffer>> {
  const said = (error: unknown) =>
    notTaken(`The file is no zip, or not a whole one (${error instanceof Error ? error.message : String(error)}).`)
  const zip = await new Promise<ZipFile>((done, failed) =>
    yauzl.fromBuffer(bytes, { lazyEntries: true, validateEntrySizes: true }, (error, opened) =>
      error ? failed(said(error)) : done(opened),
    ),
  )
  const files = new Map<string, Buffer>()
  let total = 0
  const take = async (entry: Entry): Promise<void> => {
    const name = entry.fileName
    if (name.endsWith('/') || leavings.test(name)) return
    const fault = unfit(entry)
    if (fault) throw notTaken(`"${name}" ${fault}.`, name)
    if (files.has(name)) throw notTaken(`"${name}" is in the zip twice.`, name)
    if (files.size >= mostFiles) throw notTaken(`The zip holds more than ${mostFiles} files.`)
    total += entry.uncompressedSize
    if (total > largestFolderBytes) throw notTaken(`Unpacked it is larger than ${largestFolderBytes / 1024 / 1024} MB.`)
    const stream = await new Promise<Readable>((done, failed) =>
      zip.openReadStream(entry, (error, opened) => (error ? failed(said(error)) : done(opened))),
    )
    files.set(name, await buffer(stream).catch((error: unknown) => Promise.reject(said(error))))
  }
  await new Promise<void>((done, failed) => {
    zip.on('error', (error) => failed(said(error)))
    zip.on('end', done)
    zip.on('entry', (entry: Entry) => {
      take(entry).then(() => zip.readEntry(), failed)
    })
    zip.readEntry()
  })
  return files
}

/** Files are UTF-8; what spreadsheets call Unicode text (UTF-16 with its mark) is read too. */
function textOf(name: string, content: Buffer): string {
  const wide =
    content[0] === 0xff && content[1] === 0xfe
      ? 'utf-16le'
      : content[0] === 0xfe && content[1] === 0xff
        ? 'utf-16be'
        : 'utf-8'
  try {
    const text = new TextDecoder(wide, { fatal: true }).decode(content)
    if (text.includes('\0')) throw new Error('a NUL')
    return text
  } catch {
    throw notTaken(`"${name}" is no text in UTF-8. Save it as CSV UTF-8, or as UTF-8 text.`, name)
  }
}

/** Files as a zip, in a folder of that name. @param at when its files say they were written */
export async function packFolder(
  folder: string,
  files: Iterable<readonly [string, string | Buffer]>,
  at: Date,
): Promise<Buffer> {
  const zip = new NewZip()
  for (const [name, text] of files)
    zip.addBuffer(typeof text === 'string' ? Buffer.from(text, 'utf-8') : text, `${folder}/${name}`, {
      mtime: at,
      mode: 0o100644,
    })
  zip.end()
  return buffer(zip.outputStream)
}
