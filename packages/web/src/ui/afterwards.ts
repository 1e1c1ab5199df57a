/** How long a page has stood before anything is fetched that it does not show, ms. */
const restMs = 2500

/** Settles once the page has stood for a while and has nothing better to do: what is wanted later, or without a link, is fetched then. */
export const afterwards: Promise<void> = new Promise((done) => {
  const rest = () =>
    setTimeout(() => {
      if ('requestIdleCallback' in window) requestIdleCallback(() => done(), { timeout: 4000 })
      else done()
    }, restMs)
  if (document.readyState === 'complete') rest()
  else window.addEventListener('load', rest)
})
