import { useEffect } from 'react'
import { usePreferences } from '../../platform/preferences.ts'
import { Button } from '../../ui/Button.tsx'
import { TextField } from '../../ui/form/Fields.tsx'
import { words, z } from '../../ui/form/schema.ts'
import { useFields } from '../../ui/form/useFields.ts'
import { usePersonQuestion } from '../personStore.ts'

const asked = z.object({ name: words(80) })

export function PersonForm() {
  const { answer } = usePersonQuestion()
  const setPerson = usePreferences((state) => state.setPerson)
  const fields = useFields(asked, {
    start: { name: '' },
    onSend: ({ name }) => {
      setPerson(name)
      answer(true)
    },
  })
  const { setFocus } = fields.form
  // The sheet may have stood before its fields were there.
  useEffect(() => setFocus('name'), [setFocus])
  return (
    <form className="flex flex-col gap-4" onSubmit={fields.submit}>
      <TextField of={fields} name="name" label="Name" first autoComplete="name" maxLength={80} />
      <Button look="main" type="submit" disabled={!fields.ready}>
        That is me
      </Button>
    </form>
  )
}
