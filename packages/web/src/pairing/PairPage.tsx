import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useNavigate, useSearchParams } from 'react-router'
import { postJson } from '../platform/api/http.ts'
import { usePreferences } from '../platform/preferences.ts'
import { Button } from '../ui/Button.tsx'
import { TextField } from '../ui/form/Fields.tsx'
import { words, z } from '../ui/form/schema.ts'
import { useFields } from '../ui/form/useFields.ts'
import { OpenNetworkNote } from './OpenNetworkNote.tsx'

const device = z.object({
  code: z.pipe(
    z.string().check(z.regex(/^\s*(\d\s*){6}$/, 'The code has six digits.')),
    z.transform((code: string) => code.replaceAll(/\s/g, '')),
  ),
  person: words(80),
  name: words(60),
})

/** On a device of the network: the code from the machine itself, whose device it is, and a name for it. */
export function PairPage() {
  const navigate = useNavigate()
  const [search] = useSearchParams()
  const client = useQueryClient()
  const setPerson = usePreferences((state) => state.setPerson)
  const pair = useMutation({
    mutationFn: (asked: { code: string; name: string; person: string }) => postJson('/api/pairing', asked),
    onSuccess: async (_answer, { person }) => {
      setPerson(person, true)
      await client.invalidateQueries()
      const back = search.get('back') ?? '/'
      await navigate(back.startsWith('/') && !back.startsWith('//') ? back : '/')
    },
  })
  const fields = useFields(device, {
    start: { code: '', person: usePreferences.getState().person ?? '', name: '' },
    // What was refused stays to be corrected, what was taken is left with the page.
    onSend: (asked) => {
      pair.mutate(asked)
      return false
    },
  })
  return (
    <main className="mx-auto w-full max-w-md px-4 py-8">
      <h1 className="text-head font-bold">Pair this device</h1>
      <p className="mt-1 text-quiet">The machine in the yard shows six digits, under Devices.</p>
      <form className="mt-6 flex flex-col gap-4" onSubmit={fields.submit}>
        <TextField
          of={fields}
          name="code"
          label="Code"
          inputMode="numeric"
          autoComplete="one-time-code"
          maxLength={8}
          inputClass="figures !min-h-16 text-head tracking-widest"
        />
        <TextField
          of={fields}
          name="person"
          label="Who works with it"
          maxLength={80}
          autoComplete="name"
          hint="your name, as it stands beside what you write down"
        />
        <TextField of={fields} name="name" label="What this device is called" maxLength={60} hint="Tank tablet" />
        {pair.isError && (
          <p role="alert" className="font-semibold text-stop">
            {pair.error.message}
          </p>
        )}
        <Button type="submit" look="main" className="!min-h-16 !text-title" disabled={pair.isPending || !fields.ready}>
          Pair
        </Button>
      </form>
      <OpenNetworkNote />
    </main>
  )
}
