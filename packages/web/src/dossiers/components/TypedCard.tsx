import type { TypedField as FieldOf } from '@tidy-badger/core/dossier-writing'
import type { Texts } from '@tidy-badger/core/dossier-writing'
import { shownFigures, type Outcome } from '@tidy-badger/core/shared'
import { useState } from 'react'
import { usePreferences } from '../../platform/preferences.ts'
import { TypedCell } from './TypedCell.tsx'
import { Problems } from './TypedTable.tsx'

const columnsOf = { one: '', two: 'gap-x-6 md:grid-cols-2', narrow: 'grid-cols-2 items-end gap-x-3' }

/** Fields one below the other, of a thing there is once; leaving a field keeps it. What does not read stays with its reason. */
export function TypedCard<Document>({
  label,
  fields,
  texts,
  keep,
  suggested,
  columns = 'one',
}: {
  label: string
  fields: readonly FieldOf[]
  /** As it stands. */
  texts: Texts
  /** Puts what was typed into the document. */
  keep: (texts: Texts) => Outcome<Document>
  /** Id of the list suggested for a field. */
  suggested?: (field: FieldOf) => string | undefined
  /** Fields beside each other: `two` where there is room, `narrow` always two. */
  columns?: keyof typeof columnsOf
}) {
  const [hand, setHand] = useState<{ typed: Texts; problems: readonly { path: string; message: string }[] }>({
    ...{ typed: {}, problems: [] },
  })
  const store = (more: Texts = {}) => {
    const typed = { ...hand.typed, ...more }
    if (Object.keys(typed).length === 0) return
    const made = keep(typed)
    setHand(made.ok ? { typed: {}, problems: [] } : { typed, problems: made.problems })
  }
  return (
    <section aria-label={label}>
      <div className={`grid gap-y-2 ${columnsOf[columns]}`}>
        {fields.map((field) => {
          const value = hand.typed[field.name] ?? texts[field.name]
          const suggestion = suggested?.(field)
          return (
            <label
              key={field.name}
              className={`font-semibold ${field.flag ? 'flex min-h-11 flex-row-reverse items-center justify-end gap-3' : 'flex flex-col gap-1'} ${field.lines ? 'col-span-full' : ''}`}
            >
              <span>
                {field.label}
                {field.unit && <span className="font-normal text-quiet">, {field.unit}</span>}
                <InOwnUnits text={value} unit={field.unit} />
              </span>
              <TypedCell
                label={field.unit ? `${field.label}, ${field.unit}` : field.label}
                hint={field.hint ?? ''}
                wide={field.flag ? '!mt-0' : 'w-full font-normal'}
                {...(field.options ? { options: field.options } : {})}
                {...(suggestion ? { suggested: suggestion } : {})}
                {...(field.lines ? { lines: true } : {})}
                value={field.flag ? value === 'yes' : value}
                wrong={hand.problems.some((problem) => problem.path === field.name)}
                onType={(text) => setHand({ ...hand, typed: { ...hand.typed, [field.name]: text } })}
                onPick={(choice) =>
                  store({ [field.name]: typeof choice === 'boolean' ? (choice ? 'yes' : '') : choice })
                }
                onLeave={() => store()}
                onEnter={() => store()}
              />
            </label>
          )
        })}
      </div>
      <Problems of={hand.problems} />
    </section>
  )
}

/** What stands in a field in the units of this device, where they are others. */
function InOwnUnits({ text, unit }: { text: string | undefined; unit: string | undefined }) {
  const imperial = usePreferences(({ figures }) => figures.units !== 'metric')
  const plain = text?.trim() ?? ''
  if (!imperial || unit === undefined || unit === '' || !/^-?\d+([.,]\d+)?$/.test(plain)) return null
  const metric = `${plain.replace(',', '.')} ${unit}`
  const own = shownFigures(metric, usePreferences.getState().figures)
  return own === metric ? null : <span className="figures font-normal text-quiet"> = {own}</span>
}
