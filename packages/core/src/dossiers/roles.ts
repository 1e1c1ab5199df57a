import type { Connector, DeviceRole, Machine, Stud, StudRole } from './model.ts'

/** What documents without roles say by their names alone; the first that fits. */
const byName: readonly [RegExp, DeviceRole][] = [
  [/diagnostic/i, 'diagnostic socket'],
  [/bus end|terminat/i, 'bus end'],
  [/fuse/i, 'fuse box'],
  [/relay/i, 'relay'],
  [/regulator/i, 'regulator'],
  [/\bcoil\b/i, 'device'],
  [/ignition|key switch/i, 'ignition switch'],
  [/switch/i, 'switch'],
  [/instrument|dash|display|monitor/i, 'instrument'],
  [/\bunit\b|(?<!throttle )body/i, 'unit'],
  [/socket/i, 'accessory socket'],
]

/** What a plug sits on: as the document states it, else as its device is called. */
export function deviceRole({ role, device, name }: Pick<Connector, 'role' | 'device' | 'name'>): DeviceRole {
  return role ?? byName.find(([pattern]) => pattern.test(device))?.[1] ?? (/bus end/i.test(name) ? 'bus end' : 'device')
}

const handing: readonly DeviceRole[] = ['fuse box', 'relay', 'ignition switch', 'switch', 'regulator']
const looking: readonly DeviceRole[] = ['fuse box', 'instrument', 'unit', 'diagnostic socket']

/** Hands on what it is fed with, as the key or a relay says. */
export function handsOn(connector: Connector): boolean {
  return handing.includes(deviceRole(connector))
}

/** Only looks at a signal and gives none. */
export function looksOn(connector: Connector): boolean {
  return looking.includes(deviceRole(connector))
}

/** What a stud is there for: as stated, else by its circuit and what it is called; `ground` for any other ground. */
export function studRole(machine: Pick<Machine, 'nets' | 'batteries'>, stud: Stud): StudRole {
  if (stud.role) return stud.role
  const live = machine.nets.find(({ id }) => id === stud.net)?.signal === 'supply-always'
  if (live) return /starter/i.test(stud.name) ? 'starter' : /battery/i.test(stud.name) ? 'battery positive' : 'live'
  if (machine.batteries?.includes(stud.id) || /battery/i.test(stud.name)) return 'battery negative'
  return /engine|strap/i.test(stud.name) ? 'engine ground' : 'ground'
}
