import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { testApp, type TestApp } from './testApp.ts'

let app: TestApp
beforeAll(async () => {
  app = await testApp()
})
afterAll(() => app.close())

describe('what is wrong at the door', () => {
  test.each([
    ['GET', '/api/nothing', 404],
    ['GET', '/api/jobs/ghost', 404],
    ['GET', '/api/jobs/ghost/journal', 404],
    ['GET', '/api/jobs/ghost/export', 404],
    ['GET', '/api/jobs/ghost/handback.pdf', 404],
    ['GET', '/api/schemas/ghost', 404],
    ['GET', `/api/logs/${'0'.repeat(64)}`, 404],
    ['DELETE', '/api/jobs', 405],
    ['PATCH', '/api/jobs/x/journal', 405],
    ['GET', '/api/fuel-trim/suggest', 405],
    ['GET', '/api/jobs/x/journal?after=-1', 400],
    ['GET', '/api/logs/short', 400],
  ] as const)('%s %s is %i, a bare array of problems without a stack', async (method, url, status) => {
    const response = await app.server.inject({ method, url })
    expect(response.statusCode).toBe(status)
    const problems = JSON.parse(response.body)
    expect(problems[0]).toEqual({
      code: expect.any(String),
      path: expect.any(String),
      message: expect.stringMatching(/\.$/),
    })
    expect(response.body).not.toMatch(/\.ts:\d|\\n\s+at /)
    if (status === 405) expect(response.headers.allow).toBeTruthy()
  })

  test('a body that is no JSON, and one of another kind', async () => {
    const post = (payload: string, type: string) =>
      app.server.inject({ method: 'POST', url: '/api/jobs', payload, headers: { 'content-type': type } })
    expect((await post('{"machine":', 'application/json')).statusCode).toBe(400)
    expect((await post('hello', 'text/plain')).statusCode).toBe(415)
  })
})

test('helmet headers, without what would break plain HTTP', async () => {
  const { headers } = await app.server.inject('/api/health')
  expect(headers['x-content-type-options']).toBe('nosniff')
  expect(headers['content-security-policy']).toContain("worker-src 'self' blob:")
  expect(headers['content-security-policy']).not.toContain('upgrade-insecure-requests')
  expect(headers['strict-transport-security']).toBeUndefined()
})

test('the OpenAPI document names every route', async () => {
  const { openapi, paths } = (await app.server.inject('/api/docs/json')).json()
  expect(openapi).toMatch(/^3\./)
  for (const path of [
    '/api/jobs',
    '/api/jobs/{id}/journal',
    '/api/jobs/import',
    '/api/fuel-trim/suggest',
    '/api/health',
  ])
    expect(Object.keys(paths)).toContain(path)
  expect((await app.server.inject('/api/docs')).statusCode).toBeLessThan(400)
})

test('published JSON Schemas', async () => {
  const names = (await app.server.inject('/api/schemas')).json()
  expect(names).toEqual(expect.arrayContaining(['machine', 'kit', 'entry', 'job']))
  for (const name of names) {
    const schema = (await app.server.inject(`/api/schemas/${name}`)).json()
    expect(schema.$schema).toContain('json-schema.org')
  }
})

test('papers: a PDF, and the trim table as CSV', async () => {
  const { body } = await app.ask('POST', '/api/jobs', {
    machine: { id: 'pellick-gorse-430' },
    kit: { id: 'quernby-p1' },
  })
  const { id } = body as { id: string }
  const pdf = await app.server.inject(`/api/jobs/${id}/handback.pdf`)
  expect(pdf.headers['content-type']).toBe('application/pdf')
  expect(pdf.rawPayload.subarray(0, 5).toString()).toBe('%PDF-')
  expect((await app.server.inject(`/api/jobs/${id}`)).statusCode, 'the paper leaves the job as it was').toBe(200)
  const csv = await app.server.inject(`/api/jobs/${id}/trim.csv`)
  expect(csv.body.split('\n')).toHaveLength(10)
})
