import { stationNames, stations, type Step } from '@tidy-badger/core/dossiers'

/** What is done at each station, with its cautions. */
export function StationSteps({ steps: all }: { steps: readonly Step[] }) {
  return (
    <div className="flex flex-col gap-4">
      {stations.map((station) => {
        const steps = all.filter((step) => step.station === station)
        if (steps.length === 0) return null
        return (
          <section key={station}>
            <h3 className="text-lead font-bold">{stationNames[station]}</h3>
            <ol className="list-decimal pl-6">
              {steps.map((step) => (
                <li key={step.id} className="py-0.5">
                  {step.text}
                  {step.caution && <span className="block border-l-[5px] border-lamp pl-3">{step.caution}</span>}
                </li>
              ))}
            </ol>
          </section>
        )
      })}
    </div>
  )
}
