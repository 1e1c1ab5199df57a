import { alikeWords, builtWords, type MeterFigure } from '@tidy-badger/core/circuit'
import { connectorLookalikes, type MeterCard } from '@tidy-badger/core/wiring'
import { useJob } from '../../jobs/index.ts'

export const shownFigure = (value: number) => Number(value.toFixed(Math.abs(value) < 10 ? 2 : 1)).toString()
/** More than a hand keeps in mind at once. */
const alikeShown = 3

/** Which plug it is not, and what tells. */
export function NotThatPlug({ card }: { card: MeterCard }) {
  const { dossiers } = useJob()
  const { machine } = dossiers
  const look = card.about.connector === undefined ? undefined : connectorLookalikes(machine, card.about.connector).at(0)
  if (!look) return null
  const other = machine.connectors.find((plug) => plug.id === look.connector)
  return (
    <p className="mt-1 text-lead">
      <strong>Not {other?.name ?? look.connector}.</strong> {look.telling}
    </p>
  )
}

/** What the meter shows as it is joined now, and which wires read the same. */
export function CircuitNotes({ card, figure }: { card: MeterCard; figure: MeterFigure }) {
  const { machine } = useJob().dossiers
  const built = builtWords(card, figure.built, figure.planned)
  const rest = figure.alike.length - alikeShown
  return (
    <>
      {built !== null && <p className="mt-2 border-l-[5px] border-lamp pl-3 text-title font-semibold">{built}</p>}
      {figure.alike.length > 0 && (
        <section className="mt-2">
          <h4 className="text-lead font-bold">
            {figure.alike.length === 1 ? 'One other wire reads' : `${figure.alike.length} other wires read`} the same
          </h4>
          <ul className="text-lead">
            {figure.alike.slice(0, alikeShown).map((wire) => (
              <li key={`${wire.connector} ${wire.cavity}`} className="border-l-[5px] border-line pl-3">
                {alikeWords(machine, card, wire)}
              </li>
            ))}
            {rest > 0 && <li className="pl-4 text-quiet">and {rest} more</li>}
          </ul>
        </section>
      )}
    </>
  )
}
