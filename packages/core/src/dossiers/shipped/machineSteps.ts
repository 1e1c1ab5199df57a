import type { Step } from './written.ts'

/** What differs from machine to machine in the steps every job has. */
export interface StepFacts {
  identity: string
  /** What the answer to the identity question changes. */
  identityWhy: string
  diesel?: boolean
  /** A glow lamp is waited for. */
  glow?: boolean
  /** The line of an exhaust dosing system empties itself after the engine stops. */
  dosing?: boolean
  /** Where a field machine has to stand before anything else, and the covers that are moved for it. */
  park?: { text: string; covers: string[] }
  batteries: 1 | 2
  lithium?: boolean
  /** How the battery is reached and how tight its posts are, and its negative posts. */
  battery: { place: string; torque: string; posts: string[] }
  /** Where the alternator is steered by load, what it may give, V. */
  chargingV?: [number, number]
  /** How fuel pressure is let down, and the plug that is pulled for it; only machines whose plan can open a fuel line. */
  pressure?: { text: string; plug: string }
  afterRunMinutes?: number
  idle: [number, number]
  /** How long the head takes to cool, min; 30 unless said. */
  coolMinutes?: number
  /** After the battery is off: an airbag, injector drivers or an ignition that stay charged. */
  discharge?: { minutes: number; why: string }
  prove: string
  byWire?: boolean
  airbag?: boolean
  /** What is moved through its whole travel before it is handed back; the steering unless said. */
  travel?: { text: string; caution: string }
  cautions?: { cool?: string; wake?: string }
}

const monoxide = 'Running engine only in the open or with extraction: carbon monoxide.'

