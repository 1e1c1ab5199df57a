import { useEffect } from 'react'
import { toast, Toaster } from 'sonner'
import { boardStands } from './notices.ts'

export function Board() {
  useEffect(() => boardStands(toast), [])
  return (
    <Toaster position="top-center" toastOptions={{ className: '!text-body !font-text !rounded-lg', duration: 7000 }} />
  )
}
