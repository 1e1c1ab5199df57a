import { faceFields, textsOf, withTyped } from '@tidy-badger/core/dossier-writing'
import {
  colourNames,
  deviceRole,
  deviceRoles,
  keys,
  lockKinds,
  outlines,
  wiresOfConnector,
  withPinout,
  type Connector,
  type Machine,
} from '@tidy-badger/core/dossiers'
import { Button } from '../../ui/Button.tsx'
import { TypedCard } from './TypedCard.tsx'
import { KnownOfAll, KnownPick } from './KnownPick.tsx'
import { changeMachine, keepMade, machineDrafting } from '../draftStore.ts'
import { counted } from '../words.ts'

/** Shell, key, lock and place of the plug in hand. */
export function PlugDetails({
  machine,
  connector,
  onGone,
}: {
  machine: Machine
  connector: Connector
  onGone: () => void
}) {
  const change = (next: Partial<Connector>) =>
    changeMachine((before) => ({
      ...before,
      connectors: before.connectors.map((item) => (item.id === connector.id ? { ...item, ...next } : item)),
    }))
  const shell = (next: Partial<Connector['shell']>) => change({ shell: { ...connector.shell, ...next } })
  return (
    <section className="grid grid-cols-2 gap-2">
      <Pick label="Shell" value={connector.shell.colour} list={colourNames} onPick={(colour) => shell({ colour })} />
      <Pick label="Outline" value={connector.shell.outline} list={outlines} onPick={(outline) => shell({ outline })} />
      <Pick label="Key" value={connector.shell.key} list={keys} onPick={(key) => shell({ key })} />
      <Pick
        label="Lock"
        value={connector.lock.kind}
        list={lockKinds}
        onPick={(kind) => change({ lock: { ...connector.lock, kind } })}
      />
      {!connector.ecu && (
        <Pick label="Sits on" value={deviceRole(connector)} list={deviceRoles} onPick={(role) => change({ role })} />
      )}
      <Tick
        label="Ends the bus"
        checked={connector.endsBus === true}
        onTick={(on) => change({ endsBus: on || undefined })}
      />
      <label className="col-span-2 flex flex-col text-small font-semibold">
        Where a hand finds it
        <input
          value={connector.place}
          maxLength={200}
          onChange={(event) => event.target.value !== '' && change({ place: event.target.value })}
        />
      </label>
      <label className="col-span-2 flex flex-col text-small font-semibold">
        Which way up, where it nearly goes on wrong
        <input
          value={connector.up ?? ''}
          maxLength={200}
          placeholder="tab to the wing"
          onChange={(event) => change({ up: event.target.value || undefined })}
        />
      </label>
      <Tick
        label="Engine control unit"
        checked={connector.ecu === true}
        onTick={(on) => change({ ecu: on || undefined, role: undefined })}
      />
      <div className="col-span-2">
        <TypedCard
          key={connector.id}
          label={`Cavities of ${connector.name}`}
          fields={faceFields}
          texts={textsOf(connector, faceFields)}
          keep={(texts) =>
            keepMade(machineDrafting, machine, (now) => {
              const at = now.connectors.findIndex(({ id }) => id === connector.id)
              return withTyped('machine', now, ['connectors', String(at)], faceFields, texts)
            })
          }
        />
      </div>
      <div className="flex flex-col text-small font-semibold">
        The plug is known
        <KnownPick of="connectors" id={connector.id} name={connector.name} />
      </div>
      <div className="flex flex-col text-small font-semibold">
        Its wires are known
        <KnownOfAll
          of="wires"
          ids={wiresOfConnector(machine, connector.id).map(({ wire }) => wire.id)}
          label={`How the wires of ${connector.name} are known`}
        />
      </div>
      <Button
        look="quiet"
        className="text-stop"
        onClick={() => {
          changeMachine((before) => {
            const bare = withPinout(before, connector.id, [])
            return { ...bare, connectors: bare.connectors.filter((item) => item.id !== connector.id) }
          })
          onGone()
        }}
      >
        Take the plug out
      </Button>
      <p className="col-span-2 text-small text-quiet">
        {counted(machine.wires.length, 'wire')} in {counted(machine.connectors.length, 'plug')} so far.
      </p>
    </section>
  )
}

function Tick({ label, checked, onTick }: { label: string; checked: boolean; onTick: (on: boolean) => void }) {
  return (
    <label className="flex min-h-11 items-center gap-2 font-semibold">
      <input
        type="checkbox"
        className="size-5 !min-h-0 accent-[var(--lamp)]"
        checked={checked}
        onChange={(event) => onTick(event.target.checked)}
      />
      {label}
    </label>
  )
}

function Pick<T extends string>({
  label,
  value,
  list,
  onPick,
}: {
  label: string
  value: T
  list: readonly T[]
  onPick: (value: T) => void
}) {
  return (
    <label className="flex flex-col text-small font-semibold">
      {label}
      <select value={value} onChange={(event) => onPick(list.find((item) => item === event.target.value) ?? value)}>
        {list.map((item) => (
          <option key={item}>{item}</option>
        ))}
      </select>
    </label>
  )
}
