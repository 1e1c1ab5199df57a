export * from './compute.ts'
