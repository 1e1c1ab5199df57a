export { backupSettingsSchema, yardService, type BackupSettings, type YardService } from './service.ts'
