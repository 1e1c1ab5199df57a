/** Settles once the page stands and has nothing better to do: what is wanted later is fetched then, for the time without a link. */
export const afterwards: Promise<void> = new Promise((done) => {
  const rest = () => {
    if ('requestIdleCallback' in window) requestIdleCallback(() => done(), { timeout: 4000 })
    else setTimeout(done, 1000)
  }
  if (document.readyState === 'complete') rest()
  else window.addEventListener('load', rest)
})
