export { HandBackPage } from './HandBackPage.tsx'
