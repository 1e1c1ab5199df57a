import { airflowChange, airflowNet } from '@tidy-badger/core/levels'
import { readFigure } from '@tidy-badger/core/shared'
import { useJob } from '../../jobs/index.ts'
import { useKeptFields } from '../../platform/useKeptFields.ts'
import { NumberField } from '../../ui/NumberField.tsx'

const throttles = [0.1, 0.2, 0.4, 0.6, 0.8, 1] as const
const fields = [
  ['light', 'Light throttle, %', '-4'],
  ['full', 'Full throttle, %', '3'],
  ['closed', 'Sensor holds the mixture up to throttle, %', '70'],
  ['reach', 'It reaches, %', '25'],
] as const

const signed = (value: number, digits = 1) =>
  `${value < 0 ? '−' : value > 0 ? '+' : ''}${Math.abs(value).toFixed(digits)}`

/** What a changed airflow signal comes to: load, fuel, what the closed loop takes back, ignition. */
export function AirflowCard() {
  const { job } = useJob()
  const { typed, put } = useKeptFields(`job/${job.id}/airflow`)
  const figure = (field: (typeof fields)[number][0], otherwise: number) =>
    readFigure(typed[field] ?? '', '%') ?? otherwise
  const curves = { lightPct: figure('light', -4), fullPct: figure('full', 3) }
  return (
    <div className="flex flex-col gap-4">
      <p>
        A smaller signal is less load to the control unit: less fuel, and earlier ignition. Where the oxygen sensor
        holds the mixture it takes the fuel back as far as it reaches; the ignition stays moved. Listen for knock.
      </p>
      <div className="grid gap-3 sm:grid-cols-2">
        {fields.map(([field, label, usual]) => (
          <NumberField
            key={field}
            label={label}
            unit="%"
            className="w-24"
            placeholder={usual}
            text={typed[field] ?? ''}
            onText={(text) => put(field, text)}
          >
            {label}
          </NumberField>
        ))}
      </div>
      <table className="figures w-full">
        <thead>
          <tr>
            {['Throttle', 'Signal and load', 'Fuel at first', 'Taken back', 'Fuel that stays', 'Ignition'].map(
              (name) => (
                <th key={name} className="text-left">
                  {name}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {throttles.map((throttle) => {
            const net = airflowNet({
              ...{ changePct: airflowChange(curves, throttle), throttle },
              ...{ closedUpTo: figure('closed', 70) / 100, reachPct: figure('reach', 25) },
            })
            return (
              <tr key={throttle} className="border-t-2 border-line-soft">
                <th className="text-left">{Math.round(100 * throttle)} %</th>
                <td>{signed(net.loadPct)} %</td>
                <td>{signed(net.fuelPct)} %</td>
                <td>{net.closedLoop ? `${signed(net.takenBackPct)} %` : 'open loop'}</td>
                <td className="font-bold">{signed(net.netFuelPct)} %</td>
                <td>{signed(net.ignitionDeg, 2)}°</td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <p className="text-small text-quiet">Worked out beforehand, by usual tables: a log of trims and knock decides.</p>
    </div>
  )
}
