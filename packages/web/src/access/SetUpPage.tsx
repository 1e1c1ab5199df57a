import { Suspense } from 'react'
import { SettingsSheet } from '../setup/index.ts'
import { WorkPage } from './WorkPage.tsx'

export function SetUpPage() {
  return (
    <WorkPage
      station="set-up"
      settings={
        <Suspense fallback={null}>
          <SettingsSheet />
        </Suspense>
      }
    />
  )
}
