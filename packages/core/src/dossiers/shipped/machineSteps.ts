import type { Step } from '../model.ts'

/** What differs from machine to machine in the steps every job has. */
export interface StepFacts {
  identity: string
  /** What the answer to the identity question changes. */
  identityWhy: string
  diesel?: boolean
  batteries: 1 | 2
  /** How the battery is reached and how tight its posts are. */
  battery: { place: string; torque: string }
  /** How fuel pressure is let down; diesels wait instead. */
  pressure?: string
  afterRunMinutes?: number
  idle: [number, number]
  /** id, text, caution */
  off: [string, string, string?][]
  closeUp: string
  prove: string
  byWire?: boolean
  cautions?: { cool?: string; wake?: string }
}

const monoxide = 'Running engine only in the open or with extraction: carbon monoxide.'

/** Steps of a job on this machine at the stations that are not the loom's own. */
export function machineSteps(facts: StepFacts): Step[] {
  const two = facts.batteries === 2
  return [
    { id: 'identity', station: 'take-in', text: facts.identity, why: facts.identityWhy },
    {
      id: 'aim',
      station: 'take-in',
      text: 'Write down what the owner wants and what is fitted already: exhaust, air filter, an earlier module, plugs that hang free.',
    },
    {
      id: 'told',
      station: 'take-in',
      text: 'Tell the owner what the change may mean for road use and cover, and write down that it was told.',
      why: 'Changes to power or mixture may be unlawful on public roads and may void cover. Local law decides.',
    },
    {
      id: 'codes',
      station: 'make-safe',
      text: 'Key on: read the fault codes and the lamps before anything is unplugged.',
    },
    {
      id: 'battery-rest',
      station: 'make-safe',
      text: two
        ? 'Measure each battery at rest, key off, the weaker one counts.'
        : 'Measure the battery at rest, key off.',
      reading: { quantity: 'battery at rest', unit: 'V', low: 12.4, high: 12.9 },
    },
    {
      id: 'charging',
      station: 'make-safe',
      text: 'Start it and measure the charging voltage at a fast idle.',
      caution: monoxide,
      reading: { quantity: 'charging voltage', unit: 'V', low: 13.8, high: 14.5 },
    },
    {
      id: 'feeds',
      station: 'make-safe',
      text: 'While there is power, find the wires that will be joined: the meter cards at hook-up say where to probe.',
      why: 'Colour alone never clears a wire: find it with power on, join it with power off, prove it with power on.',
    },
    {
      id: 'cool',
      station: 'make-safe',
      text: facts.diesel
        ? `Engine off, key out of reach. Wait ${facts.afterRunMinutes ?? 10} minutes: the control unit runs on and the dosing line empties itself.`
        : 'Engine off, key out, let it cool until the head can be touched.',
      caution: facts.cautions?.cool ?? 'Hot exhaust and coolant.',
    },
    facts.diesel
      ? {
          id: 'pressure',
          station: 'make-safe',
          text: 'Leave the rail and its pipes alone: nothing of this job opens a fuel joint.',
          caution:
            'Rail pressure stays for minutes after the engine stops. Never crack a rail fitting: injection injury.',
        }
      : {
          id: 'pressure',
          station: 'make-safe',
          text:
            facts.pressure ??
            'Let the fuel pressure down: pull the pump plug, crank twice for three seconds, plug back.',
          caution: 'Petrol vapour: no flames, a rag under the joint, extinguisher within reach.',
        },
    {
      id: 'battery-off',
      station: 'make-safe',
      text: two
        ? `Both battery negatives off and covered (${facts.battery.place}): one alone leaves the truck live.`
        : `Battery negative off and covered (${facts.battery.place}).`,
      why: 'Negative first: a spanner from positive to the frame would arc.',
      caution: 'Battery short and hydrogen: no rings, no sparks.',
      power: 'off',
    },
    ...facts.off.map(([id, text, caution]): Step => ({
      id,
      station: 'open-up',
      text,
      ...(caution ? { caution } : {}),
    })),
    {
      id: 'battery-on',
      station: 'wake',
      text: `Every plug home, covers still off: ${two ? 'both battery negatives' : 'battery negative'} back on, ${facts.battery.torque}.`,
      power: 'on',
    },
    {
      id: 'prime',
      station: 'wake',
      text: facts.diesel
        ? 'Key on, do not start. Lamps go through their check; look for a fault lamp and wait until the glow lamp is out.'
        : 'Key on, do not start. Let the pump prime, key off, and once more. Look and sniff at the injectors and the fuel line.',
      caution: facts.diesel
        ? 'Any drop at a rail joint: key off, clear of it, call the licensed workshop.'
        : 'Petrol smell or a wet joint: key off, mend it before anything else.',
    },
    {
      id: 'start',
      station: 'wake',
      text: 'Start, let it idle one minute. Key off at once if revs rise by themselves, at smoke, or at a smell of fuel or hot plastic.',
      caution: facts.cautions?.wake ?? monoxide,
    },
    {
      id: 'restart',
      station: 'wake',
      text: 'Off, wait ten seconds, start again, and once more. The fault lamp stays out.',
    },
    {
      id: 'idle',
      station: 'wake',
      text: 'Read the idle speed, warm.',
      reading: { quantity: 'idle speed', unit: 'rpm', low: facts.idle[0], high: facts.idle[1] },
    },
    ...(facts.byWire
      ? [
          {
            id: 'throttle-return',
            station: 'wake',
            text: 'Engine off, key on: open the grip or pedal fully and let go, three times. It must come back to zero each time.',
            caution: 'Prove the return to zero before the first ride or drive.',
          } satisfies Step,
        ]
      : []),
    { id: 'panels', station: 'close-up', text: facts.closeUp },
    {
      id: 'steering',
      station: 'close-up',
      text: 'Steering lock to lock: nothing pulls, nothing is pinched. Press seats and lids down and listen for the loom.',
      caution: 'Moving steering and fans: hands clear.',
    },
    {
      id: 'road',
      station: 'prove',
      text: facts.prove,
      caution: 'Within the law and your sight. Whoever drives never works a device.',
    },
    { id: 'codes-after', station: 'prove', text: 'Read the codes again and clear what this job caused.' },
  ]
}
