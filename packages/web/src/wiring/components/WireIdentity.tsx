import { wireName, type CavityPlace } from '@tidy-badger/core/dossiers'
import { identifyWire, targetWords } from '@tidy-badger/core/wiring'
import { useJob } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { MarginCard } from '../../ui/MarginCard.tsx'
import { selectPlace } from '../store.ts'
import { WireChip } from '../Wire.tsx'
import { PlugFace } from './PlugFace.tsx'

/** "What is this wire?": circuit, every other place of it, what a meter reads, what could be taken for it. */
export function WireIdentity({ place }: { place: CavityPlace }) {
  const { dossiers, state } = useJob()
  const { machine, kit } = dossiers
  const wire = identifyWire(machine, kit, state.connections, place.connector, place.cavity)
  const connector = machine.connectors.find((item) => item.id === place.connector)
  if (!wire || !connector) return null
  return (
    <>
      <div className="flex items-start justify-between gap-2">
        <h3 className="text-title leading-tight font-bold">
          {wire.net.name}
          <span className="mt-1 flex items-center gap-2 font-text text-body font-normal">
            <WireChip colour={wire.wire.colour} /> {wireName(wire.wire.colour)}, {wire.wire.areaMm2} mm²
          </span>
        </h3>
        <Button look="quiet" className="!px-2" onClick={() => selectPlace(null)}>
          Back to the end
        </Button>
      </div>
      <PlugFace
        machine={machine}
        connector={connector}
        mark={place.cavity}
        onPick={(cavity) => selectPlace({ connector: connector.id, cavity })}
      />
      {wire.barred ? (
        <MarginCard tone="stop" title="Not to be probed">
          {wire.barred}
        </MarginCard>
      ) : (
        <MarginCard tone="data" title="A meter reads">
          {wire.readings.length === 0
            ? 'Nothing that tells by itself; follow it to its other end.'
            : wire.readings
                .map(
                  (reading) =>
                    `${reading.state}: ${reading.low} to ${reading.high} ${reading.unit === 'ohm' ? 'Ω' : reading.unit}`,
                )
                .join('; ')}
        </MarginCard>
      )}
      <MarginCard tone="quiet" title={`${connector.name}, cavity ${place.cavity}`}>
        {wire.elsewhere.length > 0 ? `Also at: ${wire.elsewhere.join('; ')}.` : 'Comes to the surface nowhere else.'}
        {wire.ends.length > 0 && (
          <span className="block font-semibold">The module meets it: {wire.ends.join(', ')}.</span>
        )}
      </MarginCard>
      {wire.lookalikes.slice(0, 2).map((look) => (
        <MarginCard key={look.wire.id} tone="lamp" title={`Not the ${wireName(look.wire.colour)}`}>
          {targetWords(machine, look.where)}. {look.telling}
        </MarginCard>
      ))}
    </>
  )
}
