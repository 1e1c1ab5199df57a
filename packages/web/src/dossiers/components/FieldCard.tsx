import { textsOf, withTyped, type Documents, type TypedField } from '@tidy-badger/core/dossier-writing'
import { keepMade, type Drafting } from '../draftStore.ts'
import { TypedCard } from './TypedCard.tsx'

/** Fields of the document itself, kept one by one. */
export function FieldCard<K extends keyof Documents>({
  kind,
  drafting,
  document,
  label,
  fields,
  title,
}: {
  kind: K
  drafting: Drafting<Documents[K]>
  document: Documents[K]
  label: string
  fields: readonly TypedField[]
  title?: string
}) {
  return (
    <section>
      {title && <h2 className="mb-2 text-title font-bold">{title}</h2>}
      <TypedCard
        label={label}
        fields={fields}
        columns="two"
        texts={textsOf(document, fields)}
        keep={(texts) => keepMade(drafting, document, (now) => withTyped(kind, now, [], fields, texts))}
      />
    </section>
  )
}
