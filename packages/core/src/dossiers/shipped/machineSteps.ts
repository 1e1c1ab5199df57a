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
  /** How long the head takes to cool, min; 30 unless said. */
  coolMinutes?: number
  /** After the battery is off: an airbag, injector drivers or an ignition that stay charged. */
  discharge?: { minutes: number; why: string }
  prove: string
  byWire?: boolean
  cautions?: { cool?: string; wake?: string }
}

const monoxide = 'Running engine only in the open or with extraction: carbon monoxide.'

/** Taking the battery off, one way for each school. */
function batterySteps(facts: StepFacts): Step[] {
  const caution = 'Battery short and hydrogen: no rings, no sparks.'
  const why = 'Negative first: a spanner from positive to the frame would arc.'
  const common = { station: 'make-safe', caution, power: 'off' } as const
  if (facts.batteries === 2)
    return [
      {
        id: 'battery-off',
        text: `Both battery negatives off and covered (${facts.battery.place}): one alone leaves the machine live.`,
        why,
        minutes: { best: 2, likely: 4, worst: 8 },
        ...common,
      },
    ]
  return [
    {
      id: 'battery-off',
      text: `Battery negative off and covered (${facts.battery.place}).`,
      why,
      minutes: { best: 1, likely: 3, worst: 6 },
      school: { choice: 'battery', value: 'negative off' },
      ...common,
    },
    {
      id: 'battery-out',
      text: `Battery negative off, then positive, and the battery out (${facts.battery.place}).`,
      why: 'Nothing is live, and there is room to work; its clock and radio memory are lost all the same.',
      minutes: { best: 3, likely: 7, worst: 15 },
      school: { choice: 'battery', value: 'battery out' },
      ...common,
    },
  ]
}

