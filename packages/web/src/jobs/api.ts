import type { DossierRef, Station } from '@tidy-badger/core/dossiers'
import type { JobDossiers, JournalEntry, NewEntry } from '@tidy-badger/core/jobs'
import type { Erratum } from '@tidy-badger/core/wiring'
import { getKept } from '../platform/api/kept.ts'
import { getJson, postJson } from '../platform/api/http.ts'

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
}

export type JobWithDossiers = JobSummary & { dossiers: JobDossiers }

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
}

export const fetchJobs = () => getKept<JobSummary[]>('/api/jobs')
export const fetchJob = (id: string) => getKept<JobWithDossiers>(`/api/jobs/${id}`)
export const fetchDossiers = () => getKept<DossierRow[]>('/api/dossiers')
export const fetchErrata = () => getKept<Erratum[]>('/api/errata')
export const fetchJournal = (id: string, after: number) =>
  getJson<{ head: number; entries: JournalEntry[] }>(`/api/jobs/${id}/journal?after=${after}`)
export const sendEntries = (id: string, base: number, entries: NewEntry[]) =>
  postJson<{ head: number }>(`/api/jobs/${id}/journal`, { base, entries })
export const openJob = (body: { machine: { id: string; variant?: string }; kit: { id: string }; title?: string }) =>
  postJson<JobSummary>('/api/jobs', body)
export const importJob = (file: unknown) =>
  postJson<{ id: string; merged: boolean; added: number }>('/api/jobs/import', file)
