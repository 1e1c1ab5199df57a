import { pikaAccess } from './accessOfCycles.ts'
import { machineDocument } from './machineDocument.ts'
import { machineSteps } from './machineSteps.ts'
import { pikaRoutes } from './routesOfCycles.ts'
import type { Machine } from './written.ts'

/** Trail motorcycle, one cylinder, throttle blade by wire: takes a plug-in controller. */
export function ostrelPika449(): Machine {
  return machineDocument(
    {
      id: 'ostrel-pika-449',
      maker: 'Ostrel',
      model: 'Pika 449',
      class: 'trail motorcycle',
      years: '2018 on',
      source: 'Loom of the yard machine laid on the bench, 2026-01.',
      engine: { cylinders: 1, cooling: 'liquid', idleRpm: 1750, limiterRpm: 9500, fuel: 'petrol', stoichAfr: 14.6 },
      batteries: ['battery-negative'],
      steps: machineSteps({
        identity:
          'Read the frame: Pika 449, and the year. The enduro market version has no lamps and no side stand switch.',
        identityWhy: 'Without lamps there is no lamp circuit to take power from.',
        batteries: 1,
        lithium: true,
        battery: { place: 'in the airbox side, left', torque: '3 N·m', posts: ['battery-negative'] },
        discharge: { minutes: 2, why: 'the ignition holds 350 V' },
        pressure: {
          text: 'Let the fuel pressure down: pull the pump plug under the tank, crank twice for three seconds, plug back.',
          plug: 'pump',
        },
        idle: [1650, 1850],
        byWire: true,
        prove: 'Ride it warm over ground you know, alone on the trail, first on the soft map.',
      }),
      target: {
        rpm: [1800, 4000, 6500, 9500],
        load: [0, 20, 50, 100],
        afr: [
          [13.9, 13.9, 13.4, 13.0],
          [14.0, 13.9, 13.3, 12.9],
          [13.8, 13.5, 13.1, 12.8],
          [13.5, 13.2, 12.9, 12.7],
        ],
      },
      filters: {
        coldBelowC: 70,
        crankingBelowRpm: 500,
        overrunThrottlePct: 1,
        throttleRatePctPerS: 60,
        afrRange: [9, 20],
      },
      cautions: [
        'The coil primary swings to 350 V: never pierced, never probed running.',
        'The controller needs its own throttle set-up before the first start.',
      ],
    },
    {
      access: pikaAccess,
      routes: pikaRoutes,
      zones: `
        tank | Under the tank | vibration
        throttle | Throttle body, behind the shock | wet vibration
        airbox | Airbox side, left | dry
        engine | Engine, left | hot wet vibration air 70
        nose | Behind the number plate | wet
        bar | Handlebar | wet vibration
        tail | Rear fender | wet`,
      nets: `
        bat | Battery 12 V | supply-always supply | rd 2.5
        *a bat-ecu | ECU 12 V, fuse 10 A | supply-always supply | rd/bk 0.85
        *a ign | Switched 12 V from the start relay unit | supply-switched supply | rd/wh 0.75 | spare 1
        gnd | Power ground | power-ground ground | bk 0.85
        *a ecu-gnd | ECU power ground | power-ground ground | bk/wh 0.85
        *a sgnd | Sensor ground | sensor-ground ground | bk/br 0.35
        *a ref5 | 5 V reference | reference-5v supply | or 0.35 | spare 0.02
        *a inj | Injector drive | injector-drive injector | pk/bk 0.5
        *a coil | Coil drive | coil-drive coil | ye/bk 0.75
        *a crank-p | Crank signal | frequency crank | gn 0.35
        *a crank-n | Crank sensor return | sensor-ground crank | gn/wh 0.35
        *a tps-1 | Blade position, track 1 | analogue-0-5 throttle-position t1 | ye 0.35
        *a tps-2 | Blade position, track 2 | analogue-0-5 throttle-position t2 | ye/gn 0.35
        *a grip-1 | Grip position, track 1 | analogue-0-5 pedal-position t1 | wh 0.35
        *a grip-2 | Grip position, track 2 | analogue-0-5 pedal-position t2 | wh/bu 0.35
        *a tm-p | Blade motor plus | motor-drive throttle-motor | bu/rd 0.5
        *a tm-n | Blade motor minus | motor-drive throttle-motor | bu/bk 0.5
        *a map | Manifold pressure | analogue-0-5 manifold-pressure | lb/bk 0.35
        *a iat | Intake air temperature | analogue-0-5 air-temperature | lb 0.35
        *a clt | Coolant temperature | analogue-0-5 coolant-temperature | gn/rd 0.35
        *a tilt | Tip-over signal | analogue-0-5 tilt | br/wh 0.35
        *a pump | Fuel pump drive | low-side-drive fuel-pump | rd/bu 0.75
        *a fan | Fan drive | low-side-drive fan | bu 0.75
        *a stop | Stop button | switch button | bk/rd 0.35
        *a mapsw | Map button | switch selector | vi 0.35
        *a neutral | Neutral switch | switch neutral | lg 0.35
        *a speed | Front wheel speed | frequency vehicle-speed | gy/bk 0.35
        *a diag | Diagnostic line | data-line diagnostic | wh/rd 0.35
        *a fault | Fault lamp | low-side-drive lamp | gy/rd 0.35
        *a start-d | Start relay drive | low-side-drive start | gn/bk 0.35
        start-b | Start button | switch start | gn/ye 0.35
        stand | Side stand switch | switch stand | gn/br 0.35
        lamps | Head and tail lamp, engine running | supply-switched lamp | br 0.75 | spare 1
        brake | Brake lamp | supply-switched brake-lamp | br/rd 0.5 | spare 0.5
        gen-a | Generator phase A | frequency charge | wh/bk 1.25
        gen-b | Generator phase B | frequency charge | wh/gy 1.25`,
      plugs: `
        injector | Injector plug | injector | throttle | below the throttle body, wires rearwards | sealed grey oval two-ribs | thumb tab | ign inj
        coil | Coil plug | stick coil | tank | in the plug well | sealed black rectangle notch | thumb tab | ign coil gnd
        crank | Crank sensor plug | crank sensor | engine | generator cover, upper lead | sealed black oval flat | thumb tab | crank-p crank-n
        throttle | Throttle body plug | throttle body | throttle | left side of the throttle body | sealed black rectangle side-rib | slide then press red | [2 rows] ref5 tps-1 sgnd tps-2 tm-p tm-n
        grip | Grip sensor plug | grip sensor | bar | behind the number plate, right | sealed black rectangle two-ribs | thumb tab | [2 rows] ref5 grip-1 sgnd ref5 grip-2 sgnd
        pressure | Pressure sensor plug | pressure sensor | throttle | on the intake stub | sealed black rectangle flat | thumb tab | ref5 map sgnd
        air-temperature | Air temperature plug | air temperature sensor | airbox | airbox roof | sealed grey oval flat | thumb tab | iat sgnd
        coolant | Coolant sensor plug | coolant sensor | engine | left of the head | sealed green oval flat | thumb tab | clt sgnd
        tilt | Tip-over sensor plug | tip-over sensor | tank | under the front of the tank | sealed black rectangle notch | thumb tab | ref5 tilt sgnd
        pump | Fuel pump plug | fuel pump | tank | left rear of the tank | sealed black oval notch | squeeze | ign pump
        fan | Fan plug | fan | nose | behind the left radiator | sealed black oval none | thumb tab | ign fan
        neutral | Neutral switch plug | neutral switch | engine | above the sprocket | boot black round none | none | neutral
        stand | Side stand plug | side stand switch | engine | lower frame tube, left | sealed green oval none | thumb tab | stand gnd
        speed | Wheel sensor plug | front wheel sensor | nose | along the left fork leg | sealed black rectangle side-rib | thumb tab | ref5 speed sgnd
        buttons | Bar button plug | bar buttons | bar | behind the number plate, left | sealed white rectangle flat | thumb tab | [2 rows] stop mapsw start-b gnd
        starter-unit | Start relay unit plug | start relay unit | airbox | above the battery | sealed black rectangle two-ribs | lever black | [2 rows] bat ign bat-ecu start-b start-d stand gnd lamps
        headlamp | Headlamp plug | headlamp | nose | behind the number plate, middle | sealed black rectangle none | thumb tab | lamps fault gnd
        brake-f | Brake switch plug | brake switch | bar | under the brake lever | open black rectangle none | none | lamps brake
        tail-lamp | Tail lamp plug | tail lamp | tail | under the rear fender | sealed white rectangle none | thumb tab | lamps brake gnd
        regulator | Regulator plug | regulator | nose | on the steering head | sealed black rectangle side-rib | thumb tab | [2 rows] gen-a gen-b bat gnd
        generator | Generator plug | generator | engine | generator cover, lower lead | sealed white oval none | thumb tab | gen-a gen-b
        diagnostic | Diagnostic plug | diagnostic socket | airbox | beside the battery, red cap | sealed red rectangle flat | thumb tab | [2 rows] ign gnd diag -
        ecu | ECU plug | ECU | airbox | behind the airbox side, plug downwards | sealed black rectangle two-ribs | lever grey | ecu a 34 in 2`,
      studs: `
        battery-negative | Battery negative | gnd | airbox | upper post | 5
        battery-positive | Battery positive | bat | airbox | lower post, red boot | 5
        frame-ground | Frame ground | ecu-gnd | tank | under the front of the tank, bare metal | 6`,
    },
    [
      {
        id: 'enduro',
        name: 'Enduro market',
        tells: 'No lamps, no side stand switch.',
        without: ['stand', 'headlamp', 'brake-f', 'tail-lamp', 'lamps', 'brake', 'fault'],
        plugs: `
          starter-unit | Start relay unit plug | start relay unit | airbox | above the battery | sealed black rectangle two-ribs | lever black | [2 rows] bat ign bat-ecu start-b start-d - gnd -`,
      },
    ],
  )
}
