/** Said where devices are paired: what plain HTTP means on a network that others use too. */
export function OpenNetworkNote() {
  if (location.protocol === 'https:') return null
  return (
    <p className="mt-6 max-w-2xl border-l-[5px] border-lamp pl-4">
      The way between devices and this machine is not encrypted: somebody on the same network can read the jobs, photos
      and owners’ names that pass, and use a device’s pairing as their own; pair only on a network that is yours.
    </p>
  )
}