/** Taking the battery off, one way for each school. */
function batterySteps(facts: StepFacts): Step[] {
  const caution = 'Battery short and hydrogen: no rings, no sparks.'
  const why = 'Negative first: a spanner from positive to the frame would arc.'
  const reach = facts.battery.posts.map((stud) => ({ stud }))
  const common = {
    station: 'make-safe',
    caution,
    power: 'off',
    needs: { reach, shutOff: true },
    after: ['asleep'],
  } satisfies Partial<Step>
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

/** Read at rest: one battery before anything is switched on, two each for itself with both negatives off. */
function restStep(facts: StepFacts): Step {
  const reach = facts.battery.posts.map((stud) => ({ stud }))
  const reading = facts.lithium
    ? { quantity: 'battery at rest', unit: 'V', low: 13.1, high: 13.5 }
    : { quantity: 'battery at rest', unit: 'V', low: 12.4, high: 12.9 }
  return facts.batteries === 2
    ? {
        id: 'battery-rest',
        station: 'make-safe',
        text: 'With both negatives off, measure each battery across its own posts and write down the weaker.',
        why: 'Joined they read alike; only apart does the weaker show.',
        needs: { power: 'off', reach },
        reading,
        minutes: { best: 1, likely: 3, worst: 6 },
      }
    : {
        id: 'battery-rest',
        station: 'make-safe',
        text: 'Measure the battery at rest, key off, before anything is switched on.',
        needs: { power: 'on', reach },
        reading,
        minutes: { best: 1, likely: 2, worst: 4 },
      }
}

/** Steps of a job on this machine at the stations that are not the loom's own. */
export function machineSteps(facts: StepFacts): Step[] {
  const two = facts.batteries === 2
  const reach = facts.battery.posts.map((stud) => ({ stud }))
  const [chargeLow, chargeHigh] = facts.chargingV ?? [13.8, 14.5]
  const steps: (Step | false | undefined)[] = [
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
      asks: { words: 'What the owner wants, and what is fitted already', question: 'aim' },
    },
    {
      id: 'told',
      station: 'take-in',
      minutes: { best: 1, likely: 2, worst: 5 },
      text: 'Tell the owner what the change may mean for road use and cover, and write down that it was told.',
      why: 'Changes to power or mixture may be unlawful on public roads and may void cover. Local law decides.',
      asks: { words: 'What was said, and who heard it', told: true },
    },
    facts.park && {
      id: 'park',
      station: 'make-safe',
      text: facts.park.text,
      needs: { covers: facts.park.covers },
      caution: 'Nobody on the deck or under the header before everything stands and the key is in your pocket.',
      minutes: { best: 4, likely: 8, worst: 15 },
    },
    !two && restStep(facts),
    {
      id: 'codes',
      station: 'make-safe',
      text: 'Key on: read the fault codes and the lamps before anything is unplugged.',
      why: 'A code that was there before is not the work of this job.',
      needs: { power: 'on' },
      asks: { words: 'Codes and lamps as it came in; none is an answer too' },
      minutes: { best: 2, likely: 4, worst: 8 },
    },
    {
      id: 'charging',
      station: 'make-safe',
      text: 'Start it and measure the charging voltage at the battery, at a fast idle.',
      caution: monoxide,
      needs: { reach },
      engine: 'runs',
      reading: { quantity: 'charging voltage', unit: 'V', low: chargeLow, high: chargeHigh },
      minutes: { best: 2, likely: 4, worst: 8 },
    },
    {
      id: 'idle-before',
      station: 'make-safe',
      text: 'Warm: read the idle speed as it came in.',
      why: 'Without it nobody can say whether the idle after the job is a change.',
      caution: monoxide,
      engine: 'runs',
      reading: { quantity: 'idle speed before', unit: 'rpm', low: facts.idle[0], high: facts.idle[1], off: 'note' },
      minutes: { best: 2, likely: 4, worst: 10 },
    },
    {
      id: 'feeds',
      station: 'make-safe',
      text: 'While there is power, find the wires that will be joined and can be reached: the meter cards at hook-up say where to probe. What lies under a cover is found after that cover is off, battery on for a test and off again.',
      why: 'Colour alone never clears a wire: find it with power on, join it with power off, prove it with power on.',
      needs: { power: 'on' },
      minutes: { best: 3, likely: 6, worst: 15 },
    },
    facts.pressure && {
      id: 'pressure',
      station: 'make-safe',
      text: facts.pressure.text,
      why: 'It needs power: before the battery comes off. From here on nothing starts the engine.',
      caution: 'Petrol vapour: no flames, a rag under the joint, extinguisher within reach.',
      when: 'fuel line opened',
      fuel: 'down',
      needs: { power: 'on', reach: [{ connector: facts.pressure.plug }] },
      minutes: { best: 2, likely: 4, worst: 10 },
    },
    {
      id: 'cool',
      station: 'make-safe',
      text: facts.diesel
        ? 'Engine off, key out of reach.'
        : 'Engine off, key out. Hot parts cool while other work goes on.',
      caution: facts.cautions?.cool ?? 'Hot exhaust and coolant.',
      engine: 'off',
      minutes: { best: 1, likely: 1, worst: 2 },
      wait: { minutes: facts.coolMinutes ?? 30, why: 'until the hot parts can be touched', cools: true },
    },
    {
      id: 'asleep',
      station: 'make-safe',
      needs: { shutOff: true },
      text: facts.dosing
        ? 'Leave it alone: the control unit runs on and the dosing line empties itself.'
        : facts.diesel
          ? 'Leave it alone: the control unit runs on.'
          : 'Leave it alone: the control unit writes down what it has learnt before it sleeps.',
      minutes: { best: 0, likely: 0, worst: 0 },
      wait: {
        minutes: facts.afterRunMinutes ?? 2,
        why: facts.dosing
          ? 'after-run and dosing purge, then the battery'
          : facts.diesel
            ? 'after-run, then the battery'
            : 'until the control unit sleeps, then the battery',
      },
    },
    ...batterySteps(facts),
    two && restStep(facts),
    facts.discharge && {
      id: 'discharge',
      station: 'make-safe',
      text: `Battery off: wait ${facts.discharge.minutes} minutes before a plug is touched.`,
      needs: { power: 'off' },
      minutes: { best: 0, likely: 0, worst: 0 },
      wait: facts.discharge,
    },
    {
      id: 'homes',
      station: 'set-up',
      text: `Everything home, counted: ${[
        ...(facts.pressure ? ['fuel line, pump plug'] : []),
        ...(facts.airbag ? ['airbag plug'] : []),
        'every sensor plug, every towel and rag out',
      ].join(', ')}. The loom held off everything hot or moving.`,
      needs: { power: 'off', unstarted: true },
      minutes: { best: 2, likely: 4, worst: 8 },
    },
    {
      id: 'battery-on',
      station: 'set-up',
      text: `Covers still off: ${two ? 'both battery negatives' : 'battery negative'} back on, ${facts.battery.torque}.`,
      why: 'Positive first where it was taken off, negative last.',
      needs: { power: 'off', unstarted: true },
      after: ['homes'],
      minutes: { best: 1, likely: 3, worst: 6 },
      power: 'on',
    },
    {
      id: 'key-on',
      station: 'set-up',
      text: 'Key on, engine not started: lamps go through their check, codes read. Those of this job’s test key-ons are written down as its own.',
      needs: { power: 'on', unstarted: true },
      asks: { words: 'Codes and lamps now; none is an answer too' },
      minutes: { best: 2, likely: 4, worst: 8 },
    },
    facts.byWire && {
      id: 'throttle-return',
      station: 'set-up',
      minutes: { best: 1, likely: 1, worst: 3 },
      text: 'Engine off, key on: open the grip or pedal fully and let go, three times. Its track must come back to zero each time; the blade need not follow.',
      caution: 'Prove the return to zero before the first start.',
      needs: { power: 'on', unstarted: true },
      after: ['key-on'],
    },
    {
      id: 'prime',
      station: 'wake',
      minutes: { best: 1, likely: 2, worst: 4 },
      needs: { power: 'on', unstarted: true },
      text: facts.diesel
        ? facts.glow
          ? 'Key on: wait until the glow lamp is out. Look along the rail and its pipes, nothing is wet.'
          : 'Key on: look along the rail and its pipes, nothing is wet.'
        : 'Key on, let the pump prime, key off, and once more. Look and sniff at the injectors and the fuel line.',
      caution: facts.diesel
        ? 'Any drop at a rail joint: key off, clear of it, call the licensed workshop.'
        : 'Petrol smell or a wet joint: key off, mend it before anything else.',
    },
    {
      id: 'start',
      station: 'wake',
      minutes: { best: 2, likely: 4, worst: 8 },
      engine: 'runs',
      after: ['prime'],
      text: 'Start, let it idle one minute. Key off at once if revs rise by themselves, at smoke, or at a smell of fuel or hot plastic.',
      caution: facts.cautions?.wake ?? monoxide,
    },
    {
      id: 'restart',
      station: 'wake',
      minutes: { best: 1, likely: 2, worst: 4 },
      engine: 'runs',
      after: ['start'],
      text: 'Off, wait ten seconds, start again, and once more. The fault lamp stays out.',
    },
    {
      id: 'idle',
      station: 'wake',
      minutes: { best: 5, likely: 10, worst: 20 },
      engine: 'runs',
      after: ['restart'],
      text: 'Read the idle speed, warm.',
      reading: { quantity: 'idle speed', unit: 'rpm', low: facts.idle[0], high: facts.idle[1], off: 'stop' },
    },
    {
      id: 'steering',
      station: 'close-up',
      minutes: { best: 1, likely: 2, worst: 4 },
      text:
        facts.travel?.text ??
        'Steering lock to lock: nothing pulls, nothing is pinched. Press seats and lids down and listen for the loom.',
      caution: facts.travel?.caution ?? 'Moving steering and fans: hands clear.',
    },
    {
      id: 'road',
      station: 'prove',
      minutes: { best: 15, likely: 25, worst: 45 },
      engine: 'runs',
      text: facts.prove,
      caution: 'Within the law and your sight. Whoever drives never works a device.',
      asks: { words: 'What was driven or measured, and what it showed' },
    },
    {
      id: 'codes-after',
      station: 'prove',
      text: 'Read the codes again and clear what this job caused.',
      asks: { words: 'Codes after the drive, against those it came with; none is an answer too' },
      minutes: { best: 2, likely: 4, worst: 8 },
    },
  ]
  return steps.filter((step): step is Step => typeof step === 'object')
}
