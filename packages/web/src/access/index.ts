export { CheckKitPage } from './CheckKitPage.tsx'
export { DayButton } from './components/DayButton.tsx'
export { TakeInPage } from './TakeInPage.tsx'
export { WorkPage } from './WorkPage.tsx'
