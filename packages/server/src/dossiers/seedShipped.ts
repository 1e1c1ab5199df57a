import { compareDossiers, parseDossier, type Dossier } from '@tidy-badger/core/dossiers'
import { contentHash } from '@tidy-badger/core/shared'
import { orRefuse } from '../platform/errors.ts'
import type { DossierRow, dossierRepository } from './repository.ts'

/** Hashes of everything that ships, worked out when the server was built; not there when it runs from its sources. */
declare const SHIPPED_HASHES: readonly string[] | undefined

/** A shipped dossier that was published now. */
export interface Seeded {
  name: string
  version: number
  /** What is different from the version before, in lines a person reads; empty for one that was not there. */
  changes: string[]
  /** Whether an earlier version was there. */
  correction: boolean
}

/**
 * Brings the shipped documents into the store. One that is new is published in its own version; one whose content changed
 * since becomes the next version of its id, whatever version it ships as; one that is there in any version stays.
 * @param known told every shipped document it had to read, with the hash it has in the store
 */
export async function seedShipped(
  repository: ReturnType<typeof dossierRepository>,
  now: string,
  known: (hash: string, document: Dossier) => void,
): Promise<Seeded[]> {
  const heads = await repository.heads()
  const stored = new Set(heads.map((row) => row.hash))
  if (typeof SHIPPED_HASHES !== 'undefined' && SHIPPED_HASHES.every((hash) => stored.has(hash))) return []
  const ids = new Set(heads.map((row) => `${row.kind} ${row.id}`))
  const seeded: Seeded[] = []
  const fresh: DossierRow[] = []
  for (const { document, hash } of await (shipping ??= readShipped())) {
    const { kind, id } = document
    if (stored.has(hash)) known(hash, document)
    else if (!ids.has(`${kind} ${id}`)) {
      fresh.push({ hash, kind, id, version: document.version, document, storedAt: now, published: true })
      known(hash, document)
      seeded.push({ name: nameOf(document), version: document.version, changes: [], correction: false })
    } else {
      const corrected = await correct(repository, document, now)
      if (!corrected) continue
      known(corrected.hash, corrected.document)
      seeded.push(corrected.seeded)
    }
  }
  await repository.publishNew(fresh)
  return seeded
}

/** What ships is read and weighed once, however many stores are opened. */
let shipping: ReturnType<typeof readShipped> | undefined

async function readShipped(): Promise<{ document: Dossier; hash: string }[]> {
  const { shippedDossiers } = await import('@tidy-badger/core/dossiers/shipped')
  return shippedDossiers.map((shipped) => {
    const document = orRefuse(parseDossier(shipped))
    return { document, hash: contentHash(document) }
  })
}

/** Publishes a shipped document as the next version of its id, unless some version says the same already. */
async function correct(
  repository: ReturnType<typeof dossierRepository>,
  document: Dossier,
  now: string,
): Promise<{ hash: string; document: Dossier; seeded: Seeded } | null> {
  const { kind, id } = document
  const rows = await repository.allOf(kind, id)
  const key = contentKey(document)
  if (rows.some((row) => contentKey(row.document) === key)) return null
  const version = rows[0].version + 1
  const next = { ...document, version }
  const hash = contentHash(next)
  await repository.publish({ hash, kind, id, version, document: next, storedAt: now, published: true })
  return {
    hash,
    document: next,
    seeded: { name: nameOf(document), version, changes: changesSince(rows[0], next), correction: true },
  }
}

function nameOf({ maker, model }: Dossier): string {
  return `${maker} ${model}`
}

/** What a document says, whatever version it says it in. */
export function contentKey(document: unknown): string {
  return contentHash({ ...Object(document), version: 0 })
}

function changesSince(before: DossierRow, after: Dossier): string[] {
  const old = parseDossier(before.document, '', 'before')
  return old.ok ? compareDossiers(old.value, after).map((change) => change.says) : []
}
