export { BackupPage } from './BackupPage.tsx'
