export { BenchPage } from './BenchPage.tsx'
export { PairPage } from './PairPage.tsx'
