import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { dayText, momentText, timeText } from '../platform/when.ts'
import { toDataURL } from 'qrcode'
import { useEffect, useState } from 'react'
import { deleteAt, getJson, postJson } from '../platform/api/http.ts'
import { Button } from '../ui/Button.tsx'
import { Failed, Loading } from '../ui/states.tsx'
import { OpenNetworkNote } from './OpenNetworkNote.tsx'

interface Bench {
  open: boolean
  /** Too many wrong codes came: pairing waits to be opened again here. */
  closed: boolean
  addresses: string[]
  code: string | null
  expiresAt: string | null
  devices: {
    id: string
    name: string
    person: string | null
    pairedAt: string
    expiresAt: string
    seenAt: string
    state: 'paired' | 'revoked' | 'expired'
  }[]
}

/** Shown on the machine itself: the code that pairs a device, the address to open there, and what is paired. */
export function BenchPage() {
  const client = useQueryClient()
  const bench = useQuery({
    queryKey: ['bench'],
    queryFn: () => getJson<Bench>('/api/pairing/bench'),
    refetchInterval: 5000,
  })
  const change = useMutation({
    mutationFn: async (work: () => Promise<unknown>) => work(),
    onSuccess: () => client.invalidateQueries({ queryKey: ['bench'] }),
  })
  useEffect(() => {
    document.title = 'Devices · Tidy Badger'
  }, [])
  return (
    <main className="mx-auto w-full max-w-4xl px-4 py-6 lg:px-8">
      <h1 className="mb-4 text-head font-bold">Devices</h1>
      {bench.isPending && <Loading what="Looking what is paired…" />}
      {bench.isError && (
        <Failed what="The devices cannot be shown">
          <p>{bench.error.message}</p>
        </Failed>
      )}
      {bench.data && !bench.data.open && (
        <p className="border-l-[5px] border-data pl-4 text-lead">
          This server answers on this machine only. To reach it from a tablet in the yard, start it with{' '}
          <code className="figures">HOST=0.0.0.0</code>; devices are then paired by a code shown here.
        </p>
      )}
      {bench.data?.open && bench.data.closed && (
        <section className="border-l-[5px] border-stop pl-4">
          <p className="text-lead">
            <b>Pairing is closed:</b> thirty wrong codes came within an hour. If that was nobody of yours, look who is
            on the network before you open it again.
          </p>
          <Button className="mt-3" onClick={() => change.mutate(() => postJson('/api/pairing/bench/code', {}))}>
            Open pairing again
          </Button>
        </section>
      )}
      {bench.data?.open && !bench.data.closed && (
        <section className="flex flex-wrap items-start gap-x-12 gap-y-6">
          <div>
            <p className="text-quiet">Code to type on the device</p>
            <p className="figures text-figure leading-none font-bold tracking-wide" aria-live="polite">
              {bench.data.code?.slice(0, 3)} {bench.data.code?.slice(3)}
            </p>
            <p className="mt-2 text-quiet">
              {bench.data.expiresAt && `Good until ${timeText(new Date(bench.data.expiresAt))}, for one device.`}
            </p>
            <Button className="mt-3" onClick={() => change.mutate(() => postJson('/api/pairing/bench/code', {}))}>
              Another code
            </Button>
          </div>
          <ul className="flex flex-col gap-4">
            {bench.data.addresses.map((address) => (
              <AddressCode key={address} address={address} />
            ))}
          </ul>
        </section>
      )}
      {bench.data?.open && <OpenNetworkNote />}
      {bench.data && (
        <section className="mt-8">
          <h2 className="mb-1 text-title font-bold">Paired</h2>
          {bench.data.devices.length === 0 && <p className="text-quiet">No device yet.</p>}
          <ul className="border-t-2 border-ink">
            {bench.data.devices.map((device) => (
              <li
                key={device.id}
                className="flex flex-wrap items-center justify-between gap-3 border-b-2 border-line-soft py-2"
              >
                <span>
                  <b>{device.name}</b>
                  {device.person !== null && `, ${device.person}`}, {device.state}
                  <span className="block text-quiet">
                    since {dayText(new Date(device.pairedAt))}, last seen {momentText(new Date(device.seenAt))}
                  </span>
                </span>
                {device.state === 'paired' && (
                  <Button
                    look="stop"
                    onClick={() => change.mutate(() => deleteAt(`/api/pairing/bench/devices/${device.id}`))}
                  >
                    Revoke {device.name}
                  </Button>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
    </main>
  )
}

/** The address as a picture a phone reads. */
function AddressCode({ address }: { address: string }) {
  const [picture, setPicture] = useState('')
  useEffect(() => {
    let gone = false
    void toDataURL(`${address}/pair`, { margin: 1, width: 160 }).then((made) => {
      if (!gone) setPicture(made)
    })
    return () => {
      gone = true
    }
  }, [address])
  return (
    <li className="flex items-center gap-4">
      {picture && <img src={picture} alt={`Code that leads to ${address}`} className="size-36 border-2 border-ink" />}
      <span>
        <span className="block text-quiet">or open</span>
        <span className="figures text-lead font-semibold">{address}/pair</span>
      </span>
    </li>
  )
}
