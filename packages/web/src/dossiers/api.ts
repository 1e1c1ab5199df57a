import type { Dossier, DossierRef, Machine } from '@tidy-badger/core/dossiers'
import { deleteAt, getJson, postJson, putJson } from '../platform/api/http.ts'
import { getKept } from '../platform/api/kept.ts'

export interface DraftRow {
  id: string
  savedAt: string
  savedBy: string | null
  revision: number
  name: string
}

export const fetchDocument = (kind: Dossier['kind'], id: string, version?: number) =>
  getKept<{ document: Dossier; hash: string }>(`/api/dossiers/${kind}/${id}${version ? `?version=${version}` : ''}`)
export const fetchDrafts = () => getKept<DraftRow[]>('/api/drafts')
export const fetchDraft = (id: string) => getJson<{ document: Machine; revision: number }>(`/api/drafts/${id}`)
/** @param base revision the draft was read in; null for a new one */
export const saveDraft = (id: string, document: Machine, base: number | null) =>
  putJson<{ revision: number }>(`/api/drafts/${id}${base === null ? '' : `?base=${base}`}`, document)
export const dropDraft = (id: string) => deleteAt(`/api/drafts/${id}`)
export const publish = (document: Machine) => postJson<DossierRef>('/api/dossiers', document)
