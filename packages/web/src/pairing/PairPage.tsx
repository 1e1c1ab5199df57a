import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { postJson } from '../platform/api/http.ts'
import { Button } from '../ui/Button.tsx'

/** On a device of the network: the code from the bench, and a name for the device. */
export function PairPage() {
  const navigate = useNavigate()
  const client = useQueryClient()
  const [code, setCode] = useState('')
  const [name, setName] = useState('')
  const pair = useMutation({
    mutationFn: () => postJson('/api/pairing', { code: code.replaceAll(/\s/g, ''), name: name.trim() }),
    onSuccess: async () => {
      await client.invalidateQueries()
      await navigate('/')
    },
  })
  return (
    <main className="mx-auto w-full max-w-md px-4 py-8">
      <h1 className="text-3xl font-bold">Let this device in</h1>
      <p className="mt-1 text-quiet">The bench screen shows six digits, under Devices.</p>
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
            className="figures !min-h-16 text-[34px] tracking-widest"
            value={code}
            onChange={(event) => setCode(event.target.value)}
          />
        </label>
        <label className="flex flex-col">
          What this device is called
          <input
            maxLength={60}
            placeholder="Tank tablet"
            value={name}
            onChange={(event) => setName(event.target.value)}
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
          className="!min-h-16 !text-[19px]"
          disabled={pair.isPending || name.trim() === '' || code.replaceAll(/\s/g, '').length !== 6}
        >
          Let it in
        </Button>
      </form>
    </main>
  )
}
