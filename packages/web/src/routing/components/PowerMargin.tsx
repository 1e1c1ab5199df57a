import { benchSupply } from '@tidy-badger/core/circuit'
import { idleDays, lastsWords } from '@tidy-badger/core/electrical'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { useLoom } from '../useLoom.ts'

/** What holds for all work on feeds and grounds, and what the module does to a standing battery. */
export function PowerMargin() {
  const { dossiers } = useLoom()
  const { machine, kit } = dossiers
  const idle = idleDays(machine, kit)
  const bench = benchSupply(machine, [kit])
  return (
    <>
      <MarginCard tone="lamp" title="Take care">
        Find a feed with power on, join it with the battery off, prove it with power on. Ground before feed, the fuse in
        last. A spanner on a live post and the frame is a dead short; a charging battery gives off hydrogen.
      </MarginCard>
      <MarginCard tone="quiet" title="Never a feed">
        Brake lamps: live only while braking. Outputs that electronics dim or watch: neither a tap nor a relay coil.
        Anything in a yellow or orange sheath.
      </MarginCard>
      <MarginCard tone={idle.direct !== null && idle.direct < 14 ? 'lamp' : 'data'} title="Standing still">
        <dl className="grid grid-cols-[1fr_auto] gap-x-3">
          <dt>Module on an always live feed</dt>
          <dd className="figures text-right font-semibold">{lastsWords(idle.direct)}</dd>
          <dt>Module off with key or relay</dt>
          <dd className="figures text-right font-semibold">{lastsWords(idle.relay)}</dd>
        </dl>
        <p className="text-quiet">
          Half of {machine.power ? `${machine.power.batteryAh} Ah` : 'the battery'} used: then it may not crank.
        </p>
      </MarginCard>
      {bench && (
        <MarginCard tone="data" title="Bench supply">
          <span className="figures font-semibold">
            {bench.volts[0]}–{bench.volts[1]} V, {bench.sizeA === null ? 'more than 100' : bench.sizeA} A
          </span>
          : pump prime and module together take <span className="figures">{bench.peakA.toFixed(1)} A</span>, a quarter
          to spare.
        </MarginCard>
      )}
    </>
  )
}
