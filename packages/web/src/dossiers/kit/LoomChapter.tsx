import {
  emptyEndRow,
  endFields,
  endRow,
  endRowFields,
  lineFields,
  sortSuggestions,
  textsOf,
  withEnd,
  withEndFields,
  withLine,
  withoutEnd,
  withoutLine,
  type TypedField,
} from '@tidy-badger/core/dossier-writing'
import type { InlinePair, Kit, KitEnd, KitEndId } from '@tidy-badger/core/dossiers'
import { asId } from '@tidy-badger/core/shared'
import { FieldTable } from '../components/FieldTable.tsx'
import { TypedCard } from '../components/TypedCard.tsx'
import { keepMade, kitDrafting } from '../draftStore.ts'
import { LoomTree } from './LoomTree.tsx'

const suggestsSorts = ({ name }: TypedField) => (name === 'wants' ? 'sort-words' : undefined)

/** The loom: drawn, as a list of its ends, and the wires of the pair that is picked. */
export function LoomChapter({
  kit,
  picked,
  onPick,
}: {
  kit: Kit
  picked: string | null
  onPick: (end: KitEndId) => void
}) {
  const end = kit.ends.find((one) => one.id === picked)
  return (
    <div className="flex flex-col gap-6">
      <datalist id="sort-words">
        {sortSuggestions.map((words) => (
          <option key={words} value={words} />
        ))}
      </datalist>
      <div className="max-h-[52vh] overflow-auto" tabIndex={0} role="region" aria-label="The loom">
        <LoomTree kit={kit} picked={picked} onPick={onPick} />
      </div>
      {end?.type === 'inline-pair' && <Lines key={end.id} kit={kit} end={end} />}
      <FieldTable
        drafting={kitDrafting}
        title="Ends"
        says="One row an end. What it is for fills in what such an end usually has; lengths in mm from the module along the trunk, and along the branch."
        one="end"
        fields={endRowFields}
        items={kit.ends.map((one) => ({ id: one.id, name: one.name, texts: endRow(one) }))}
        document={kit}
        empty={emptyEndRow(kit)}
        suggested={suggestsSorts}
        keep={(now, id, texts) => withEnd(now, id === null ? null : asId(id), texts)}
        takeOut={(now, id) => withoutEnd(now, asId(id))}
        known={{ of: 'ends' }}
        picked={picked}
        onPick={(id) => onPick(asId(id))}
      />
    </div>
  )
}

function Lines({ kit, end }: { kit: Kit; end: InlinePair }) {
  return (
    <FieldTable
      drafting={kitDrafting}
      title={`Wires of ${end.name}`}
      says="What the module does with each: the wire passes, is read, or is cut and led through the module."
      one="wire"
      fields={lineFields}
      items={end.lines.map((line, i) => ({
        id: String(i),
        name: `cavity ${line.cavity}`,
        texts: textsOf(line, lineFields),
      }))}
      document={kit}
      empty={textsOf({ cavity: freeCavity(end), does: 'pass', areaMm2: 0.5 }, lineFields)}
      suggested={suggestsSorts}
      keep={(now, id, texts) => withLine(now, end.id, id === null ? null : Number(id), texts)}
      takeOut={(now, id) => withoutLine(now, end.id, Number(id))}
    />
  )
}

/** The first cavity of the pair nothing is said of. */
function freeCavity(end: InlinePair): number | undefined {
  return end.cavities.find((cavity) => !cavity.blank && !end.lines.some((line) => line.cavity === cavity.number))
    ?.number
}

/** The rest of one end, beside the picture. */
export function EndCard({ kit, end }: { kit: Kit; end: KitEnd }) {
  const fields = endFields(kit, end)
  return (
    <section className="rounded-xl border-2 border-ink bg-paper p-4">
      <h2 className="mb-2 text-title font-bold">
        <span className="mr-2 rounded-lg border-2 border-ink px-2 font-head">{end.tag}</span>
        {end.name}
      </h2>
      <TypedCard
        label={`All of ${end.name}`}
        columns="narrow"
        fields={fields}
        texts={textsOf(end, fields)}
        suggested={suggestsSorts}
        keep={(texts) => keepMade(kitDrafting, kit, (now) => withEndFields(now, end.id, texts))}
      />
    </section>
  )
}
