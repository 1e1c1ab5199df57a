import { startPlanning } from './index.ts'

startPlanning()
