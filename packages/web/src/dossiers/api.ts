import type { Dossier, DossierRef } from '@tidy-badger/core/dossiers'
import type { Fit, LibraryFind, Usual, PlugInHand, PlugLike } from '@tidy-badger/core/library'
import { deleteAt, getJson, postFile, postJson, putJson } from '../platform/api/http.ts'
import { getKept } from '../platform/api/kept.ts'

export interface DraftRow {
  id: string
  savedAt: string
  savedBy: string | null
  revision: number
  name: string
  /** Which dossier it is of. */
  of?: { kind: 'machine' | 'kit'; id: string } | null
}

export const fetchDrafts = () => getKept<DraftRow[]>('/api/drafts')
export const fetchDraft = (id: string) => getJson<{ document: Dossier; revision: number }>(`/api/drafts/${id}`)
/** @param base revision the draft was read in; null for a new one */
export const saveDraft = (id: string, document: Dossier, base: number | null) =>
  putJson<{ revision: number }>(`/api/drafts/${id}${base === null ? '' : `?base=${base}`}`, document)
export const dropDraft = (id: string) => deleteAt(`/api/drafts/${id}`)
/** Everything that answers a query, kept for when the link is down. */
export const searchLibrary = (query: string) =>
  getKept<LibraryFind[]>(`/api/library/search?q=${encodeURIComponent(query)}`)
export type PlugAsked = Partial<PlugInHand> & Pick<PlugInHand, 'cavities'>
export const fetchPlugsLike = (plug: PlugAsked) => {
  const asked = Object.entries(plug).flatMap(([name, value]) => (value === undefined ? [] : [[name, String(value)]]))
  return getKept<PlugLike[]>(`/api/library/plugs?${new URLSearchParams(asked).toString()}`)
}
/** A kit on a machine, or a machine for a kit. */
export type FitRow = Fit & Pick<LibraryFind, 'kind' | 'id' | 'version' | 'name'>
export const fetchFits = ({ kind, id }: Pick<Dossier, 'kind' | 'id'>) =>
  getKept<FitRow[]>(`/api/library/fits?${kind}=${encodeURIComponent(id)}`)

/** A zipped folder that was read, beside what is published. */
export interface BroughtFolder {
  document: Dossier
  /** The version it would be published as; null where it is published already. */
  next: number | null
  /** The version that says the same, or the newest it is compared with. */
  beside: number | null
  changes: string[]
}

/** Has a zipped folder read; nothing is kept of it. */
export const bringFolder = (zip: Blob) => postFile<BroughtFolder>('/api/dossiers/folder', zip, 'application/zip')
/** Where a version is fetched as a zipped folder. */
export const folderAddress = ({ kind, id, version }: Pick<Dossier, 'kind' | 'id' | 'version'>) =>
  `/api/dossiers/${kind}/${encodeURIComponent(id)}/folder.zip?version=${version}`
export const publish = (document: Dossier) => postJson<DossierRef>('/api/dossiers', document)

/** Steps of a machine, or parts of a kit, that dossiers of its class share and the draft has not. */
export const fetchUsual = <Thing>(draft: string) => getJson<Usual<Thing>[]>(`/api/library/usual/${draft}`)
