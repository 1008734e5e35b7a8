import { beforeEach, expect, test, vi } from 'vitest'
import { api, signOut, Unreachable } from './client'

const answer = (status: number, body: unknown = {}): Response => new Response(status === 204 ? null : JSON.stringify(body), { status })

beforeEach(() => {
  localStorage.clear()
  document.cookie = 'XSRF-TOKEN=t'
})

test('who signs out without network is signed out at the server before anything else is asked of it', async () => {
  const asked: string[] = []
  let up = false
  vi.stubGlobal('fetch', async (url: string, init: RequestInit) => {
    if (!up) throw new TypeError('no network')
    asked.push(`${init.method} ${url}`)
    return init.method === 'DELETE' ? answer(204) : answer(401, { title: 'Sign in.' })
  })
  await signOut()
  await expect(api.get('/me')).rejects.toThrow(Unreachable)
  up = true
  await expect(api.get('/me')).rejects.toThrow('Sign in.')
  await expect(api.get('/me')).rejects.toThrow('Sign in.')
  expect(asked).toEqual(['DELETE /api/v1/session', 'GET /api/v1/me', 'GET /api/v1/me'])
})

test('a token that has run out is fetched anew, once', async () => {
  const asked: string[] = []
  vi.stubGlobal('fetch', async (url: string, init: RequestInit = {}) => {
    asked.push(url)
    return init.method === 'POST' ? answer(419, { title: 'Too old.' }) : answer(204)
  })
  await expect(api.post('/session')).rejects.toThrow('Too old.')
  expect(asked).toEqual(['/api/v1/session', '/sanctum/csrf-cookie', '/api/v1/session'])
})
