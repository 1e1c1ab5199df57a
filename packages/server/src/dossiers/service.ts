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
import { Refusal } from '../platform/errors.ts'
import type { Rooms } from '../platform/rooms.ts'
import { dossierRepository } from './repository.ts'

/** A reference to a stored version, or a whole document. */
export type DossierAsked = { id: string; version?: number; variant?: string } | Record<string, unknown>

export type DossierService = ReturnType<typeof dossierService>

export function dossierService(rooms: Rooms) {
  const repository = dossierRepository(rooms.db)

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
    const document = orRefuse(parse(row.document, kind))
    return { document, ref: { id, version: row.version, hash: row.hash, ...(variant ? { variant } : {}) } }
  }

  return {
    store,
    /** Brings the shipped documents into the store; those that are there stay as they are. */
    async seedShipped(): Promise<void> {
      for (const document of shippedDossiers) await store(orRefuse(parseDossier(document)))
    },
    async machine(asked: DossierAsked): Promise<{ document: Machine; ref: DossierRef }> {
      const found = await resolve<Machine>('machine', asked, parseMachine)
      const composed = composeVariant(found.document, found.ref.variant)
      if (!composed.ok)
        throw new Refusal(
          'unprocessable',
          ...composed.problems.map((problem) => ({ ...problem, path: 'machine.variant' })),
        )
      return { document: composed.value, ref: found.ref }
    },
    kit: (asked: DossierAsked): Promise<{ document: Kit; ref: DossierRef }> => resolve<Kit>('kit', asked, parseKit),
    async byHash(hash: string): Promise<Dossier> {
      const row = await repository.byHash(hash)
      if (!row) throw new Error(`dossiers: the store has no document ${hash}`)
      return orRefuse(parseDossier(row.document))
    },
    async list() {
      const rows = await repository.all()
      return rows.map((row) => {
        const document = orRefuse(parseDossier(row.document))
        return {
          kind: document.kind,
          id: document.id,
          version: document.version,
          hash: row.hash,
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
