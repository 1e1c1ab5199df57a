import {
  composeVariant,
  parseDossier,
  parseKit,
  parseMachine,
  type Dossier,
  type DossierRef,
  type Kit,
  type Machine,
} from '@tidy-badger/core/dossiers'
import { shippedDossiers } from '@tidy-badger/core/dossiers/shipped'
import { contentHash, type Outcome } from '@tidy-badger/core/shared'
import { notFound, Refusal } from '../platform/errors.ts'
import type { Rooms } from '../platform/rooms.ts'
import { dossierRepository } from './repository.ts'

/** A reference to a stored version, or a whole document. */
export type DossierAsked = { id: string; version?: number; variant?: string } | Record<string, unknown>

export type DossierService = ReturnType<typeof dossierService>

export function dossierService(rooms: Rooms) {
  const repository = dossierRepository(rooms.db)

  /** Published documents never change, so each is read and checked once. */
  const read = new Map<string, Dossier>()
  function checked(row: { hash: string; document: unknown }): Dossier {
    const known = read.get(row.hash)
    if (known) return known
    const document = orRefuse(parseDossier(row.document))
    read.set(row.hash, document)
    return document
  }

  async function store(document: Dossier): Promise<string> {
    const hash = contentHash(document)
    const { kind, id, version } = document
    await repository.add({ hash, kind, id, version, document, storedAt: rooms.now() })
    return hash
  }

  async function resolve<T extends Dossier>(
    kind: T['kind'],
    asked: DossierAsked,
    parse: (document: unknown, under?: string) => Outcome<T>,
    is: (document: Dossier) => document is T,
  ): Promise<{ document: T; ref: DossierRef }> {
    if ('kind' in asked) {
      const document = orRefuse(parse(asked, kind))
      return { document, ref: { id: document.id, version: document.version, hash: await store(document) } }
    }
    const { id, version, variant } = readReference(asked, kind)
    const row = await repository.byId(kind, id, version)
    if (!row)
      throw new Refusal('unprocessable', {
        code: 'unknown-dossier',
        path: `${kind}.id`,
        message: `There is no ${kind} "${id}"${version === undefined ? '' : ` in version ${version}`}.`,
      })
    const document = checked(row)
    if (!is(document)) throw new Error(`dossiers: the row of ${kind} "${id}" holds a ${document.kind}`)
    return { document, ref: { id, version: row.version, hash: row.hash, ...(variant ? { variant } : {}) } }
  }

  return {
    store,
    /** Brings the shipped documents into the store; those that are there stay as they are. */
    async seedShipped(): Promise<void> {
      for (const document of shippedDossiers) await store(orRefuse(parseDossier(document)))
    },
    async machine(asked: DossierAsked): Promise<{ document: Machine; ref: DossierRef }> {
      const found = await resolve<Machine>('machine', asked, parseMachine, isMachine)
      const composed = composeVariant(found.document, found.ref.variant)
      if (!composed.ok)
        throw new Refusal(
          'unprocessable',
          ...composed.problems.map((problem) => ({ ...problem, path: 'machine.variant' })),
        )
      return { document: composed.value, ref: found.ref }
    },
    kit: (asked: DossierAsked): Promise<{ document: Kit; ref: DossierRef }> =>
      resolve<Kit>('kit', asked, parseKit, isKit),
    async byHash(hash: string): Promise<Dossier> {
      const row = await repository.byHash(hash)
      if (!row) throw new Error(`dossiers: the store has no document ${hash}`)
      return checked(row)
    },
    /** One published document as it stands, variants uncomposed. */
    async document(kind: Dossier['kind'], id: string, version?: number): Promise<{ document: Dossier; hash: string }> {
      const row = await repository.byId(kind, id, version)
      if (!row) throw notFound(kind, id)
      return { document: checked(row), hash: row.hash }
    },
    /**
     * Publishes a document as the next version of its id. The same document again is no second version.
     */
    async publish(body: unknown): Promise<DossierRef> {
      const document = orRefuse(parseDossier(body))
      const { kind, id, version } = document
      const newest = await repository.byId(kind, id)
      const hash = contentHash(document)
      if (await repository.byHash(hash)) return { id, version, hash }
      const next = (newest?.version ?? 0) + 1
      if (version !== next)
        throw new Refusal('conflict', {
          code: 'version-taken',
          path: 'version',
          message: `The next version of "${id}" is ${next}, not ${version}.${newest ? ' Somebody published in between: compare first.' : ''}`,
        })
      return { id, version, hash: await store(document) }
    },
    drafts: async () =>
      (await repository.drafts()).map((row) => ({ id: row.id, savedAt: row.savedAt, name: draftName(row.document) })),
    async draft(id: string) {
      const row = await repository.draft(id)
      if (!row) throw notFound('draft', id)
      return row
    },
    async saveDraft(id: string, document: Record<string, unknown>) {
      const row = { id, document, savedAt: rooms.now() }
      await repository.saveDraft(row)
      return { id, savedAt: row.savedAt }
    },
    dropDraft: (id: string) => repository.dropDraft(id),
    async list() {
      const rows = await repository.all()
      return rows.map((row) => {
        const document = checked(row)
        return {
          kind: document.kind,
          id: document.id,
          version: document.version,
          hash: row.hash,
          draft: document.draft === true,
          name: `${document.maker} ${document.model}`,
          about: document.kind === 'machine' ? `${document.class}, ${document.years}` : document.system,
          variants:
            document.kind === 'machine'
              ? document.variants.map((variant) => ({ id: variant.id, name: variant.name, tells: variant.tells }))
              : [],
          fits: document.kind === 'kit' ? document.fits : [],
        }
      })
    },
  }
}

function isMachine(document: Dossier): document is Machine {
  return document.kind === 'machine'
}

function isKit(document: Dossier): document is Kit {
  return document.kind === 'kit'
}

/** What to call a draft in a list, whatever state it is in. */
function draftName(document: unknown): string {
  const { maker = '', model = '' } = { ...Object(document) }
  return `${String(maker)} ${String(model)}`.trim() || 'without a name'
}

function orRefuse<T>(outcome: Outcome<T>): T {
  if (outcome.ok) return outcome.value
  throw new Refusal('malformed', ...outcome.problems)
}

function readReference(asked: DossierAsked, kind: string): { id: string; version?: number; variant?: string } {
  const { id, version, variant } = { id: undefined, version: undefined, variant: undefined, ...asked }
  const wrong = (field: string, message: string) =>
    new Refusal('malformed', { code: 'malformed', path: `${kind}.${field}`, message })
  if (typeof id !== 'string' || id === '')
    throw wrong('id', `Name the ${kind} by its id, or send a whole document with a kind.`)
  if (version !== undefined && (typeof version !== 'number' || !Number.isInteger(version)))
    throw wrong('version', 'A version is a whole number.')
  if (variant !== undefined && typeof variant !== 'string') throw wrong('variant', 'A variant is named by its id.')
  const unread = Object.keys(asked).filter((key) => !['id', 'version', 'variant'].includes(key))
  if (unread.length > 0)
    throw wrong(
      unread[0],
      `A reference has id, version and variant; nobody reads "${unread[0]}". A whole document has a kind.`,
    )
  return { id, version, variant }
}
