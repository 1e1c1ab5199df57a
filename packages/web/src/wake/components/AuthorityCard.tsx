import { memberOf, ownMembers, type StepId } from '@tidy-badger/core/dossiers'
import { readFigure } from '@tidy-badger/core/shared'
import { fuelChannels, hasAuthority, proofOf, type AuthorityAsked } from '@tidy-badger/core/wake'
import { useState } from 'react'
import { FromInstrument } from '../../instruments/index.ts'
import { useJob } from '../../jobs/index.ts'
import { useKeptFields } from '../../platform/useKeptFields.ts'
import { NumberField } from '../../ui/NumberField.tsx'
import { useProof, type ProofProps } from '../useProof.ts'
import { ProofForm } from './ProofForm.tsx'
import { StandInPractice } from './StandInPractice.tsx'

/** Proof of a kit's hand on the engine. @param step the kit's own step that it answers @param kit by its name in the job */
export function AuthorityCard({
  step,
  kit,
  way,
  onDone,
}: {
  step?: StepId
  kit?: string
  way: 'connection' | 'mute'
  onDone: () => void
}) {
  const { dossiers } = useJob()
  const own = step === undefined ? null : memberOf(dossiers.kit, step)?.member
  const member =
    own ??
    ownMembers(dossiers.kit).find(({ key }) => key === kit) ??
    ownMembers(dossiers.kit).find((item) => hasAuthority(item.kit))
  if (!member) return null
  const Proof = way === 'mute' ? Mute : Connection
  return (
    <div className="flex flex-col gap-4">
      <Proof member={member} step={step} onDone={onDone} />
      <StandInPractice member={member} way={way} />
    </div>
  )
}

const moments = ['idle', 'raised'] as const

/** Its own value and one that does not come from it, at idle and raised. */
function Connection(props: ProofProps) {
  const { member } = props
  const { job } = useJob()
  const { quantity, unit, tolerance, move } = proofOf(member.kit)
  const { typed, put, clear } = useKeptFields(`job/${job.id}/proof/${member.key}`)
  const send = useProof(props)
  const value = (name: string) => readFigure(typed[name] ?? '', unit)
  const samples = moments.flatMap((moment) => {
    const [module, independent] = [value(`${moment}/module`), value(`${moment}/other`)]
    return module === null || independent === null ? [] : [{ module, independent }]
  })
  const asked: AuthorityAsked | null = samples.length === 2 ? { kind: 'connection', samples, tolerance } : null
  const field = (name: string, label: string) => (
    <span className="flex flex-col gap-1">
      <NumberField
        label={label}
        unit={unit}
        className="w-full text-title"
        text={typed[name] ?? ''}
        onText={(text) => put(name, text)}
      >
        {label}
      </NumberField>
      <FromInstrument
        asked={{ quantity: quantity.toLowerCase(), unit }}
        onTake={(figure) => put(name, String(figure))}
      />
    </span>
  )
  return (
    <ProofForm asked={asked} onSend={(read) => void send(read).then((sent) => sent && clear())}>
      <p>
        {quantity} as the {member.kit.module.name} shows it, and as the diagnostic socket or a gauge of its own shows
        it: within {tolerance} {unit} of each other, and moving together. Two figures from one wire prove nothing.
      </p>
      {moments.map((moment) => (
        <fieldset key={moment} className="border-t-2 border-line-soft pt-2">
          <legend className="font-head font-bold">{moment === 'idle' ? 'At idle' : `Then ${move}`}</legend>
          <div className="grid gap-3 sm:grid-cols-2">
            {field(`${moment}/module`, `Module, ${moment}, ${unit}`)}
            {field(`${moment}/other`, `Independent, ${moment}, ${unit}`)}
          </div>
        </fieldset>
      ))}
    </ProofForm>
  )
}

/** One channel muted at a time, and which cylinder answered. */
function Mute(props: ProofProps) {
  const { member } = props
  const { dossiers } = useJob()
  const send = useProof(props)
  const channels = fuelChannels(member.kit, dossiers.machine)
  const [before, setBefore] = useState('')
  const [rows, setRows] = useState<Record<number, { rpm: string; dropped: string }>>({})
  const rpmBefore = readFigure(before)
  const read = channels.flatMap((channel) => {
    const rpmMuted = readFigure(rows[channel]?.rpm ?? '')
    const dropped = rows[channel]?.dropped ?? ''
    return rpmMuted === null
      ? []
      : [
          {
            channel,
            rpmMuted,
            cylinderThatDropped: dropped === '' ? (channels.length === 1 ? channel : null) : Number(dropped),
          },
        ]
  })
  const asked: AuthorityAsked | null =
    rpmBefore !== null && read.length === channels.length ? { kind: 'mute', rpmBefore, channels: read } : null
  const change = (channel: number, part: Partial<{ rpm: string; dropped: string }>) =>
    setRows({ ...rows, [channel]: { rpm: '', dropped: '', ...rows[channel], ...part } })
  const cylinders = Array.from({ length: dossiers.machine.engine.cylinders }, (_item, i) => i + 1)
  return (
    <ProofForm asked={asked} onSend={(given) => void send(given)}>
      <p>
        Fuel of one channel off, never the coil, three seconds at the most, one at a time; read the lowest speed in the
        first second, before the idle control makes up for it. A fan in front. An injector code of this test is this
        job’s own.
      </p>
      <NumberField label="Idle before, 1/min" unit="1/min" className="w-40 text-title" text={before} onText={setBefore}>
        Idle before, 1/min
      </NumberField>
      <div className="grid grid-cols-[auto_1fr_1fr] items-center gap-x-3 gap-y-2">
        {channels.map((channel) => (
          <span key={channel} className="contents">
            <span className="font-semibold">Channel {channel}</span>
            <NumberField
              label={`Channel ${channel} muted`}
              unit="1/min"
              className="w-full"
              text={rows[channel]?.rpm ?? ''}
              onText={(text) => change(channel, { rpm: text })}
            />
            {channels.length > 1 ? (
              <select
                aria-label={`Cylinder that dropped with channel ${channel}`}
                value={rows[channel]?.dropped ?? ''}
                onChange={(event) => change(channel, { dropped: event.target.value })}
              >
                <option value="">none, or not told</option>
                {cylinders.map((cylinder) => (
                  <option key={cylinder} value={cylinder}>
                    cylinder {cylinder}
                  </option>
                ))}
              </select>
            ) : (
              <span />
            )}
          </span>
        ))}
      </div>
    </ProofForm>
  )
}
