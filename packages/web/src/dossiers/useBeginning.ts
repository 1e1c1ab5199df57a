import type { Dossier } from '@tidy-badger/core/dossiers'
import { useNavigate } from 'react-router'
import { v4 as newId } from 'uuid'
import { notice } from '../ui/notices.ts'
import { saveDraft } from './api.ts'

/** Keeps a document as a draft of its own and goes on writing at it. @returns whether it is kept; why not is told */
export function useBeginning(): (document: () => Dossier | Promise<Dossier>) => Promise<boolean> {
  const navigate = useNavigate()
  return async (document) => {
    try {
      const draft = newId()
      await saveDraft(draft, await document(), null)
      await navigate(`/dossiers/draft/${draft}`)
      return true
    } catch (error) {
      notice.bad(error instanceof Error ? error.message : String(error))
      return false
    }
  }
}
