import { SettingsList } from '../jobs/index.ts'
import { WorkPage } from './WorkPage.tsx'

export function SetUpPage() {
  return (
    <WorkPage station="set-up">
      <SettingsList />
    </WorkPage>
  )
}
