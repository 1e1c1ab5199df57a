import type { KitMember } from '@tidy-badger/core/dossiers'
import { judgeAuthority, proofOf, standIn, standInProof, standInWays, type StandInWay } from '@tidy-badger/core/wake'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { Rhythm } from './Rhythm.tsx'
import { VerdictOf } from './ProofForm.tsx'

const wayWords: Record<StandInWay, string> = {
  right: 'as it should be',
  bypassed: 'past the module',
  crossed: 'two channels crossed',
  sensor: 'a sensor off',
  dead: 'no supply',
  asleep: 'cold, never revved',
}

/** Module and diagnostic socket played, so that a verdict was seen once before it counts. Nothing of it is written down. */
export function StandInPractice({ member, way: proof }: { member: KitMember; way: 'connection' | 'mute' }) {
  const { dossiers } = useJob()
  const [way, setWay] = useState<StandInWay>('bypassed')
  const [seed, setSeed] = useState(1)
  const played = standIn(dossiers.machine, member.kit, { way, seed })
  const { tolerance, quantity, unit } = proofOf(member.kit)
  const samples = standInProof(played)
  const lamp = member.kit.lamps?.find(({ rightAt }) => rightAt?.includes('running'))
  const asked = (proof === 'mute' ? played.mute : null) ?? ({ kind: 'connection', samples, tolerance } as const)
  return (
    <details className="border-t-2 border-line-soft pt-2">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4">
        Practise on the stand-in
      </summary>
      <div className="flex flex-col gap-3">
        <div className="flex flex-wrap items-end gap-3">
          <label className="flex flex-col gap-1 font-semibold">
            It plays
            <select className="font-normal" value={way} onChange={(event) => setWay(asWay(event.target.value))}>
              {standInWays.map((one) => (
                <option key={one} value={one}>
                  {wayWords[one]}
                </option>
              ))}
            </select>
          </label>
          <Button onClick={() => setSeed(seed + 1)}>Once more</Button>
        </div>
        {asked.kind === 'mute' ? (
          <ul className="figures">
            {asked.channels.map(({ channel, rpmMuted, cylinderThatDropped }) => (
              <li key={channel}>
                channel {channel}: {asked.rpmBefore} to {rpmMuted} 1/min,{' '}
                {cylinderThatDropped === null ? 'none drops' : `cylinder ${cylinderThatDropped} drops`}
              </li>
            ))}
          </ul>
        ) : (
          <ul className="figures">
            {samples.map(({ module, independent }, i) => (
              <li key={i}>
                {i === 0 ? 'idle' : 'revved'}: {quantity.toLowerCase()} {module} {unit} in the module, {independent} at
                the socket
              </li>
            ))}
          </ul>
        )}
        {lamp && (
          <p className="flex items-center gap-3">
            <Rhythm lamp={way === 'dead' ? { state: 'dark', rhythmMs: [] } : lamp} /> its lamp
          </p>
        )}
        <VerdictOf judged={judgeAuthority(asked)} name="Of the stand-in" />
        <p className="text-small text-quiet">Played, not read off this machine: nothing is written down.</p>
      </div>
    </details>
  )
}

const asWay = (text: string): StandInWay => standInWays.find((one) => one === text) ?? 'right'
