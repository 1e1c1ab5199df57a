import { isJoined } from '@tidy-badger/core/dossiers'
import { sharedFeeds, sharedSignals } from '@tidy-badger/core/electrical'
import { useJob } from '../../jobs/index.ts'
import { VerdictLine } from '../../ui/Verdict.tsx'

/** What the kits of a job share: one relay and fuse, one wire for leads of several, each with its sum. */
export function SharedSupply() {
  const { whole } = useJob()
  if (!whole || !isJoined(whole.dossiers.kit)) return null
  const { machine, kit } = whole.dossiers
  const made = whole.plan.map(({ kitEnd, target }) => ({ kitEnd, to: target }))
  const feeds = sharedFeeds(machine, kit, made, whole.plan)
  const signals = sharedSignals(machine, kit, made)
  if (feeds.length + signals.length === 0) return null
  return (
    <section>
      <h3 className="text-title font-bold">What the kits share</h3>
      {feeds.map(({ name, users, sumA, coil, checks }) => (
        <div key={name} className="mt-2">
          <p>
            <b>{name}</b> feeds {users.map((user) => `the ${user.kit} (${user.currentA} A)`).join(' and ')} too: {sumA}{' '}
            A together.
            {coil && ` ${coil.circuit} gives ${coil.withA} A to one coil instead of ${coil.withoutA} A.`}
          </p>
          <ul className="mt-1 flex flex-col gap-1">
            {checks.map(({ rule, ok, value, limit, unit }) => (
              <VerdictLine key={rule} ok={ok} says={`${rule}: ${value} ${unit}, at most ${limit} ${unit}.`} />
            ))}
          </ul>
        </div>
      ))}
      <ul className="mt-2 flex flex-col gap-2">
        {signals.map(({ connector, cavity, where, circuit, ends, how, why }) => (
          <li key={`${connector} ${cavity}`}>
            <b>
              {circuit}: {how}
            </b>{' '}
            at {where} for {ends.map((end) => `${end.name} of the ${end.kit}`).join(' and ')}. {why}
          </li>
        ))}
      </ul>
    </section>
  )
}
