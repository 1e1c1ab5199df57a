import { runApp } from '../e2e/support/runApp.ts'
const app = await runApp({ demo: true })
console.log(app.url)
await new Promise(() => {})
