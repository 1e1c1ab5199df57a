/** Settles when the browser says that the link is back. */
export function linkBack(): Promise<unknown> {
  return new Promise((again) => window.addEventListener('online', again, { once: true }))
}
