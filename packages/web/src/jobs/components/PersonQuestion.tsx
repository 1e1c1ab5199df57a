import { useState } from 'react'
import { usePreferences } from '../../platform/preferences.ts'
import { Button } from '../../ui/Button.tsx'
import { Sheet } from '../../ui/Sheet.tsx'
import { usePersonQuestion } from '../personStore.ts'

/** Asked once per device, at the first thing written down. */
export function PersonQuestion() {
  const { open, answer } = usePersonQuestion()
  const setPerson = usePreferences((state) => state.setPerson)
  const [name, setName] = useState('')
  return (
    <Sheet
      open={open}
      onClose={() => answer(false)}
      title="Who is working at this device?"
      hint="The name stands beside everything written down here from now on."
    >
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          if (name.trim() === '') return
          setPerson(name.trim())
          setName('')
          answer(true)
        }}
      >
        <label className="flex flex-col gap-1 font-semibold">
          Name
          <input
            data-first
            autoComplete="name"
            maxLength={80}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <Button look="main" type="submit" disabled={name.trim() === ''}>
          That is me
        </Button>
      </form>
    </Sheet>
  )
}
