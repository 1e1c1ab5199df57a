import {
  kitListBegins,
  kitListFields,
  textsOf,
  withKitRow,
  withoutOne,
  type KitList,
} from '@tidy-badger/core/dossier-writing'
import { knownLists, type Kit } from '@tidy-badger/core/dossiers'
import { FieldTable } from '../components/FieldTable.tsx'
import { kitDrafting } from '../draftStore.ts'

/** A list of the kit, one row a thing. */
export function KitTable({
  kit,
  list,
  title,
  says,
  one,
  picked,
  onPick,
}: {
  kit: Kit
  list: KitList
  title: string
  says?: string
  one: string
  picked?: string | null
  onPick?: (id: string) => void
}) {
  const fields = kitListFields(kit, list)
  const known = knownLists.kit.find((of) => of === list)
  const items: readonly object[] = kit[list] ?? []
  return (
    <FieldTable
      drafting={kitDrafting}
      title={title}
      {...(says === undefined ? {} : { says })}
      one={one}
      fields={fields}
      items={items.map((item, i) => {
        const texts = textsOf(item, fields)
        const name = ['name', 'means', 'method', 'says', 'text', 'column'].flatMap((field) => texts[field] || [])[0]
        return { id: String(i), name: name ?? `${one} ${i + 1}`, texts }
      })}
      document={kit}
      empty={textsOf(kitListBegins[list], fields)}
      keep={(now, id, texts) => withKitRow(now, list, id === null ? null : Number(id), texts)}
      takeOut={(now, id) => {
        const less = withoutOne('kit', now, list, Number(id))
        return less.ok ? less.value : now
      }}
      {...(known ? { known: { of: known, idOf: (at: string) => kit[known]?.[Number(at)]?.id } } : {})}
      {...(picked === undefined ? {} : { picked })}
      {...(onPick ? { onPick } : {})}
    />
  )
}
