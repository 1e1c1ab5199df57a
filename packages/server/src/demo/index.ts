export { seedDemo } from './demoJobs.ts'
