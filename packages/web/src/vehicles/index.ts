export { VehiclePage } from './VehiclePage.tsx'
export { VehiclesPage } from './VehiclesPage.tsx'
