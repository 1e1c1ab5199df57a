import type { Texts, TypedField as FieldOf } from '@tidy-badger/core/dossier-writing'
import type { Outcome } from '@tidy-badger/core/shared'
import type { Drafting } from '../draftStore.ts'
import type { TypedField } from './TypedCell.tsx'
import { TypedTable, type TypedTableProps } from './TypedTable.tsx'

type Row = Record<string, string | boolean>

/** A thing of a list with what it is called and how it would be typed. */
export interface FieldItem {
  id: string
  name: string
  texts: Texts
}

/** Room a field takes, by its name; the others are as wide as a word. */
const wides: Record<string, string> = {
  name: 'w-40',
  why: 'w-72',
  says: 'w-72',
  text: 'w-[24rem] max-w-full',
  station: 'w-32',
  means: 'w-44',
  next: 'w-44',
  instead: 'w-60',
  choices: 'w-44',
  wants: 'w-44',
  kind: 'w-24',
  breakOut: 'w-20',
  branch: 'w-20',
  minutes: 'w-24',
  count: 'w-16',
  tag: 'w-16',
  cavity: 'w-16',
  low: 'w-20',
  high: 'w-20',
  unit: 'w-20',
  level: 'w-16',
}

/** A list as core says how it is typed: one row a thing, ticks and choices among the fields. */
export function FieldTable<Document>({
  drafting,
  title,
  says,
  one,
  fields,
  items,
  document,
  empty,
  keep,
  takeOut,
  suggested,
  known,
  picked,
  onPick,
}: {
  drafting: Drafting<Document>
  title: string
  says?: string
  one: string
  fields: readonly FieldOf[]
  items: readonly FieldItem[]
  document: Document
  empty: Texts
  keep: (document: Document, id: string | null, texts: Texts) => Outcome<Document>
  takeOut: (document: Document, id: string) => Document
  suggested?: (field: FieldOf) => string | undefined
  known?: TypedTableProps<Document, FieldItem, Row>['known']
  picked?: string | null
  onPick?: (id: string) => void
}) {
  const shown = (texts: Texts): Row =>
    Object.fromEntries(fields.map(({ name, flag }) => [name, flag ? texts[name] === 'yes' : (texts[name] ?? '')]))
  const typed = (row: Row): Texts =>
    Object.fromEntries(
      Object.entries(row).map(([name, value]) => [name, typeof value === 'boolean' ? (value ? 'yes' : '') : value]),
    )
  const columns = fields.map((field): TypedField<Row> => {
    const suggestion = suggested?.(field)
    return {
      ...{
        field: field.name,
        label: field.label,
        hint: field.hint ?? '',
        wide: field.flag ? '' : (wides[field.name] ?? 'w-28'),
      },
      ...(field.options ? { options: field.options } : {}),
      ...(suggestion ? { suggested: suggestion } : {}),
    }
  })
  return (
    <TypedTable
      drafting={drafting}
      title={title}
      {...(says === undefined ? {} : { says })}
      one={one}
      fields={columns}
      items={items}
      document={document}
      rowOf={(_, item) => shown(item.texts)}
      empty={shown(empty)}
      keep={(now, id, row) => keep(now, id, typed(row))}
      takeOut={takeOut}
      {...(known ? { known } : {})}
      {...(picked === undefined ? {} : { picked })}
      {...(onPick ? { onPick } : {})}
    />
  )
}
