import { brotliDecompressSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { testApp, type TestApp } from './testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp({ page: true })
})
afterAll(() => app.close())

const get = (url: string, headers: Record<string, string> = {}) => app.server.inject({ url, headers })

describe('the page', () => {
  test('its files are kept for a year, and come compressed to whoever reads that', async () => {
    const plain = await get('/assets/app.js')
    expect(plain.headers).toMatchObject({
      'cache-control': 'public, max-age=31536000, immutable',
      vary: 'accept-encoding',
    })
    expect(plain.headers['content-encoding']).toBeUndefined()
    const small = await get('/assets/app.js', { 'accept-encoding': 'gzip, br' })
    expect(small.headers).toMatchObject({ 'content-encoding': 'br', 'cache-control': plain.headers['cache-control'] })
    expect(brotliDecompressSync(small.rawPayload).toString()).toBe(plain.body)
  })

  test('every file of it is there by its own name, for whoever keeps them for the time without a link', async () => {
    for (const url of ['/index.html', '/assets/app.js']) {
      const file = await get(url, { accept: '*/*' })
      expect(file.statusCode, url).toBe(200)
    }
    expect((await get('/index.html')).headers['cache-control']).toBe('no-cache')
    for (const url of ['/.vite/manifest.json', '/assets/app.js.br', '/assets/none.js', '/assets'])
      expect((await get(url, { accept: '*/*' })).statusCode, url).toBe(404)
  })

  test('itself is asked for anew at every address of the app', async () => {
    for (const url of ['/', '/job/x/hook-up']) {
      const page = await get(url, { accept: 'text/html' })
      expect(page.statusCode, url).toBe(200)
      expect(page.headers['cache-control'], url).toBe('no-cache')
      expect(page.body).toContain('Tidy Badger')
    }
    expect((await get('/api/none', { accept: 'text/html' })).statusCode).toBe(404)
  })

  test('a page of a job says which one before its script has run, to whoever may know', async () => {
    const opened = await app.server.inject({
      url: '/api/jobs',
      method: 'POST',
      payload: {
        ...{ machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } },
        title: 'Hut <7> & "co"',
      },
    })
    const { id } = opened.json()
    const page = await get(`/job/${id}/hook-up`, { accept: 'text/html' })
    expect(page.headers).toMatchObject({ 'cache-control': 'private, no-cache', 'content-type': /text\/html/ })
    expect(page.body).toContain('<b>Hut &lt;7&gt; &amp; &quot;co&quot;</b>')
    expect(page.body).toContain('Pellick Gorse 430 + Quernby P1 · Take in.')
    expect(page.body).toContain('<p>Opening…</p>')
    const stranger = await app.server.inject({
      url: `/job/${id}/hook-up`,
      remoteAddress: '10.0.0.5',
      headers: { accept: 'text/html', host: 'localhost' },
    })
    expect(stranger.statusCode).toBe(200)
    expect(stranger.body).toContain('<p>Opening…</p>')
    expect(stranger.body).not.toMatch(/Hut|Gorse/)
    const none = await get('/job/none/hook-up', { accept: 'text/html' })
    expect(none.body).toContain('<title>Tidy Badger</title><p>Opening…</p>')
  })

  test('the page of the yard says what stands in it, stops first, to whoever may know', async () => {
    for (const { id } of (await get('/api/jobs')).json()) await app.ask('POST', `/api/jobs/${id}/archive`)
    expect((await get('/', { accept: 'text/html' })).body).toContain('<title>Tidy Badger</title><p>Opening…</p>')
    const ids: string[] = []
    for (let i = 0; i < 10; i++) {
      const opened = await app.server.inject({
        url: '/api/jobs',
        method: 'POST',
        payload: {
          ...{ machine: { id: 'pellick-gorse-430' }, kit: { id: 'quernby-p1' } },
          title: `Shed <${i}>`,
        },
      })
      ids.push(opened.json().id)
    }
    const page = await get('/', { accept: 'text/html' })
    expect(page.headers).toMatchObject({ 'cache-control': 'private, no-cache', 'content-type': /text\/html/ })
    // The newest first while nothing is stopped, eight of them, and how many more.
    const shown = [...page.body.matchAll(/<b>Shed &lt;(\d)&gt;<\/b>/g)].map(([, i]) => i)
    expect(shown).toEqual(['9', '8', '7', '6', '5', '4', '3', '2'])
    expect(page.body).toContain('<p>and 2 more</p>')
    expect(page.body).toContain(`href="/job/${ids[9]}"`)
    expect(page.body).toContain('<p>Opening…</p><ul')
    const stranger = await app.server.inject({
      url: '/',
      remoteAddress: '10.0.0.5',
      headers: { accept: 'text/html', host: 'localhost' },
    })
    expect(stranger.statusCode).toBe(200)
    expect(stranger.body).not.toMatch(/Shed|Gorse/)
    expect((await get('/settings', { accept: 'text/html' })).body).not.toMatch(/Shed|Gorse/)
  })

  test('names what it will ask for at once: its scripts and its first data', async () => {
    const links = async (url: string) => (await get(url, { accept: 'text/html' })).headers.link
    expect(await links('/job/x/trim')).toBe(
      '</assets/room.js>; rel=modulepreload; crossorigin; fetchpriority=low, </assets/trim.js>; rel=modulepreload; crossorigin; fetchpriority=low, ' +
        '</api/jobs/x>; rel=preload; as=fetch; crossorigin',
    )
    expect(await links('/job/x')).not.toContain('trim.js')
    expect(await links('/')).toBe('</api/jobs>; rel=preload; as=fetch; crossorigin')
    expect(await links('/settings')).toBeUndefined()
    expect(await links('/job/%3Cx%3E%0d%0aa/trim')).toBeUndefined()
  })

  test('answers are sent small to whoever reads that', async () => {
    const whole = await get('/api/dossiers/machine/pellick-gorse-430')
    const small = await get('/api/dossiers/machine/pellick-gorse-430', { 'accept-encoding': 'br' })
    expect(small.headers['content-encoding']).toBe('br')
    expect(small.rawPayload.length).toBeLessThan(whole.rawPayload.length / 3)
    expect(brotliDecompressSync(small.rawPayload).toString()).toBe(whole.body)
  })
})
