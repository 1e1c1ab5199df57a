import { createHash, randomBytes, randomInt, timingSafeEqual } from 'node:crypto'
import { notFound, Refusal } from '../platform/errors.ts'
import type { Rooms } from '../platform/rooms.ts'
import { deviceRepository } from './repository.ts'

/** A code is shown for so long, ms. */
export const codeLivesMs = 10 * 60_000
/** A device stays let in for so long, ms. */
export const deviceLivesMs = 30 * 24 * 3_600_000
/** So many wrong codes, from all devices together, and the code is void. */
export const mostGuesses = 5

export type PairingService = ReturnType<typeof pairingService>

/** Lets devices of the yard's network in by a code shown on the bench. */
export function pairingService(rooms: Rooms) {
  const repository = deviceRepository(rooms.db)
  let code: { text: string; expiresAt: number; wrong: number } | null = null
  const nowMs = () => Date.parse(rooms.now())
  const live = () => (code && code.expiresAt > nowMs() && code.wrong < mostGuesses ? code : null)
  const hashOf = (token: string) => createHash('sha256').update(token).digest('hex')

  return {
    /** The code on the bench screen; a new one when the old one is used up. */
    showCode(): { code: string; expiresAt: string } {
      code = live() ?? {
        text: String(randomInt(0, 1_000_000)).padStart(6, '0'),
        expiresAt: nowMs() + codeLivesMs,
        wrong: 0,
      }
      return { code: code.text, expiresAt: new Date(code.expiresAt).toISOString() }
    },
    /** Makes the code shown void and shows another. */
    renewCode() {
      code = null
      return this.showCode()
    },
    /** @returns what the device carries from now on; it is shown once and kept only as a hash */
    async pair(guess: string, name: string): Promise<{ token: string; expiresAt: string }> {
      const now = live()
      if (!now)
        throw new Refusal('forbidden', {
          code: 'no-code',
          path: 'code',
          message: 'No code is valid now. Have a new one shown on the bench screen.',
        })
      const given = Buffer.from(guess.padEnd(6).slice(0, 6))
      if (guess.length !== 6 || !timingSafeEqual(given, Buffer.from(now.text))) {
        now.wrong++
        const left = mostGuesses - now.wrong
        throw new Refusal('forbidden', {
          code: 'wrong-code',
          path: 'code',
          message:
            left > 0
              ? `That is not the code on the bench screen. ${left} more ${left === 1 ? 'try' : 'tries'}.`
              : 'That was wrong too often: this code is void. Have a new one shown on the bench screen.',
        })
      }
      code = null
      const token = randomBytes(32).toString('base64url')
      const pairedAt = rooms.now()
      const expiresAt = new Date(nowMs() + deviceLivesMs).toISOString()
      await repository.add({
        id: rooms.newId(),
        name,
        tokenHash: hashOf(token),
        pairedAt,
        expiresAt,
        seenAt: pairedAt,
        revokedAt: null,
      })
      return { token, expiresAt }
    },
    /** Whether what a device carries lets it in now. */
    async admits(token: string | undefined): Promise<boolean> {
      if (!token) return false
      const row = await repository.byToken(hashOf(token))
      if (!row || row.revokedAt !== null || Date.parse(row.expiresAt) <= nowMs()) return false
      if (nowMs() - Date.parse(row.seenAt) > 60_000) await repository.seen(row.id, rooms.now())
      return true
    },
    async devices() {
      const rows = await repository.all()
      return rows.map(({ id, name, pairedAt, expiresAt, seenAt, revokedAt }) => ({
        id,
        name,
        pairedAt,
        expiresAt,
        seenAt,
        state: revokedAt !== null ? 'sent away' : Date.parse(expiresAt) <= nowMs() ? 'run out' : 'let in',
      }))
    },
    async revoke(id: string): Promise<void> {
      if (!(await repository.revoke(id, rooms.now()))) throw notFound('device', id)
    },
  }
}
