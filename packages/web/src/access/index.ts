export { DayButton } from './components/DayButton.tsx'
export { CheckKitPage, SetUpPage, TakeInPage, WorkPage } from './pages.ts'
