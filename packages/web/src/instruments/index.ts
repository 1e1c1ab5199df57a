export { FromInstrument } from './components/FromInstrument.tsx'
