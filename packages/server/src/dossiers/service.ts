import { Readable } from 'node:stream'
import {
  composeVariant,
  machinesOnSheet,
  sheetContradictions,
  type Dossier,
  type DossierRef,
  type Kit,
  type Machine,
} from '@tidy-badger/core/dossiers'
import { contentHash, type Problem } from '@tidy-badger/core/shared'
import { notFound, Refusal, refusal } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import { serialize } from '../platform/serialize.ts'
import { inspectPhoto, largestPhotoBytes } from '../photos/index.ts'
import { photoPlace } from './folderZip.ts'
import { checkDocument } from './checkDocument.ts'
import { bringFolder, sendFolder, type BroughtFolder, type Versions } from './folders.ts'
import { learnt, type Learnt } from './learnt.ts'
import { readReference } from './readReference.ts'
import { dossierRepository, type DossierRow, type DraftRow } from './repository.ts'
import { seedShipped, type Seeded } from './seedShipped.ts'

/** A reference to a published version, or a whole document. */
export type DossierAsked = { id: string; version?: number; variant?: string } | Record<string, unknown>

/** A dossier that somebody asked with. */
export interface FoundDossier<T extends Dossier> {
  /** A machine composed with its variant. */
  document: T
  ref: DossierRef
  /** The document as it is kept, variants uncomposed; null when a published one was named. */
  own: T | null
}

export type DossierService = ReturnType<typeof dossierService>

