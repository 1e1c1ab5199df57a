import { knownCount, knownHows, knownSummary, knownText, thingName, type Dossier } from '@tidy-badger/core/dossiers'

/** How the things of a document are known, as far as somebody said; guesses one by one. */
export function HowKnown({ document }: { document: Dossier }) {
  const { counts, unsure } = knownSummary(document)
  const said = knownHows.filter((how) => counts[how] > 0)
  if (said.length === 0) return null
  return (
    <section aria-label="How it is known" className="mt-4">
      <p className="text-quiet">
        Known, where somebody said: {said.map((how) => knownCount(how, counts[how])).join(', ')}.
      </p>
      {unsure.length > 0 && (
        <ul className="mt-1 flex max-h-48 flex-col gap-1 overflow-y-auto" tabIndex={0} aria-label="Guesses">
          {unsure.map((known) => (
            <li key={`${known.of} ${known.id}`} className="border-l-[5px] border-lamp pl-3">
              {thingName(document, known.of, known.id)}: {knownText(known)}
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}
