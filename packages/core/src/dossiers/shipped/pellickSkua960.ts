import { skuaAccess } from './accessOfFieldcraft.ts'
import { machineDocument } from './machineDocument.ts'
import { machineSteps } from './machineSteps.ts'
import { skuaRoutes } from './routesOfFieldcraft.ts'
import type { Machine } from './written.ts'

/** Side-by-side with two cylinders: long wet looms, a fan plug that looks like a sensor's. */
export function pellickSkua960(): Machine {
  return machineDocument(
    {
      id: 'pellick-skua-960',
      maker: 'Pellick',
      model: 'Skua 960 S',
      class: 'side-by-side',
      years: '2017 on',
      source: "The ropeway crew's machine, floor and seats out, 2026-06.",
      engine: { cylinders: 2, cooling: 'liquid', idleRpm: 1200, limiterRpm: 8600, fuel: 'petrol', stoichAfr: 14.6 },
      batteries: ['battery-negative'],
      steps: machineSteps({
        identity:
          'Read the plate at the right seat frame: Skua 960 S. The working version with a tipping bed has a second plug at the tail lamp.',
        identityWhy: 'The second plug carries a lamp circuit with more to spare.',
        batteries: 1,
        battery: { place: "under the passenger's seat", torque: '5 N·m', posts: ['battery-negative'] },
        idle: [1120, 1280],
        byWire: true,
        prove: 'Drive it warm on the service road, the passenger reads the dial.',
      }),
      target: {
        rpm: [1500, 3500, 6000, 8600],
        load: [0, 20, 50, 100],
        afr: [
          [14.1, 14.1, 13.5, 13.0],
          [14.3, 14.1, 13.4, 12.9],
          [14.0, 13.7, 13.1, 12.8],
          [13.7, 13.3, 12.9, 12.7],
        ],
      },
      filters: {
        coldBelowC: 70,
        crankingBelowRpm: 450,
        overrunThrottlePct: 1,
        throttleRatePctPerS: 40,
        afrRange: [9, 20],
      },
      cautions: [
        'Coil primaries swing to 350 V: never pierced, never probed running.',
        'Belt housing and both drive shafts turn beside the loom: tie it to the tunnel, not to them.',
      ],
    },
    {
      access: skuaAccess,
      routes: skuaRoutes,
      zones: `
        throttle | Throttle body, under the engine lid | hot vibration air 70
        engine | Engine, rear side | hot wet vibration air 75
        tunnel | Tunnel between the seats | wet vibration
        seat | Under the passenger's seat | dry
        hood | Under the hood | wet
        dash | Behind the dash | dry
        bed | Under the bed | wet vibration
        tail | Tail | wet`,
      nets: `
        bat | Battery 12 V | supply-always supply | rd 6
        bat-m | Battery 12 V, main fuse 40 A | supply-always supply | rd/bk 3
        *a bat-ecu | ECU 12 V, fuse 15 A | supply-always supply | rd/wh 0.85
        bat-fan | Fan 12 V, fuse 25 A | supply-always supply | rd/or 2
        *a ign | Ignition 12 V | supply-switched supply | or/wh 1 | spare 2
        acc | Accessory bar 12 V | supply-switched supply | or/bk 2 | spare 10
        inj-feed | Injector and coil 12 V | supply-switched supply | or/ye 0.75 | spare 1
        pump-feed | Fuel pump 12 V | supply-switched fuel-pump | or/bu 0.85
        gnd | Power ground | power-ground ground | bn 1
        *a ecu-gnd | ECU power ground | power-ground ground | bn/bk 0.85
        *a sgnd | Sensor ground | sensor-ground ground | bn/ye 0.5
        *a ref5 | 5 V reference | reference-5v supply | wh/rd 0.5 | spare 0.02
        *a inj-1 | Injector drive, clutch side | injector-drive injector c1 | wh/gn 0.5
        *a inj-2 | Injector drive, generator side | injector-drive injector c2 | wh/bu 0.5
        *a coil-1 | Coil drive, clutch side | coil-drive coil c1 | gn/bu 0.75
        *a coil-2 | Coil drive, generator side | coil-drive coil c2 | gn/wh 0.75
        *a crank-p | Crank signal | frequency crank | ye 0.5
        *a crank-n | Crank sensor return | sensor-ground crank | ye/bn 0.5
        *a tps-1 | Blade position, track 1 | analogue-0-5 throttle-position t1 | vi 0.35
        *a tps-2 | Blade position, track 2 | analogue-0-5 throttle-position t2 | vi/wh 0.35
        *a tm-p | Blade motor plus | motor-drive throttle-motor | gn/rd 0.75
        *a tm-n | Blade motor minus | motor-drive throttle-motor | gn/bk 0.75
        *a pedal-1 | Pedal position, track 1 | analogue-0-5 pedal-position t1 | bu/wh 0.35
        *a pedal-2 | Pedal position, track 2 | analogue-0-5 pedal-position t2 | bu/ye 0.35
        *a map | Manifold pressure | analogue-0-5 manifold-pressure | gn/or 0.35
        *a iat | Intake air temperature | analogue-0-5 air-temperature | vi/gn 0.35
        *a clt | Coolant temperature | analogue-0-5 coolant-temperature | bu/or 0.35
        *a belt | Belt housing temperature | analogue-0-5 oil-temperature | bu/gn 0.35
        *a speed | Gearbox speed | frequency vehicle-speed | bn/bu 0.35
        *a gear | Gear position | analogue-0-5 gear | wh/ye 0.35
        *a brake | Brake switch | switch brake-lamp | or/rd 0.5
        *a seatbelt | Belt buckle switch | switch button c1 | ye/bk 0.35
        *a start-s | Start request | switch start | or/gn 0.5
        *a start-d | Start relay drive | low-side-drive start | wh/bk 0.5
        *a fan-d | Fan relay drive | low-side-drive fan | ye/gn 0.5
        *a pump-d | Pump relay drive | low-side-drive fuel-pump | ye/or 0.5
        *a main-d | Main relay drive | low-side-drive relay | ye/vi 0.5
        *a awd | Front drive clutch | low-side-drive valve | gy/or 0.85
        *a bus-h | Bus high | bus-high bus | gn 0.35
        *a bus-l | Bus low | bus-low bus | gn/ye 0.35
        *a eps | Engine running line | data-line diagnostic | gy/wh 0.35
        fan-feed | Fan switched 12 V | supply-switched fan | or/vi 2
        *a fan-ans | Fan answer | frequency fan | ye/wh 0.35
        level | Fuel level | analogue-0-5 level | pk 0.35
        lamps | Tail and dash lamps, key on | supply-switched lamp | bn/wh 0.75 | spare 1.5
        low-b | Headlamps | supply-switched beam | gn/pk 1 | spare 1
        stop-l | Brake lamps | supply-switched brake-lamp | or/pk 0.75 | spare 1
        awd-sw | Front drive switch | switch selector | gy/pk 0.35
        gen-a | Generator phase A | frequency charge | wh 3
        gen-b | Generator phase B | frequency charge | wh/pk 3
        gen-c | Generator phase C | frequency charge | wh/lg 3`,
      plugs: `
        injector-1 | Clutch side injector plug | clutch side injector | throttle | on the intake, left, wires upwards | sealed black oval two-ribs | thumb tab | inj-feed inj-1
        injector-2 | Generator side injector plug | generator side injector | throttle | on the intake, right, wires upwards | sealed black oval two-ribs | thumb tab | inj-feed inj-2
        coil | Double coil plug | double coil | engine | on the head, between the plugs | sealed black rectangle notch | thumb tab | coil-1 inj-feed coil-2
        crank | Crank sensor plug | crank sensor | engine | behind the generator, lower | sealed grey oval flat | thumb tab | crank-p crank-n
        throttle | Throttle body plug | throttle body | throttle | below the throttle body | sealed black rectangle side-rib | slide then press red | [2 rows] ref5 tps-1 sgnd tps-2 tm-p tm-n
        pedal | Pedal plug | pedal sensor | dash | above the pedal | sealed black rectangle two-ribs | thumb tab | [2 rows] ref5 pedal-1 sgnd ref5 pedal-2 sgnd
        pressure | Pressure and air temperature plug | pressure and air temperature sensor | throttle | on the intake, middle | sealed grey rectangle flat | thumb tab | sgnd iat ref5 map
        coolant | Coolant sensor plug | coolant sensor | engine | thermostat housing | sealed green oval flat | thumb tab | clt sgnd
        belt | Belt temperature plug | belt temperature sensor | engine | on the belt housing | sealed blue oval flat | thumb tab | belt sgnd
        speed | Speed sensor plug | speed sensor | bed | on the gearbox, rear, black shell | sealed black rectangle flat | slide then press yellow | ign speed gnd
        fan | Fan plug | radiator fan | hood | behind the radiator, right | sealed black rectangle side-rib | slide then press yellow | fan-feed fan-ans gnd
        gear | Gear sensor plug | gear sensor | bed | left of the gearbox | sealed black rectangle notch | thumb tab | ref5 gear sgnd
        front-drive | Front drive plug | front drive clutch | hood | front differential | sealed black oval none | thumb tab | ign awd
        pump | Fuel pump plug | fuel pump | seat | on the tank, under the passenger's seat | sealed black rectangle none | squeeze | [2 rows] pump-feed gnd level sgnd
        brake-switch | Brake switch plug | brake switch | hood | on the brake cylinder | sealed black oval notch | thumb tab | lamps brake
        buckle | Belt buckle plug | belt buckle | seat | at the driver's buckle | sealed white oval none | thumb tab | seatbelt gnd
        ignition | Ignition switch plug | ignition switch | dash | right of the wheel | sealed black rectangle flat | thumb tab | [2 rows] bat-m ign acc start-s
        dash | Dash plug | instruments | dash | behind the dash, middle | sealed grey rectangle two-ribs | thumb tab | [2 rows] ign gnd bus-h bus-l level lamps awd-sw -
        lamp-switch | Lamp switch plug | lamp switch | dash | left of the wheel | open black rectangle notch | squeeze | ign lamps low-b
        drive-switch | Drive switch plug | drive switch | dash | left of the wheel, lower | open black rectangle side-rib | squeeze | awd-sw gnd
        steering | Power steering plug | power steering unit | hood | on the steering column | sealed black rectangle flat | thumb tab | [2 rows] bat-m gnd ign eps bus-h bus-l
        head-l | Left headlamp plug | left headlamp | hood | behind the left headlamp | sealed black rectangle none | thumb tab | low-b lamps gnd
        head-r | Right headlamp plug | right headlamp | hood | behind the right headlamp | sealed black rectangle none | thumb tab | low-b lamps gnd
        tail-lamp | Tail lamp plug | tail lamps | tail | under the bed, right | sealed black rectangle notch | thumb tab | lamps stop-l gnd
        stop-relay | Brake lamp relay plug | brake lamp relay | hood | relay strip, front | square black rectangle none | none | [2 rows] ign brake gnd stop-l
        main-relay | Main relay plug | main relay | hood | relay strip, second | square black rectangle none | none | [2 rows] bat-ecu ign main-d inj-feed
        pump-relay | Pump relay plug | pump relay | hood | relay strip, third | square black rectangle none | none | [2 rows] bat-ecu ign pump-d pump-feed
        fan-relay | Fan relay plug | fan relay | hood | relay strip, rear | square black rectangle none | none | [2 rows] bat-fan ign fan-d fan-feed
        start-relay | Start relay plug | start relay | seat | beside the battery | square green rectangle notch | squeeze | [2 rows] bat ign start-d gnd
        fuses | Fuse box plug | fuse box | hood | left under the hood | sealed white rectangle two-ribs | thumb tab | [2 rows] bat bat-m bat-m bat-ecu bat-m bat-fan
        accessory-bar | Accessory bar plug | accessory bar | dash | behind the dash, right | open black rectangle flat | thumb tab | acc gnd
        regulator | Regulator plug | regulator | bed | front wall of the bed | sealed black rectangle two-ribs | thumb tab | gen-a gen-b gen-c bat gnd
        generator | Generator plug | generator | engine | right of the engine | sealed white rectangle none | thumb tab | gen-a gen-b gen-c
        diagnostic | Diagnostic plug | diagnostic socket | hood | beside the fuse box, red cap | sealed red rectangle flat | thumb tab | [2 rows] bat-ecu gnd bus-h bus-l ign -
        ecu | ECU plug | ECU | seat | under the passenger's seat, on the wall | sealed black rectangle two-ribs | lever grey | ecu a 48 in 3`,
      studs: `
        battery-negative | Battery negative | gnd | seat | front post | 6
        battery-positive | Battery positive | bat | seat | rear post, red boot | 6
        frame-ground | Frame ground cluster | gnd | seat | on the seat frame, four eyelets | 6
        engine-ground | Engine ground | ecu-gnd | engine | on the gearbox, braided strap | 8
        starter-live | Starter live stud | bat | engine | on the starter, under its boot | 8`,
    },
    [
      {
        id: 'working',
        name: 'Working version',
        tells: 'A tipping bed, and a second plug at the tail lamp.',
        nets: `
          bed-lamp | Bed and plate lamps, key on | supply-switched lamp | bn/pk 0.75 | spare 4`,
        plugs: `
          bed-lamp | Bed lamp plug | bed lamp | tail | under the bed, left | sealed white rectangle notch | thumb tab | bed-lamp gnd
          lamp-switch | Lamp switch plug | lamp switch | dash | left of the wheel | open black rectangle notch | squeeze | ign lamps low-b bed-lamp`,
      },
    ],
  )
}
