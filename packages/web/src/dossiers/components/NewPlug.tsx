import { newConnector, type Machine } from '@tidy-badger/core/dossiers'
import { Button } from '../../ui/Button.tsx'
import { ChoiceField, FigureField, TextField } from '../../ui/form/Fields.tsx'
import { figure, words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { changeMachine } from '../draftStore.ts'

const layouts = ['grid', 'staggered', 'round'] as const
const rowsAsked = 'Rows: at least one, at most one for each cavity.'

const plug = z
  .object({
    name: words(80),
    count: figure(
      '',
      'A plug has 1 to 160 cavities.',
      (count) => Number.isInteger(count) && count >= 1 && count <= 160,
    ),
    rows: figure('', rowsAsked, (rows) => Number.isInteger(rows) && rows >= 1),
    layout: z.enum(layouts),
  })
  .check(z.refine(({ count, rows }) => rows <= count, { path: ['rows'], error: rowsAsked }))

/** A plug by name, cavities and rows: its face is there at once. */
export function NewPlug({ machine, onMade }: { machine: Machine; onMade: (id: string) => void }) {
  const fields = useFields(plug, {
    start: { name: '', count: '3', rows: '1', layout: 'grid' },
    onSend: (asked) => {
      const connector = newConnector(machine, asked)
      changeMachine((before) => ({ ...before, connectors: [...before.connectors, connector] }))
      onMade(connector.id)
    },
  })
  return (
    <form onSubmit={fields.submit} className="flex flex-col gap-2 rounded-xl border-2 border-line bg-paper p-3">
      <h2 className="text-lead font-bold">Another plug</h2>
      <TextField of={fields} name="name" label="Name" maxLength={80} hint="Crank sensor plug" />
      <div className="grid grid-cols-2 gap-2">
        <FigureField of={fields} name="count" label="Cavities" unit="" />
        <FigureField of={fields} name="rows" label="Rows" unit="" />
      </div>
      <ChoiceField
        of={fields}
        name="layout"
        label="Face"
        options={[
          ['grid', 'rows and columns'],
          ['staggered', 'staggered rows'],
          ['round', 'round'],
        ]}
      />
      <Button type="submit" disabled={!fields.ready}>
        Add the plug
      </Button>
    </form>
  )
}
