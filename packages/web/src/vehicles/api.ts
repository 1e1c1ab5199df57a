import type { DossierRef } from '@tidy-badger/core/dossiers'
import type { VehicleNow } from '@tidy-badger/core/vehicles'
import { getKept } from '../platform/api/kept.ts'
import { patchJson, postJson } from '../platform/api/http.ts'

export interface Owner {
  name: string
  contact?: string
}

export interface VehicleRow {
  id: string
  machine: DossierRef
  machineName: string
  plate: string | null
  frame: string | null
  owner: Owner | null
  jobs: number
  open: number
  title: string | null
  changedAt: string
}

export type Vehicle = Omit<VehicleRow, 'jobs' | 'open' | 'title' | 'changedAt'> &
  VehicleNow & {
    createdAt: string
    /** Machines on file with the same plate. */
    alike: string[]
  }

export interface OnShelf {
  id: string
  kit: DossierRef
  name: string
  fits: string[]
  since: string
  vehicle: string | null
  jobId: string
  missing: string[]
  settings: { setting: string; value: string }[]
}

export const fetchVehicles = (q: string) => getKept<VehicleRow[]>(`/api/vehicles?q=${encodeURIComponent(q)}`)
export const fetchVehicle = (id: string) => getKept<Vehicle>(`/api/vehicles/${encodeURIComponent(id)}`)
export const fetchShelf = () => getKept<OnShelf[]>('/api/shelf')
export const changeVehicle = (id: string, what: { plate?: string | null; owner?: Owner | null }) =>
  patchJson<Vehicle>(`/api/vehicles/${encodeURIComponent(id)}`, what)
export const mergeVehicles = (id: string, vehicle: string) =>
  postJson<Vehicle>(`/api/vehicles/${encodeURIComponent(id)}/merge`, { vehicle })
export const registerVehicle = (body: { machine: { id: string }; plate?: string; owner?: Owner }) =>
  postJson<Vehicle>('/api/vehicles', body)
