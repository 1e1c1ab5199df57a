import type { Erratum } from '@tidy-badger/core/wiring'
import { postJson } from '../platform/api/http.ts'

export const postErratum = (erratum: Omit<Erratum, 'at'>) => postJson<Erratum>('/api/errata', erratum)
