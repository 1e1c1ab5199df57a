/** Keeps the whole app for the time without a link. Built by itself to `sw.js`, with the list of what to keep. */
import { clientsClaim, skipWaiting } from 'workbox-core'
import { ExpirationPlugin } from 'workbox-expiration'
import {
  cleanupOutdatedCaches,
  createHandlerBoundToURL,
  precacheAndRoute,
  type PrecacheEntry,
} from 'workbox-precaching'
import { NavigationRoute, registerRoute } from 'workbox-routing'
import { StaleWhileRevalidate } from 'workbox-strategies'

declare const filesOfApp: PrecacheEntry[]

skipWaiting()
clientsClaim()
precacheAndRoute(filesOfApp)
cleanupOutdatedCaches()
registerRoute(new NavigationRoute(createHandlerBoundToURL('/index.html'), { denylist: [/^\/api\//] }))
// A drawing is shown as it was at once, and asked for again; without a link it is there.
registerRoute(
  /\/api\/machines\/[^/]+\/drawing\.svg\?.*version=/,
  new StaleWhileRevalidate({ cacheName: 'drawings', plugins: [new ExpirationPlugin({ maxEntries: 200 })] }),
)
