import { createHash, randomBytes, randomInt, timingSafeEqual } from 'node:crypto'
import { notFound, refusal } from '../platform/errors.ts'
import type { AppDeps } from '../platform/deps.ts'
import { guessLimits } from './guessLimits.ts'
import { deviceRepository, type DeviceRow } from './repository.ts'

/** A code is shown for so long, ms. */
export const codeLivesMs = 10 * 60_000
/** A device stays paired for so long, ms. */
export const deviceLivesMs = 30 * 24 * 3_600_000

export type PairingService = ReturnType<typeof pairingService>
export type DeviceState = 'paired' | 'revoked' | 'expired'

/**
 * Pairs devices of the yard's network by a code shown on the machine the server runs on.
 * @param onRevoked told which device is out, so that what it holds open is closed
 */
export function pairingService(deps: AppDeps, onRevoked: (device: string) => void = () => undefined) {
  const repository = deviceRepository(deps.db)
  const nowMs = () => Date.parse(deps.now())
  const guesses = guessLimits(nowMs)
  let code: { text: string; expiresAt: number } | null = null
  const live = () => (code && code.expiresAt > nowMs() && !guesses.closed() ? code : null)
  const hashOf = (token: string) => createHash('sha256').update(token).digest('hex')
  const stateOf = (row: DeviceRow): DeviceState =>
    row.revokedAt !== null ? 'revoked' : Date.parse(row.expiresAt) <= nowMs() ? 'expired' : 'paired'

  return {
    /** The code to show, a new one when the old one is used up; none while pairing is closed by too many guesses. */
    showCode(): { code: string | null; expiresAt: string | null; closed: boolean } {
      if (guesses.closed()) return { code: null, expiresAt: null, closed: true }
      code = live() ?? { text: String(randomInt(0, 1_000_000)).padStart(6, '0'), expiresAt: nowMs() + codeLivesMs }
      return { code: code.text, expiresAt: new Date(code.expiresAt).toISOString(), closed: false }
    },
    /** Makes the code shown void and shows another; opens pairing again when guesses had closed it. */
    renewCode() {
      code = null
      guesses.open()
      return this.showCode()
    },
    /**
     * @param from address of the device
     * @returns what the device carries from now on; it is shown once and kept only as a hash
     */
    async pair(
      guess: string,
      device: { name: string; person: string },
      from: string,
    ): Promise<{ token: string; expiresAt: string }> {
      const waitS = guesses.waitS(from)
      if (waitS > 0)
        throw refusal(
          'too-many',
          'too-many',
          `Too many wrong codes from this device. Try again in ${waitS < 90 ? `${waitS} s` : `${Math.ceil(waitS / 60)} min`}.`,
          'code',
        ).again(waitS)
      if (guesses.closed())
        throw refusal(
          'forbidden',
          'pairing-closed',
          'Too many wrong codes came in the last hour, so pairing is closed. Open it again on the machine itself, under Devices.',
          'code',
        )
      const now = live()
      if (!now)
        throw refusal(
          'forbidden',
          'no-code',
          'No code is valid now. Open Devices on the machine itself to have one shown.',
          'code',
        )
      if (!timingSafeEqual(digest(guess), digest(now.text))) {
        const next = guesses.wrong(from)
        throw refusal(
          'forbidden',
          'wrong-code',
          `That is not the code shown under Devices. ${next.left > 0 ? `${next.left} more ${next.left === 1 ? 'try' : 'tries'}; the next after ${next.waitS} s.` : `Wait ${Math.ceil(next.waitS / 60)} minutes before the next try.`}`,
          'code',
        ).again(next.waitS)
      }
      code = null
      const token = randomBytes(32).toString('base64url')
      const pairedAt = deps.now()
      const expiresAt = new Date(nowMs() + deviceLivesMs).toISOString()
      await repository.add({
        id: deps.newId(),
        ...device,
        tokenHash: hashOf(token),
        pairedAt,
        expiresAt,
        seenAt: pairedAt,
        revokedAt: null,
      })
      return { token, expiresAt }
    },
    /** The device that carries this, as long as it is paired. */
    async deviceOf(token: string | undefined): Promise<DeviceRow | null> {
      if (!token) return null
      const row = await repository.byToken(hashOf(token))
      if (!row || stateOf(row) !== 'paired') return null
      if (nowMs() - Date.parse(row.seenAt) > 60_000) await repository.seen(row.id, deps.now())
      return row
    },
    async devices() {
      const rows = await repository.all()
      return rows.map((row) => {
        const { id, name, person, pairedAt, expiresAt, seenAt } = row
        return { id, name, person, pairedAt, expiresAt, seenAt, state: stateOf(row) }
      })
    },
    async revoke(id: string): Promise<void> {
      if (!(await repository.revoke(id, deps.now()))) throw notFound('device', id)
      onRevoked(id)
    },
    /** Devices as they are stored, for a backup, and back from one. */
    stored: () => repository.all(),
    keep: (rows: readonly DeviceRow[]) => repository.keep(rows),
  }
}

function digest(text: string): Buffer {
  return createHash('sha256').update(text).digest()
}
