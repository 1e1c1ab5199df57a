// Prints, for every fitting, the order of its steps with what they need and give, whether it holds, and how long the day takes.
import { walkSteps } from '@tidy-badger/core/dossiers'
import { daySpread, jobDay, jobSteps, replay, stationWork } from '@tidy-badger/core/jobs'
import { stations } from '@tidy-badger/core/dossiers'
import { startPlanning } from '@tidy-badger/core/planning'
import { fittings } from '../packages/core/src/wiring/shippedCase.ts'

startPlanning()

const short = process.argv.includes('--days')
let broken = 0
for (const { name, machine, kit } of fittings) {
  const dossiers = { machine, kit }
  const state = replay(dossiers, [])
  const breaks = walkSteps(jobSteps(dossiers, state))
  broken += breaks.length
  const { whole } = daySpread(jobDay(dossiers, state))
  const hours = (minutes: number) => `${Math.floor(minutes / 60)}:${String(Math.round(minutes % 60)).padStart(2, '0')}`
  console.log(
    `${name}: day ${hours(whole.p50)} likely, ${hours(whole.p90)} nine in ten (${(whole.p90 / whole.p50).toFixed(2)}); ${breaks.length === 0 ? 'order holds' : breaks.join('; ')}`,
  )
  if (short) continue
  for (const station of stations) {
    const items = stationWork(dossiers, state, station).map((item) => {
      if (item.kind === 'cover-off') return `-${item.removal.cover.id}`
      if (item.kind === 'cover-on') return `+${item.closing.cover.id}`
      if (item.kind === 'own') return item.spoken.words
      const { id, power, engine, fuel, needs } = item.step
      const marks = [
        power && `battery ${power}`,
        engine && (engine === 'runs' ? 'engine runs' : 'engine off'),
        fuel && 'fuel down',
        needs?.unstarted && 'before the start',
      ].filter(Boolean)
      return marks.length > 0 ? `${id} [${marks.join(', ')}]` : id
    })
    if (items.length > 0) console.log(`  ${station}: ${items.join(' · ')}`)
  }
}
console.log(`${fittings.length} fittings, ${broken} steps without what they need`)
