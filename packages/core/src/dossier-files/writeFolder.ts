import type { Dossier, Kit, Machine } from '../dossiers/index.ts'
import { variantFolder, type FolderFiles } from './folder.ts'
import { drawnParts, kitTables, knownTable, machineTables } from './tables.ts'
import { writeTable } from './table.ts'
import { shortened } from './shortForms.ts'
import { writeYaml } from './yamlFile.ts'

const yaml = (value: unknown) => writeYaml(shortened(value))

/** The files of a document; `readFolder` makes the same document of them. Files are in the order a person reads them. */
export function writeFolder(document: Dossier): FolderFiles {
  return document.kind === 'machine' ? machineFiles(document) : kitFiles(document)
}

function machineFiles(machine: Machine): FolderFiles {
  const { steps, variants, body, known, ...rest } = machine
  const lists: Record<string, unknown> = rest
  const { parts, ...size } = body ?? {}
  const tables = Object.entries(machineTables).flatMap(([list, table]) => {
    const items = lists[list]
    return Array.isArray(items) ? [[table.file, writeTable(table, items)] as const] : []
  })
  const once = Object.fromEntries(Object.entries(rest).filter(([name]) => !(name in machineTables)))
  return new Map([
    [
      'machine.yaml',
      yaml({
        ...once,
        ...(body ? { body: size } : {}),
        ...(variants.length > 0 ? { variants: variants.map(({ id }) => id) } : {}),
      }),
    ],
    ...tables,
    ...(parts ? [[drawnParts.file, writeTable(drawnParts, parts)] as const] : []),
    ['steps.yaml', yaml(steps)],
    ...knownFile(known),
    ...variants.map((variant) => [`${variantFolder}${variant.id}.yaml`, yaml(variant)] as const),
  ])
}

function kitFiles(kit: Kit): FolderFiles {
  const { ends, parts, settings, steps, known, ...once } = kit
  return new Map([
    ['kit.yaml', yaml(once)],
    ['loom.yaml', yaml(ends)],
    [kitTables.parts.file, writeTable(kitTables.parts, parts)],
    ['settings.yaml', yaml(settings)],
    ['steps.yaml', yaml(steps)],
    ...knownFile(known),
  ])
}

function knownFile(known: Dossier['known']): [string, string][] {
  return known ? [[knownTable.file, writeTable(knownTable, known)]] : []
}