/** Steps of a job on this machine at the stations that are not the loom's own. */
export function machineSteps(facts: StepFacts): Step[] {
  const two = facts.batteries === 2
  return [
    {
      id: 'identity',
      station: 'take-in',
      text: facts.identity,
      why: facts.identityWhy,
      minutes: { best: 1, likely: 2, worst: 5 },
    },
    {
      id: 'aim',
      station: 'take-in',
      minutes: { best: 2, likely: 4, worst: 8 },
      text: 'Write down what the owner wants and what is fitted already: exhaust, air filter, an earlier module, plugs that hang free.',
    },
    {
      id: 'told',
      station: 'take-in',
      minutes: { best: 1, likely: 2, worst: 5 },
      text: 'Tell the owner what the change may mean for road use and cover, and write down that it was told.',
      why: 'Changes to power or mixture may be unlawful on public roads and may void cover. Local law decides.',
    },
    {
      id: 'codes',
      station: 'make-safe',
      text: 'Key on: read the fault codes and the lamps before anything is unplugged.',
      why: 'A code that was there before is not the work of this job.',
      minutes: { best: 2, likely: 4, worst: 8 },
    },
    {
      id: 'battery-rest',
      station: 'make-safe',
      text: two
        ? 'Measure each battery at rest, key off, the weaker one counts.'
        : 'Measure the battery at rest, key off.',
      reading: { quantity: 'battery at rest', unit: 'V', low: 12.4, high: 12.9 },
      minutes: { best: 1, likely: 2, worst: 4 },
    },
    {
      id: 'charging',
      station: 'make-safe',
      text: 'Start it and measure the charging voltage at a fast idle.',
      caution: monoxide,
      reading: { quantity: 'charging voltage', unit: 'V', low: 13.8, high: 14.5 },
      minutes: { best: 2, likely: 4, worst: 8 },
    },
    {
      id: 'idle-before',
      station: 'make-safe',
      text: 'Warm: read the idle speed as it came in.',
      why: 'Without it nobody can say whether the idle after the job is a change.',
      caution: monoxide,
      reading: { quantity: 'idle speed before', unit: 'rpm', low: facts.idle[0], high: facts.idle[1] },
      minutes: { best: 2, likely: 4, worst: 10 },
    },
    {
      id: 'feeds',
      station: 'make-safe',
      text: 'While there is power, find the wires that will be joined: the meter cards at hook-up say where to probe.',
      why: 'Colour alone never clears a wire: find it with power on, join it with power off, prove it with power on.',
      minutes: { best: 3, likely: 6, worst: 15 },
    },
    facts.diesel
      ? {
          id: 'pressure',
          station: 'make-safe',
          text: 'Leave the rail and its pipes alone: nothing of this job opens a fuel joint.',
          caution:
            'Rail pressure stays for minutes after the engine stops. Never crack a rail fitting: injection injury.',
          minutes: { best: 1, likely: 1, worst: 2 },
        }
      : {
          id: 'pressure',
          station: 'make-safe',
          text:
            facts.pressure ??
            'Let the fuel pressure down: pull the pump plug, crank twice for three seconds, plug back.',
          why: 'It needs power: before the battery comes off.',
          caution: 'Petrol vapour: no flames, a rag under the joint, extinguisher within reach.',
          minutes: { best: 2, likely: 4, worst: 10 },
        },
    {
      id: 'cool',
      station: 'make-safe',
      text: facts.diesel
        ? 'Engine off, key out of reach.'
        : 'Engine off, key out. Hot parts cool while other work goes on.',
      caution: facts.cautions?.cool ?? 'Hot exhaust and coolant.',
      minutes: { best: 1, likely: 1, worst: 2 },
      wait: { minutes: facts.coolMinutes ?? 30, why: 'until the hot parts can be touched' },
    },
    {
      id: 'asleep',
      station: 'make-safe',
      text: facts.diesel
        ? 'Leave it alone: the control unit runs on and the dosing line empties itself.'
        : 'Leave it alone: the control unit writes down what it has learnt before it sleeps.',
      minutes: { best: 0, likely: 0, worst: 0 },
      wait: {
        minutes: facts.afterRunMinutes ?? 2,
        why: facts.diesel
          ? 'after-run and dosing purge, then the battery'
          : 'until the control unit sleeps, then the battery',
      },
    },
    ...batterySteps(facts),
    ...(facts.discharge
      ? [
          {
            id: 'discharge',
            station: 'make-safe',
            text: `Battery off: wait ${facts.discharge.minutes} minutes before a plug is touched.`,
            minutes: { best: 0, likely: 0, worst: 0 },
            wait: facts.discharge,
          } satisfies Step,
        ]
      : []),
    {
      id: 'battery-on',
      station: 'wake',
      text: `Every plug home, covers still off: ${two ? 'both battery negatives' : 'battery negative'} back on, ${facts.battery.torque}.`,
      why: 'Positive first where it was taken off, negative last.',
      minutes: { best: 1, likely: 3, worst: 6 },
      power: 'on',
    },
    {
      id: 'prime',
      station: 'wake',
      minutes: { best: 1, likely: 2, worst: 4 },
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
      minutes: { best: 2, likely: 4, worst: 8 },
      text: 'Start, let it idle one minute. Key off at once if revs rise by themselves, at smoke, or at a smell of fuel or hot plastic.',
      caution: facts.cautions?.wake ?? monoxide,
    },
    {
      id: 'restart',
      station: 'wake',
      minutes: { best: 1, likely: 2, worst: 4 },
      text: 'Off, wait ten seconds, start again, and once more. The fault lamp stays out.',
    },
    {
      id: 'idle',
      station: 'wake',
      minutes: { best: 5, likely: 10, worst: 20 },
      text: 'Read the idle speed, warm.',
      reading: { quantity: 'idle speed', unit: 'rpm', low: facts.idle[0], high: facts.idle[1] },
    },
    ...(facts.byWire
      ? [
          {
            id: 'throttle-return',
            station: 'wake',
            minutes: { best: 1, likely: 1, worst: 3 },
            text: 'Engine off, key on: open the grip or pedal fully and let go, three times. It must come back to zero each time.',
            caution: 'Prove the return to zero before the first ride or drive.',
          } satisfies Step,
        ]
      : []),
    {
      id: 'steering',
      station: 'close-up',
      minutes: { best: 1, likely: 2, worst: 4 },
      text: 'Steering lock to lock: nothing pulls, nothing is pinched. Press seats and lids down and listen for the loom.',
      caution: 'Moving steering and fans: hands clear.',
    },
    {
      id: 'road',
      station: 'prove',
      minutes: { best: 15, likely: 25, worst: 45 },
      text: facts.prove,
      caution: 'Within the law and your sight. Whoever drives never works a device.',
    },
    {
      id: 'codes-after',
      station: 'prove',
      text: 'Read the codes again and clear what this job caused.',
      minutes: { best: 2, likely: 4, worst: 8 },
    },
  ]
}
