/** How long a page stands still before anything is fetched that it does not show, ms. */
const stillMs = 5500
/** Some pages never stand still: after so long it is fetched all the same, ms. */
const longestMs = 20_000

/** Settles once nothing was fetched for a while and no work held the screen. */
const stoodStill: Promise<void> = new Promise((done) => {
  const begin = () => {
    const begun = performance.now()
    let watching: PerformanceObserver | null = null
    const end = () => {
      watching?.disconnect()
      done()
    }
    let timer = setTimeout(end, stillMs)
    const again = () => {
      clearTimeout(timer)
      timer = setTimeout(end, Math.max(0, Math.min(stillMs, begun + longestMs - performance.now())))
    }
    // Where the browser does not say what it is busy with, only the time counts.
    const watched = ['longtask', 'resource']
    if (!watched.every((type) => window.PerformanceObserver?.supportedEntryTypes?.includes(type))) return
    watching = new PerformanceObserver(again)
    watching.observe({ entryTypes: watched })
  }
  if (document.readyState === 'complete') begin()
  else window.addEventListener('load', begin)
})

const idle = () =>
  new Promise<void>((done) => {
    if ('requestIdleCallback' in globalThis) requestIdleCallback(() => done(), { timeout: 4000 })
    else done()
  })

/** Settles once the page stands still and has nothing better to do: what is wanted later, or without a link, is fetched then. */
export const afterwards: Promise<void> = stoodStill.then(idle)

let turn: Promise<unknown> = afterwards

/** Fetches something afterwards, when nothing else that is fetched so is on its way: each is read when there is nothing better to do. */
export function fetchAfterwards(fetch: () => Promise<unknown>): void {
  // What fails here is asked for again when it is shown.
  turn = turn
    .then(fetch)
    .catch(() => undefined)
    .then(idle)
}
