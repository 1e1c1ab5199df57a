import { composeVariant, joinKits, parseDossier, type Kit, type Machine } from '../dossiers/index.ts'
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

/** Every machine, in every variant, with every kit made for it that has a loom. */
export const fittings: readonly Fitting[] = shippedKits
  .filter(({ ends }) => ends.length > 0)
  .flatMap((kit) =>
    kit.fits.flatMap((id) =>
      [undefined, ...shippedMachine(id).variants.map((variant) => variant.id)].map((variant) => ({
        name: `${kit.id} on ${id}${variant ? `, ${variant}` : ''}`,
        machine: shippedMachine(id, variant),
        kit,
      })),
    ),
  )

/** Kits that go on one machine together, as they come in twos and threes. */
const together: readonly [machine: string, variant: string | undefined, ...kits: string[]][] = [
  ['pellick-skua-960', undefined, 'quernby-learner', 'lowlamp-dial'],
  ['pellick-gorse-430', undefined, 'quernby-p1', 'lowlamp-dial'],
  ['ostrel-kittiwake-640', undefined, 'quernby-p4-eight', 'lowlamp-dial'],
  ['hallam-voss-longhaul-69', undefined, 'thistle-d5', 'wren-selector'],
  ['hallam-voss-longhaul-69', undefined, 'wren-selector', 'wren-bridge'],
  ['hallam-voss-packhorse-62', undefined, 'thistle-d5', 'wren-selector'],
  ['corvane-tiller-14', undefined, 'thistle-b2', 'wren-pedal'],
  ['hallam-voss-wainwright-56', undefined, 'wren-pedal', 'thistle-v3'],
]

export const togetherFittings: readonly Fitting[] = together.map(([id, variant, ...kits]) => ({
  name: `${kits.join(' + ')} on ${id}`,
  machine: shippedMachine(id, variant),
  kit: joinKits(kits.map(shippedKit)),
}))
