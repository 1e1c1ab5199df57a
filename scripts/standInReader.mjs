// A reader on the bench: sends lines of figures to a job, five a second, as an instrument of the yard would. Made up from a seed.
// npm run reader -- [ADDRESS] [JOB] [WAY]: with a way (right, bypassed, crossed, sensor, dead, asleep) the kit of the job is played as well.
import WebSocket from 'ws'

const [address = 'http://127.0.0.1:4310', asked, way] = process.argv.slice(2)
const job = asked ?? (await (await fetch(`${address}/api/jobs`)).json())[0]?.id
if (!job) {
  console.error('There is no job to read for.')
  process.exit(1)
}
const socket = new WebSocket(
  `${address.replace(/^http/, 'ws')}/api/jobs/${encodeURIComponent(job)}/figures?as=instrument`,
)
const played = way ? await playedKit() : null
let seed = 7
const noise = () => ((seed = (seed * 16807) % 2147483647) / 2147483647 - 0.5) * 2
const around = (middle, width) => Math.round((middle + noise() * width) * 100) / 100
let t = 0

/** What module, wideband and diagnostic socket of the job's first kit say. */
async function playedKit() {
  const { machine, kits } = await (await fetch(`${address}/api/jobs/${encodeURIComponent(job)}`)).json()
  const answer = await fetch(`${address}/api/wake/stand-in`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ machine, kit: kits[0], way, seed: 7 }),
  })
  if (answer.ok) return answer.json()
  console.error((await answer.json())[0]?.message ?? `The yard answered ${answer.status}.`)
  process.exit(1)
}
socket.on('open', () => {
  console.log(`Sending to job ${job}. Ctrl+C ends it.`)
  const beat = setInterval(() => {
    t = Math.round((t + 0.2) * 10) / 10
    const line = {
      t,
      RPM: around(950, 12),
      Supply: around(14.1, 0.03),
      Coolant: around(84, 0.4),
      Probe: around(0.62, 0.01),
    }
    if (played) {
      const { lines, quantity } = played
      const now = lines[Math.floor(t / 0.25) % lines.length]
      Object.assign(line, { RPM: now.rpm, Module: now.module, AFR: now.afr, [quantity.split(' ')[0]]: now.socket })
    }
    socket.send(JSON.stringify(line))
  }, 200)
  socket.on('close', () => clearInterval(beat))
})
socket.on('close', (code, why) => console.log(`Ended: ${code} ${why}`))
socket.on('error', (error) => {
  console.error(`No link to ${address}: ${error.message}`)
  process.exit(1)
})
