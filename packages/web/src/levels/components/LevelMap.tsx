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
      <MapPicture member={member} level={level} altitudeM={asked.altitudeM} ambientC={ambientC} top={top} />
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

const shownFigure = (value: number) => (value < 10 ? value.toFixed(1) : String(Math.round(value)))

const columns = 14
const rows = 10

/** The whole map in one picture: darker where it is near to a limit, hatched over it, with the limit's name where it begins. */
function MapPicture({
  member,
  level,
  altitudeM,
  ambientC,
  top,
}: {
  member: KitMember
  level: number
  altitudeM: number
  ambientC: number
  top: number
}) {
  const { dossiers } = useJob()
  const rpm = Array.from({ length: columns }, (_item, i) => Math.round(top * (0.3 + (0.7 * i) / (columns - 1))))
  const load = Array.from({ length: rows }, (_item, i) => (i + 1) / rows)
  const map = levelMap(dossiers.machine, member.kit, { rpm, load, altitudeM, ambientC, level })
  if (!map.ok) return null
  const [wide, high] = [40, 20]
  const standing = map.value.map((column) => column.map(nearest))
  const named = new Set<string>()
  return (
    <figure className="mb-3">
      <svg
        role="img"
        aria-label={`Map of ${levelName(level)}: ${[...new Set(standing.flat().flatMap(({ what, tone }) => (tone === 'clear' ? [] : [`${what} ${tone}`])))].join(', ') || 'clear of every limit'}`}
        viewBox={`-44 -4 ${columns * wide + 50} ${rows * high + 34}`}
        className="w-full"
      >
        <defs>
          <pattern id="map-over" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="6" height="6" className="fill-stop/25" />
            <path d="M0 0V6" className="stroke-stop" strokeWidth="3" />
          </pattern>
        </defs>
        {standing.map((column, i) =>
          column.map(({ tone }, j) => (
            <rect
              key={`${rpm[i]} ${load[j]}`}
              x={i * wide}
              y={(rows - 1 - j) * high}
              width={wide - 1}
              height={high - 1}
              {...(tone === 'over' ? { fill: 'url(#map-over)' } : {})}
              className={tone === 'over' ? '' : tone === 'near' ? 'fill-lamp' : 'fill-line-soft'}
            />
          )),
        )}
        {standing.map((column, i) =>
          column.map(({ what, tone }, j) => {
            if (tone === 'clear' || named.has(what)) return null
            named.add(what)
            return (
              <text
                key={what}
                x={Math.min(i * wide + 4, columns * wide - 7 * what.length)}
                y={(rows - 1 - j) * high + 15}
                className="fill-ink font-semibold"
                fontSize="13"
              >
                {what}
              </text>
            )
          }),
        )}
        {[0, 4, 8, 13].map((i) => (
          <text
            key={i}
            x={i * wide + wide / 2}
            y={rows * high + 14}
            textAnchor="middle"
            fontSize="12"
            className="fill-quiet"
          >
            {rpm[i]}
          </text>
        ))}
        {[0, 4, 9].map((j) => (
          <text key={j} x={-6} y={(rows - 1 - j) * high + 14} textAnchor="end" fontSize="12" className="fill-quiet">
            {Math.round((load[j] ?? 0) * 100)} %
          </text>
        ))}
        <text x={columns * wide} y={rows * high + 28} textAnchor="end" fontSize="12" className="fill-quiet">
          1/min
        </text>
      </svg>
      <figcaption className="text-small text-quiet">
        Load over engine speed. Plain: clear of every limit; filled: near to one, named where it begins; hatched: over
        it.
      </figcaption>
    </figure>
  )
}

/** The limit a cell is nearest to, and how near. */
function nearest({ limits }: LevelCell): { what: string; tone: 'clear' | 'near' | 'over' } {
  const [worst] = [...limits].sort((a, b) => a.margin / (near[a.unit] ?? 1) - b.margin / (near[b.unit] ?? 1))
  if (!worst) return { what: '', tone: 'clear' }
  return {
    what: worst.what,
    tone: worst.margin < 0 ? 'over' : worst.margin < (near[worst.unit] ?? 0) ? 'near' : 'clear',
  }
}

/** How near to its limit a margin is called near, in the limit's own unit. */
const near: Record<string, number> = { MPa: 15, kPa: 15, '°C': 60, lambda: 0.12, 'pressure ratio': 0.15, N·m: 60 }

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
          {worst.what} {over ? 'over' : 'left'} {shownFigure(Math.abs(worst.margin))} {worst.unit}
        </>
      )}
    </div>
  )
}
