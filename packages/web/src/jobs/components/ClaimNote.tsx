import type { Kit, MachineId } from '@tidy-badger/core/dossiers'
import { useQuery } from '@tanstack/react-query'
import { getKept } from '../../platform/api/kept.ts'

/** What is claimed of a kit, before its job is opened: once it is in, stock is gone. */
export function ClaimNote({ machine, kit }: { machine: MachineId; kit: string }) {
  const said = useQuery({
    queryKey: ['claim', machine, kit],
    queryFn: async () => {
      const { document } = await getKept<{ document: Kit }>(`/api/dossiers/kit/${kit}`)
      const { claimSaid } = await import('../claimSaid.ts')
      return claimSaid(machine, document)
    },
  }).data
  return said ? <p className="border-l-[5px] border-lamp pl-3 font-semibold">{said}</p> : null
}
