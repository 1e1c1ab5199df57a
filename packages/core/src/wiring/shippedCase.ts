import { composeVariant, parseDossier, type Kit, type Machine } from '../dossiers/index.ts'
import { shippedDossiers } from '../dossiers/shipped/index.ts'

const documents = shippedDossiers.map((document) => {
  const parsed = parseDossier(document)
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems))
  return parsed.value
})

export const shippedKits = documents.filter((document): document is Kit => document.kind === 'kit')
export const shippedMachines = documents.filter((document): document is Machine => document.kind === 'machine')

/** A shipped machine as one of its variants. */
export function shippedMachine(id: string, variant?: string): Machine {
  const machine = shippedMachines.find((item) => item.id === id)
  if (!machine) throw new Error(`no machine "${id}" ships`)
  const composed = composeVariant(machine, variant)
  if (!composed.ok) throw new Error(composed.problems[0].message)
  return composed.value
}

export function shippedKit(id: string): Kit {
  const kit = shippedKits.find((item) => item.id === id)
  if (!kit) throw new Error(`no kit "${id}" ships`)
  return kit
}

export interface Fitting {
  name: string
  machine: Machine
  kit: Kit
}

/** Every machine, in every variant, with every kit made for it. */
export const fittings: readonly Fitting[] = shippedKits.flatMap((kit) =>
  kit.fits.flatMap((id) =>
    [undefined, ...shippedMachine(id).variants.map((variant) => variant.id)].map((variant) => ({
      name: `${kit.id} on ${id}${variant ? `, ${variant}` : ''}`,
      machine: shippedMachine(id, variant),
      kit,
    })),
  ),
)
