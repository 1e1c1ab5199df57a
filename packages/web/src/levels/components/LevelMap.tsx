import type { KitMember } from '@tidy-badger/core/dossiers'
import { levelMap, levelName, type LevelCell } from '@tidy-badger/core/levels'
import { readFigure } from '@tidy-badger/core/shared'
import { useState } from 'react'
import { useJob } from '../../jobs/index.ts'
import { NumberField } from '../../ui/NumberField.tsx'

const loads = [0.25, 0.5, 0.75, 1]

/** What a level does over speed and load: power, exhaust, and the limit it is nearest to. */
export function LevelMap({ member, level }: { member: KitMember; level: number }) {
  const { dossiers } = useJob()
  const [height, setHeight] = useState('0')
  const [outside, setOutside] = useState('20')
  const top = dossiers.machine.engine.output?.atRpm ?? dossiers.machine.engine.limiterRpm
  const rpm = [0.4, 0.6, 0.8, 1].map((part) => Math.round((part * top) / 50) * 50)
  const altitudeM = readFigure(height, 'm') ?? 0
  const ambientC = readFigure(outside, '°C') ?? 20
  const asked = { altitudeM: Math.min(6000, Math.max(-400, altitudeM)), ambientC, rpm, load: loads }
  const [stock, here] = [0, level].map((one) => levelMap(dossiers.machine, member.kit, { ...asked, level: one }))
  if (!here?.ok || !stock?.ok)
    return <p className="text-quiet">{here?.ok === false ? (here.problems[0]?.message ?? '') : ''}</p>
  return (
    <details className="border-t-2 border-line-soft pt-2">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline underline-offset-4">
        What {levelName(level)} does, as the model has it
      </summary>
      <p className="mb-2 text-small text-quiet">
        It plans and teaches; on the road readings and limits decide. Exhaust ±{' '}
        {Math.round(here.value[0]?.[0]?.egtSeC ?? 0)} °C.
      </p>
      <div className="mb-2 flex gap-3">
        <NumberField label="Height, m" unit="m" className="w-28" text={height} onText={setHeight}>
          Height, m
        </NumberField>
        <NumberField label="Outside, °C" unit="°C" className="w-28" text={outside} onText={setOutside}>
          Outside, °C
        </NumberField>
      </div>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Map of the level">
        <table className="figures w-full text-small">
          <thead>
            <tr>
              <th className="text-left">Load</th>
              {rpm.map((one) => (
                <th key={one} className="text-left">
                  {one} 1/min
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {[...loads].reverse().map((load, row) => (
              <tr key={load} className="border-t-2 border-line-soft align-top">
                <th className="py-1 text-left">{Math.round(load * 100)} %</th>
                {rpm.map((one, i) => {
                  const j = loads.length - 1 - row
                  const cell = here.value[i]?.[j]
                  return (
                    <td key={one} className="py-1 pr-3">
                      {cell && <Cell cell={cell} stock={stock.value[i]?.[j]} />}
                    </td>
                  )
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </details>
  )
}

/** How near to its limit a margin is called near, in the limit's own unit. */
const near: Record<string, number> = { MPa: 15, kPa: 15, '°C': 60, lambda: 0.12, 'pressure ratio': 0.15, 'N·m': 60 }

function Cell({ cell, stock }: { cell: LevelCell; stock: LevelCell | undefined }) {
  const worst = [...cell.limits].sort((a, b) => a.margin / (near[a.unit] ?? 1) - b.margin / (near[b.unit] ?? 1))[0]
  const over = worst !== undefined && worst.margin < 0
  const close = worst !== undefined && worst.margin < (near[worst.unit] ?? 0)
  const gain = stock ? cell.powerKw - stock.powerKw : 0
  return (
    <div className={`border-l-[5px] pl-2 ${over ? 'border-stop' : close ? 'border-lamp' : 'border-good'}`}>
      <b>{Math.round(cell.powerKw)} kW</b>
      {gain > 0.5 && ` +${gain.toFixed(0)}`}
      <br />
      {Math.round(cell.egtC)} °C
      {worst && close && (
        <>
          <br />
          {worst.what} {over ? 'over' : 'left'} {Math.abs(worst.margin)} {worst.unit}
        </>
      )}
    </div>
  )
}
