/** So many wrong codes in a row from one address, each costing twice the wait of the one before; then a long wait. */
export const guessesInARow = 5
/** What an address waits after that, ms. */
export const longWaitMs = 15 * 60_000
/** So many wrong codes from all addresses within an hour close pairing until it is opened on the machine itself. */
export const guessesAnHour = 30
const hourMs = 3_600_000
/** Addresses remembered at most; the oldest are forgotten first. The hourly limit holds for all of them together. */
const mostAddresses = 1000

/**
 * How wrong codes are counted: for each address alone, so that nobody can lock others out, and for all together, so that many
 * addresses guess no better than one.
 */
export function guessLimits(nowMs: () => number) {
  const byAddress = new Map<string, { wrong: number; notBefore: number }>()
  let recent: number[] = []
  let shut = false
  const waitS = (address: string) => Math.max(0, Math.ceil(((byAddress.get(address)?.notBefore ?? 0) - nowMs()) / 1000))
  return {
    /** Seconds until a code from this address is looked at again. */
    waitS,
    closed: () => shut,
    open(): void {
      shut = false
      recent = []
    },
    /** Notes a wrong code. @returns tries left in a row, and the wait before the next, s */
    wrong(address: string): { left: number; waitS: number } {
      recent = [...recent.filter((at) => at > nowMs() - hourMs), nowMs()]
      if (recent.length >= guessesAnHour) shut = true
      const before = byAddress.get(address)?.wrong ?? 0
      const wrong = before >= guessesInARow ? 1 : before + 1
      const wait = wrong >= guessesInARow ? longWaitMs : 1000 * 2 ** (wrong - 1)
      byAddress.delete(address)
      byAddress.set(address, { wrong, notBefore: nowMs() + wait })
      for (const oldest of byAddress.keys()) {
        if (byAddress.size <= mostAddresses) break
        byAddress.delete(oldest)
      }
      return { left: guessesInARow - wrong, waitS: waitS(address) }
    },
  }
}
