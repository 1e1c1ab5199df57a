import type { Dossier, DossierRef, Purpose, Station } from '@tidy-badger/core/dossiers'
import type { Invalidated, JobDossiers } from '@tidy-badger/core/jobs'
import type { Erratum } from '@tidy-badger/core/wiring'
import { getKept } from '../platform/api/kept.ts'
import { deleteAt, getJson, postFile, postJson, request } from '../platform/api/http.ts'

export interface JobSummary {
  id: string
  title: string
  machine: DossierRef
  kit: DossierRef
  machineName: string
  kitName: string
  createdAt: string
  changedAt: string
  station: Station
  finished: boolean
  connected: number
  ends: number
  stop: string | null
  missing: string[]
  rides: number
  head: number
  /** Missing on what was kept by an earlier version. */
  kits?: (DossierRef & { key: string })[]
  present?: DossierRef[]
  purpose?: Purpose
}

export type JobWithDossiers = JobSummary & { dossiers: JobDossiers; vehicle?: string | null }

export interface DossierRow {
  kind: 'machine' | 'kit'
  id: string
  version: number
  hash: string
  draft: boolean
  name: string
  about: string
  variants: { id: string; name: string; tells: string }[]
  fits: string[]
  /** Ends of its loom; a reader has none, and is fitted nowhere. */
  ends?: number
  /** Columns it names, where it is read from. */
  figures?: number
}

/** One published document; the newest version unless said. */
export const fetchDocument = (kind: Dossier['kind'], id: string, version?: number) =>
  getKept<{ document: Dossier; hash: string }>(`/api/dossiers/${kind}/${id}${version ? `?version=${version}` : ''}`)

/** A job that cannot be read here, and why; it hides no other. */
export interface UnreadableJob {
  id: string
  title: string
  createdAt: string
  unreadable: string
}

export const fetchJobs = () => getKept<(JobSummary | UnreadableJob)[]>('/api/jobs')
/** Jobs that were put away, or thrown away. */
export const fetchOldJobs = (which: 'archived' | 'deleted') =>
  getKept<(JobSummary | UnreadableJob)[]>(which === 'archived' ? '/api/jobs?archived=true' : '/api/jobs?deleted=true')
export const archiveJob = (id: string) => request(`/api/jobs/${encodeURIComponent(id)}/archive`, { method: 'POST' })
export const bringBackJob = (id: string) => request(`/api/jobs/${encodeURIComponent(id)}/restore`, { method: 'POST' })
export const throwAwayJob = (id: string) => deleteAt(`/api/jobs/${encodeURIComponent(id)}`)
export const fetchDossiers = () => getKept<DossierRow[]>('/api/dossiers')
export const fetchErrata = () => getKept<Erratum[]>('/api/errata')
export const openJob = (body: {
  machine?: { id: string; variant?: string }
  vehicle?: string
  kits?: { id: string }[]
  purpose?: Purpose
  fromShelf?: string[]
  title?: string
}) => postJson<JobSummary>('/api/jobs', body)
export const importJob = (file: File) =>
  postFile<{ id: string; merged: boolean; added: number }>('/api/jobs/import', file, 'application/json')

/** A newer version of one of a job's dossiers, and what taking it would change. */
export interface Newer {
  from: DossierRef
  to: DossierRef
  changes: { what: string; says: string }[]
  invalidates: Invalidated[]
  variantLost: string | null
}

export const fetchNewer = (id: string) => getJson<{ machine: Newer | null; kit: Newer | null }>(`/api/jobs/${id}/newer`)
