import {
  askedOf,
  cloneKit,
  kitClasses,
  kitFromClass,
  type KitAsked,
  type KitClass,
} from '@tidy-badger/core/dossier-writing'
import { idFrom, type Kit, type KitId } from '@tidy-badger/core/dossiers'
import { fetchDocument, type DossierRow } from '../../jobs/index.ts'
import { Button } from '../../ui/Button.tsx'
import { ChoiceField, FigureField, TextField } from '../../ui/form/Fields.tsx'
import { figure, mayBeEmpty, words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { useBeginning } from '../useBeginning.ts'

const whole = (low: number, high: number, says: string) =>
  figure('', says, (value) => Number.isInteger(value) && value >= low && value <= high)

const asked = z.object({
  maker: words(80),
  model: words(80),
  from: words(100),
  cylinders: whole(1, 12, 'From 1 to 12 cylinders.'),
  rows: z.enum(['1', '2']),
  coils: z.enum(['yes', 'no']),
  wideband: z.enum(['yes', 'no']),
  sensors: mayBeEmpty(200),
  cavities: whole(2, 160, 'A plug has 2 to 160 cavities.'),
})

const classOf = (from: string): KitClass | undefined => kitClasses.find((name) => from === `class ${name}`)

/** A kit that is not in the box: as those of its class usually are, or as a copy that is varied. */
export function NewKit({ rows, taken }: { rows: DossierRow[]; taken: readonly string[] }) {
  const beginAt = useBeginning()
  const fields = useFields(asked, {
    start: {
      ...{ maker: '', model: '', from: `class ${kitClasses[0]}`, cylinders: '1', rows: '1', coils: 'yes' },
      ...{ wideband: 'no', sensors: '', cavities: '34' },
    },
    onSend: async (typed) => {
      const id = idFrom<KitId>(`${typed.maker} ${typed.model}`, taken)
      return beginAt(() => begin(id, typed))
    },
  })
  const from = fields.form.watch('from')
  const kitClass = classOf(from)
  const wants = (what: keyof KitAsked) => kitClass !== undefined && askedOf[kitClass].includes(what)
  return (
    <form onSubmit={fields.submit} className="flex flex-col gap-3">
      <TextField of={fields} name="maker" label="Maker" maxLength={80} />
      <TextField of={fields} name="model" label="Model" maxLength={80} />
      <ChoiceField
        of={fields}
        name="from"
        label="Start from"
        options={[
          ...kitClasses.map((name) => [`class ${name}`, name === 'something else' ? name : `a usual ${name}`] as const),
          ...rows.map((row) => [row.id, `a copy of ${row.name}`] as const),
        ]}
      />
      {wants('cylinders') && (
        <div className="grid grid-cols-2 gap-2">
          <FigureField of={fields} name="cylinders" label="Cylinders" unit="" />
          <ChoiceField
            of={fields}
            name="rows"
            label="Injector rows"
            options={[
              ['1', 'one'],
              ['2', 'two'],
            ]}
          />
          <ChoiceField of={fields} name="coils" label="Coils too" options={yesNo} />
          <ChoiceField of={fields} name="wideband" label="Wideband" options={yesNo} />
        </div>
      )}
      {wants('sensors') && (
        <TextField
          of={fields}
          name="sensors"
          label="Sensors it sits at"
          hint="rail pressure, boost pressure, crank"
          maxLength={200}
        />
      )}
      {wants('cavities') && <FigureField of={fields} name="cavities" label="Cavities of its plug" unit="" />}
      <Button type="submit" look="main" disabled={!fields.ready || fields.busy}>
        Write it down
      </Button>
    </form>
  )
}

const yesNo = [
  ['yes', 'yes'],
  ['no', 'no'],
] as const

async function begin(id: KitId, typed: z.infer<typeof asked>): Promise<Kit> {
  const { maker, model, from } = typed
  const kitClass = classOf(from)
  if (kitClass)
    return kitFromClass(
      kitClass,
      { id, maker, model },
      {
        cylinders: typed.cylinders,
        rows: typed.rows === '2' ? 2 : 1,
        coils: typed.coils === 'yes',
        wideband: typed.wideband === 'yes',
        sensors: typed.sensors.split(/[,;]/).filter((word) => word.trim() !== ''),
        cavities: typed.cavities,
      },
    )
  const { document } = await fetchDocument('kit', from)
  if (document.kind !== 'kit') throw new Error('That is no kit.')
  return { ...cloneKit(document, id, model), maker }
}