export function dossierService(deps: AppDeps) {
  const repository = dossierRepository(deps.db)

  /** What is taught to one machine's draft goes in one after the other. */
  const oneByOne = serialize()

  /** Stored documents never change, so each is read once. */
  const read = new Map<string, Promise<Dossier>>()
  function documentOf(row: { hash: string; document: unknown }): Promise<Dossier> {
    const known = read.get(row.hash)
    if (known) return known
    const reading = checkDocument(deps.pool, row.document, '', undefined, 'before')
    read.set(row.hash, reading)
    reading.catch(() => read.delete(row.hash))
    return reading
  }
  async function byHash(hash: string): Promise<Dossier> {
    const known = read.get(hash)
    if (known) return known
    const row = await repository.byHash(hash)
    if (!row) throw new Error(`dossiers: the store has no document ${hash}`)
    return documentOf(row)
  }

  const rowOf = (document: Dossier, hash: string, published: boolean): DossierRow => {
    const { kind, id, version } = document
    return { hash, kind, id, version, document, storedAt: deps.now(), published }
  }

  async function find<T extends Dossier>(
    kind: T['kind'],
    asked: DossierAsked,
    is: (document: Dossier) => document is T,
  ): Promise<FoundDossier<T>> {
    const wrongKind = () => new Error(`dossiers: what was read as a ${kind} is none`)
    if ('kind' in asked) {
      const document = await checkDocument(deps.pool, asked, kind, kind)
      if (!is(document)) throw wrongKind()
      const { id, version } = document
      return { document, ref: { id, version, hash: contentHash(document) }, own: document }
    }
    const { id, version, variant } = readReference(asked, kind)
    const row = await repository.byId(kind, id, version)
    if (!row)
      throw refusal(
        'unprocessable',
        'unknown-dossier',
        `There is no ${kind} "${id}"${version === undefined ? '' : ` in version ${version}`}.`,
        `${kind}.id`,
      )
    const document = await documentOf(row)
    if (!is(document)) throw wrongKind()
    return { document, ref: { id, version: row.version, hash: row.hash, ...(variant ? { variant } : {}) }, own: null }
  }

  /** A photo of a zip, under the hash it says it has. @throws Refusal when it is no photo, or another one */
  async function keepPhoto(hash: string, bytes: Buffer): Promise<void> {
    const path = photoPlace(hash)
    const kept = bytes.length > largestPhotoBytes ? null : await inspectPhoto(bytes, path)
    if (!kept?.equals(bytes))
      throw refusal(
        'unprocessable',
        'not-a-photo',
        `"${path}" is too large, or says where it was taken. Make it smaller first.`,
        path,
      )
    await deps.photos.put(hash, Readable.from([bytes]), largestPhotoBytes)
  }

  const versionsOf = async (kind: string, id: string): Promise<Versions> => ({
    rows: await repository.allOf(kind, id),
    documentOf,
  })

  /** A kit's sheet names studs and places of machines: those that are known must have them. @throws Refusal */
  async function sheetsHold(kit: Dossier): Promise<void> {
    if (kit.kind !== 'kit') return
    const problems: Problem[] = []
    for (const id of machinesOnSheet(kit)) {
      const row = await repository.byId('machine', id)
      const machine = row && (await documentOf(row))
      if (machine?.kind === 'machine') problems.push(...sheetContradictions(kit, machine))
    }
    if (problems.length > 0) throw new Refusal('malformed', ...problems)
  }

  return {
    byHash,
    /** Brings what ships into the store; corrected documents become the next version of their id. */
    seedShipped: (): Promise<Seeded[]> =>
      seedShipped(repository, deps.now(), (hash, document) => read.set(hash, Promise.resolve(document))),
    async machine(asked: DossierAsked): Promise<FoundDossier<Machine>> {
      const found = await find<Machine>('machine', asked, isMachine)
      const composed = composeVariant(found.document, found.ref.variant)
      if (composed.ok) return { ...found, document: composed.value }
      throw new Refusal(
        'unprocessable',
        ...composed.problems.map((problem): Problem => ({ ...problem, path: 'machine.variant' })),
      )
    },
    kit: (asked: DossierAsked): Promise<FoundDossier<Kit>> => find<Kit>('kit', asked, isKit),
    /** Keeps a document for the jobs that point at it, without publishing it. @returns its hash */
    async keepOwn(document: Dossier): Promise<string> {
      const hash = contentHash(document)
      await repository.add(rowOf(document, hash, false))
      return hash
    },
    /** One published document as it stands, variants uncomposed. */
    async document(kind: Dossier['kind'], id: string, version?: number): Promise<{ document: Dossier; hash: string }> {
      const row = await repository.byId(kind, id, version)
      if (!row) throw notFound(kind, id)
      return { document: await documentOf(row), hash: row.hash }
    },
    /** A zipped folder, beside what is published under its id. Nothing is kept but its photos, which go again unless it is published. */
    async bring(bytes: Buffer): Promise<BroughtFolder> {
      const brought = await bringFolder(deps.pool, bytes, ({ kind, id }) => versionsOf(kind, id), keepPhoto)
      await sheetsHold(brought.document)
      return brought
    },
    /** A published version as a zipped folder. */
    async folder(kind: Dossier['kind'], id: string, version?: number): Promise<{ name: string; bytes: Buffer }> {
      const row = await repository.byId(kind, id, version)
      if (!row) throw notFound(kind, id)
      return sendFolder(await documentOf(row), await versionsOf(kind, id), new Date(row.storedAt), (hash) =>
        deps.photos.has(hash).then((there) => (there ? deps.photos.read(hash) : null)),
      )
    },
    /** The newest published version of an id. */
    async newest(kind: Dossier['kind'], id: string): Promise<{ ref: DossierRef; document: Dossier } | null> {
      const row = await repository.byId(kind, id)
      return row ? { ref: { id, version: row.version, hash: row.hash }, document: await documentOf(row) } : null
    },
    /** Publishes a document as the next version of its id. The same document again is no second version. */
    async publish(body: unknown): Promise<DossierRef> {
      const document = await checkDocument(deps.pool, body)
      await sheetsHold(document)
      const { kind, id, version } = document
      const hash = contentHash(document)
      const [newest, same] = [await repository.byId(kind, id), await repository.byHash(hash)]
      if (same?.published) return { id, version, hash }
      const next = (newest?.version ?? 0) + 1
      const taken = () =>
        refusal(
          'conflict',
          'version-taken',
          `The next version of "${id}" is ${next}, not ${version}.${newest ? ' Somebody published in between: compare first.' : ''}`,
          'version',
        )
      if (version !== next || !(await repository.publish(rowOf(document, hash, true)))) throw taken()
      return { id, version, hash }
    },
    async drafts() {
      const rows = await repository.drafts()
      return rows.map(({ document, ...row }) => ({ ...row, name: draftName(document), of: draftOf(document) }))
    },
    async draft(id: string): Promise<DraftRow> {
      const row = await repository.draft(id)
      if (!row) throw notFound('draft', id)
      return row
    },
    /** @param base revision the draft was read in; null for a new one */
    async saveDraft(id: string, document: Record<string, unknown>, base: number | null, savedBy: string | null) {
      const savedAt = deps.now()
      const saved = await repository.saveDraft({ id, document, savedAt, savedBy }, base)
      if ('revision' in saved) return { id, savedAt, revision: saved.revision }
      const { stands } = saved
      throw refusal(
        'conflict',
        'draft-conflict',
        stands
          ? `${stands.savedBy ?? 'Somebody at the machine itself'} saved this draft in between, at ${stands.savedAt.slice(11, 16)} UTC. Keep yours, take theirs, or save yours as a draft of its own.`
          : 'The draft was published or thrown away in between. Save yours as a draft of its own.',
      )
    },
    /**
     * Puts what a job taught into the draft of its machine: the newest there is, else one begun from what is published, or from the job's own
     * document. What does not fit that draft any more stays in the job's journal alone.
     */
    learn: (ref: DossierRef, what: readonly Learnt[]): Promise<void> =>
      oneByOne(ref.id, async () => {
        const open = (await repository.drafts()).find(({ document }) => {
          const of = draftOf(document)
          return of?.kind === 'machine' && of.id === ref.id
        })
        const newest = open ? null : await repository.byId('machine', ref.id)
        const base = open ? open.document : await (newest ? documentOf(newest) : byHash(ref.hash))
        const taught = learnt(base, ref.variant ?? null, what)
        if (!taught) return
        const { document, savedBy } = taught
        const begun = open ? document : { ...document, version: (newest?.version ?? 0) + 1 }
        const row = { id: open?.id ?? `finds-${ref.id}`, document: begun, savedAt: deps.now(), savedBy }
        await repository.saveDraft(row, open?.revision ?? null)
      }),
    /** Photos that any version of a machine, or a draft, names. */
    photosNamed: repository.photosNamed,
    async dropDraft(id: string): Promise<void> {
      if (!(await repository.dropDraft(id))) throw notFound('draft', id)
    },
    /** The newest version of everything, machines with their variants uncomposed. */
    async newestOfAll(): Promise<Dossier[]> {
      const heads = await repository.heads()
      const newest = heads.filter(({ kind, id }, i) => heads[i - 1]?.kind !== kind || heads[i - 1]?.id !== id)
      return Promise.all(newest.map(({ hash }) => byHash(hash)))
    },
    async list() {
      const heads = await repository.heads()
      return Promise.all(
        heads.map(async ({ hash, version }) => {
          const document = await byHash(hash)
          return {
            kind: document.kind,
            id: document.id,
            version,
            hash,
            draft: document.draft === true,
            name: `${document.maker} ${document.model}`,
            about: document.kind === 'machine' ? `${document.class}, ${document.years}` : document.system,
            variants:
              document.kind === 'machine'
                ? document.variants.map((variant) => ({ id: variant.id, name: variant.name, tells: variant.tells }))
                : [],
            fits: document.kind === 'kit' ? document.fits : [],
            ends: document.kind === 'kit' ? document.ends.length : 0,
            figures: document.kind === 'kit' ? (document.figures ?? []).length : 0,
          }
        }),
      )
    },
    /** Rows as they are stored, for a backup, and back from one. */
    stored: {
      hashes: repository.hashes,
      row: repository.byHash,
      async keep(row: DossierRow): Promise<void> {
        if (!row.published || !(await repository.publish(row))) await repository.add({ ...row, published: false })
      },
      drafts: repository.drafts,
      keepDraft: repository.restoreDraft,
    },
  }
}

export function isMachine(document: Dossier): document is Machine {
  return document.kind === 'machine'
}

export function isKit(document: Dossier): document is Kit {
  return document.kind === 'kit'
}

/** Which dossier a draft is of, whatever state it is in; null where it says none. */
function draftOf(document: unknown): { kind: Dossier['kind']; id: string } | null {
  const { kind, id }: { kind?: unknown; id?: unknown } = { ...Object(document) }
  return (kind === 'machine' || kind === 'kit') && typeof id === 'string' ? { kind, id } : null
}

/** What to call a draft in a list, whatever state it is in. */
function draftName(document: unknown): string {
  const { maker = '', model = '' } = { ...Object(document) }
  return `${String(maker)} ${String(model)}`.trim() || 'without a name'
}
