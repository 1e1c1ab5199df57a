import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { postJson } from '../platform/api/http.ts'
import { usePreferences } from '../platform/preferences.ts'
import { Button } from '../ui/Button.tsx'
import { OpenNetworkNote } from './OpenNetworkNote.tsx'

/** On a device of the network: the code from the machine itself, whose device it is, and a name for it. */
export function PairPage() {
  const navigate = useNavigate()
  const [search] = useSearchParams()
  const client = useQueryClient()
  const setPerson = usePreferences((state) => state.setPerson)
  const [code, setCode] = useState('')
  const [person, setName] = useState(usePreferences.getState().person ?? '')
  const [name, setDevice] = useState('')
  const digits = code.replaceAll(/\s/g, '')
  const pair = useMutation({
    mutationFn: () => postJson('/api/pairing', { code: digits, name: name.trim(), person: person.trim() }),
    onSuccess: async () => {
      setPerson(person.trim(), true)
      await client.invalidateQueries()
      const back = search.get('back') ?? '/'
      await navigate(back.startsWith('/') && !back.startsWith('//') ? back : '/')
    },
  })
  return (
    <main className="mx-auto w-full max-w-md px-4 py-8">
      <h1 className="text-head font-bold">Pair this device</h1>
      <p className="mt-1 text-quiet">The machine in the yard shows six digits, under Devices.</p>
      <form
        className="mt-6 flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          pair.mutate()
        }}
      >
        <label className="flex flex-col">
          Code
          <input
            inputMode="numeric"
            autoComplete="one-time-code"
            maxLength={8}
            className="figures !min-h-16 text-head tracking-widest"
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
        </label>
        <label className="flex flex-col">
          Who works with it
          <input
            maxLength={80}
            autoComplete="name"
            placeholder="your name, as it stands beside what you write down"
            value={person}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label className="flex flex-col">
          What this device is called
          <input
            maxLength={60}
            placeholder="Tank tablet"
            value={name}
            onChange={(event) => setDevice(event.target.value)}
          />
        </label>
        {pair.isError && (
          <p role="alert" className="font-semibold text-stop">
            {pair.error.message}
          </p>
        )}
        <Button
          type="submit"
          look="main"
          className="!min-h-16 !text-title"
          disabled={pair.isPending || name.trim() === '' || person.trim() === '' || digits.length !== 6}
        >
          Pair
        </Button>
      </form>
      <OpenNetworkNote />
    </main>
  )
}
