import { kittiwakeAccess } from './accessOfCycles.ts'
import { eachOf, machineDocument } from './machineDocument.ts'
import { machineSteps } from './machineSteps.ts'
import { kittiwakeRoutes } from './routesOfCycles.ts'
import type { Machine } from './written.ts'

const cylinders = [1, 2, 3, 4]
const lower = ['pk/bk', 'pk/bu', 'pk/gn', 'pk/ye']
const upper = ['vi/bk', 'vi/bu', 'vi/gn', 'vi/ye']
const coils = ['or/bk', 'or/bu', 'or/gn', 'or/wh']

/** Sport motorcycle: four cylinders, two rows of injectors, throttle by cable with a second plate by motor. */
export function ostrelKittiwake640(): Machine {
  return machineDocument(
    {
      id: 'ostrel-kittiwake-640',
      maker: 'Ostrel',
      model: 'Kittiwake 640 Four',
      class: 'sport motorcycle',
      years: '2014 to 2021',
      source: 'Loom taken out and buzzed through on the yard bench, 2026-02; voltages from the running machine.',
      engine: { cylinders: 4, cooling: 'liquid', idleRpm: 1300, limiterRpm: 14000, fuel: 'petrol', stoichAfr: 14.6 },
      batteries: ['battery-negative'],
      steps: machineSteps({
        identity:
          'Read the frame plate: Kittiwake 640 Four, and the year. From 2018 on the oxygen sensor plug has four pins instead of one.',
        identityWhy: 'The later one runs in closed loop at cruise, and takes back there what the trim adds.',
        batteries: 1,
        battery: { place: "under the rider's seat, front post", torque: '4 N·m', posts: ['battery-negative'] },
        pressure: {
          text: 'Let the fuel pressure down: pull the pump relay, crank twice for three seconds, relay back.',
          plug: 'pump-relay',
        },
        idle: [1200, 1400],
        prove: 'Ride it warm on a closed road or take it to a rolling road; full load above 10,000 rpm belongs there.',
        cautions: { cool: 'Hot head right under the throttle bodies; the collector stays hot for half an hour.' },
      }),
      target: {
        rpm: [2000, 6000, 10000, 14000],
        load: [0, 20, 50, 100],
        afr: [
          [14.2, 14.2, 13.6, 13.1],
          [14.3, 14.1, 13.4, 13.0],
          [14.0, 13.7, 13.1, 12.9],
          [13.8, 13.4, 12.9, 12.8],
        ],
      },
      filters: {
        coldBelowC: 70,
        crankingBelowRpm: 500,
        overrunThrottlePct: 1,
        throttleRatePctPerS: 40,
        afrRange: [9, 20],
      },
      cautions: [
        'Each coil primary swings to 380 V: it is not pierced and not probed while the engine turns.',
        'Upper and lower injector plugs are the same shell: the row is known by the wire, pink below and violet above.',
      ],
    },
    {
      access: kittiwakeAccess,
      routes: kittiwakeRoutes,
      zones: `
        throttle-bodies | Throttle bodies, under the airbox | vibration
        airbox | Airbox, under the tank | dry
        head | Cylinder head, between the frame spars | hot vibration air 70
        engine-right | Right engine side, by the starter | wet vibration
        engine-left | Left engine side, by the sprocket | wet vibration
        under-tank | Under the tank, along the spars | dry
        nose | Behind the nose fairing | wet
        bar | Handlebar and steering head | wet vibration
        seat | Under the rider's seat | dry
        tail | Tail | wet
        collector | Below the engine, by the exhaust collector | hot wet vibration air 70`,
      nets: `
        bat | Battery 12 V | supply-always supply | rd 4
        bat-m | Battery 12 V, main fuse 30 A | supply-always supply | rd/bk 2
        bat-mem | Battery 12 V, memory fuse 10 A | supply-always supply | rd/gn 0.5
        ign | Ignition 12 V from the switch | supply-switched supply | br/wh 1.25 | spare 2
        *a ign-ecu | ECU 12 V, fuse 10 A | supply-switched supply | br/rd 0.5
        lamps-f | Lamps 12 V, fuse 15 A | supply-switched supply | ye/wh 1 | spare 2
        inj-feed | Injector and coil 12 V from the main relay | supply-switched supply | rd/wh 0.75 | spare 1.5
        pump-feed | Fuel pump 12 V | supply-switched fuel-pump | rd/bu 0.85
        fan-feed | Fan 12 V | supply-switched fan | bu/rd 1
        gnd | Power ground | power-ground ground | bk 0.85
        *a ecu-gnd | ECU power ground | power-ground ground | bk/ye 0.85
        *a sgnd | Sensor ground | sensor-ground ground | br 0.5
        *a ref5 | 5 V reference | reference-5v supply | ye 0.5 | spare 0.02
        ${eachOf(cylinders, (n, i) => `*a inj-${n}-low | Injector ${n} drive, lower row | injector-drive injector c${n} lower | ${lower[i]} 0.5`)}
        ${eachOf(cylinders, (n, i) => `*a inj-${n}-up | Injector ${n} drive, upper row | injector-drive injector c${n} upper | ${upper[i]} 0.5`)}
        ${eachOf(cylinders, (n, i) => `*a coil-${n} | Coil ${n} drive | coil-drive coil c${n} | ${coils[i]} 0.75`)}
        *a crank | Crank signal | frequency crank | ye/bk 0.5
        *a cam | Cam signal | frequency cam | gy/rd 0.5
        *a tps | Throttle position | analogue-0-5 throttle-position | gy/bk 0.35
        *a stps | Second throttle position | analogue-0-5 position | gy/wh 0.35
        *a stm-a | Second throttle motor A | motor-drive throttle-motor | gn/bk 0.5
        *a stm-b | Second throttle motor B | motor-drive throttle-motor | gn/wh 0.5
        *a stm-c | Second throttle motor C | motor-drive throttle-motor | gn/ye 0.5
        *a stm-d | Second throttle motor D | motor-drive throttle-motor | gn/rd 0.5
        *a map-1 | Manifold pressure, cylinders 1 and 2 | analogue-0-5 manifold-pressure c1 | gn/bu 0.35
        *a map-2 | Manifold pressure, cylinders 3 and 4 | analogue-0-5 manifold-pressure c3 | gn/pk 0.35
        *a iat | Intake air temperature | analogue-0-5 air-temperature | wh/bu 0.35
        *a clt | Coolant temperature | analogue-0-5 coolant-temperature | wh/bk 0.35
        *a o2 | Oxygen sensor signal | analogue-0-5 oxygen | wh 0.35
        *a tilt | Tip-over signal | analogue-0-5 tilt | bu/ye 0.35
        *a speed | Road speed | frequency vehicle-speed | ye/wh 0.35
        *a gear | Gear position | analogue-0-5 gear | wh/ye 0.35
        *a neutral | Neutral switch | switch neutral | lg 0.35
        *a stand | Side stand switch | switch stand | gn/br 0.35
        *a clutch | Clutch switch | switch clutch | bk/wh 0.35
        *a start | Start button | switch start | wh/rd 0.5
        *a stop-run | Run switch, key on | supply-switched supply | or/ye 0.5 | spare 1
        *a start-drive | Starter relay coil | low-side-drive start | ye/gn 0.5
        *a main-drive | Main relay coil | low-side-drive relay | br/bk 0.5
        *a pump-drive | Pump relay coil | low-side-drive fuel-pump | br/gn 0.5
        *a fan-drive | Fan relay coil | low-side-drive fan | bu/bk 0.5
        *a purge | Canister valve drive | low-side-drive valve | vi 0.5
        *a ev-open | Exhaust valve motor open | motor-drive valve | pk 0.5
        *a ev-close | Exhaust valve motor close | motor-drive valve | pk/wh 0.5
        *a ev-pos | Exhaust valve position | analogue-0-5 position | wh/gn 0.35
        *a tacho | Engine speed to the dash | frequency crank | bk/rd 0.35
        *a fault | Fault lamp line | data-line lamp | gy/bu 0.35
        *a diag | Diagnostic line | data-line diagnostic | wh/pk 0.35
        *a immo | Immobiliser line | data-line immobiliser | bu/wh 0.35
        level | Fuel level | analogue-0-5 level | ye/rd 0.35
        oil | Oil pressure switch | switch oil-pressure | bu/gn 0.35
        low-beam | Dipped beam | supply-switched beam | wh/bu 0.85 | spare 0.5
        high-beam | Main beam | supply-switched beam | ye/bu 0.85 | spare 0.5
        tail | Tail and plate lamps, key on | supply-switched lamp | br/bu 0.5 | spare 1.5
        brake | Brake lamp | supply-switched brake-lamp | gn/vi 0.5 | spare 1
        turn-l | Left indicators | supply-switched indicator | bk/pk 0.5
        turn-r | Right indicators | supply-switched indicator | lb/bk 0.5
        turn-feed | Indicator relay output | supply-switched indicator | gy 0.5
        horn | Horn | supply-switched horn | lg/bk 0.5
        gen-a | Generator phase A | frequency charge | wh 2
        gen-b | Generator phase B | frequency charge | wh/br 2
        gen-c | Generator phase C | frequency charge | wh/or 2`,
      plugs: `
        ${eachOf(cylinders, (n) => `injector-${n}-low | Injector ${n} plug, lower row | injector ${n}, lower row | throttle-bodies | on throttle body ${n}, on the engine side, wires leave downwards | sealed grey oval two-ribs | thumb tab | inj-feed inj-${n}-low`)}
        ${eachOf(cylinders, (n) => `injector-${n}-up | Injector ${n} plug, upper row | injector ${n}, upper row | airbox | in the airbox lid above trumpet ${n} | sealed grey oval two-ribs | thumb tab | inj-feed inj-${n}-up`)}
        ${eachOf(cylinders, (n) => `coil-${n} | Coil ${n} plug | stick coil ${n} | head | in the plug well of cylinder ${n}, counted from the left | sealed black oval notch | thumb tab | inj-feed coil-${n}`)}
        crank | Crank sensor plug | crank sensor | engine-right | below the starter, its lead comes out of the right cover | sealed black rectangle flat | slide then press yellow | sgnd crank ref5
        speed | Speed sensor plug | speed sensor | engine-right | a hand behind the starter, its lead comes from the gearbox | sealed brown rectangle side-rib | slide then press yellow | sgnd speed ref5
        cam | Cam sensor plug | cam sensor | head | right end of the head cover | sealed black rectangle notch | thumb tab | sgnd cam ref5
        throttle | Throttle sensor plug | throttle sensor | throttle-bodies | right end of the throttle bodies, lower of two | sealed black rectangle flat | thumb tab | ref5 tps sgnd
        sub-throttle | Second throttle sensor plug | second throttle sensor | throttle-bodies | right end of the throttle bodies, upper of two | sealed grey rectangle notch | thumb tab | ref5 stps sgnd
        sub-motor | Second throttle motor plug | second throttle motor | throttle-bodies | left end of the throttle bodies | sealed black rectangle two-ribs | thumb tab | stm-a stm-b stm-c stm-d
        pressure-1 | Pressure sensor 1 plug | pressure sensor 1 | under-tank | left spar, on the rubber strap | sealed black rectangle side-rib | thumb tab | sgnd map-1 ref5
        pressure-2 | Pressure sensor 2 plug | pressure sensor 2 | under-tank | right spar, on the rubber strap | sealed black rectangle side-rib | thumb tab | sgnd map-2 ref5
        air-temperature | Air temperature plug | air temperature sensor | airbox | left wall of the airbox | sealed black oval flat | thumb tab | iat sgnd
        coolant | Coolant sensor plug | coolant sensor | head | thermostat housing, left of the head | sealed green oval flat | thumb tab | clt sgnd
        oxygen | Oxygen sensor plug | oxygen sensor | collector | behind the right foot plate | sealed grey rectangle none | thumb tab | o2 gnd
        pump | Fuel pump plug | fuel pump | under-tank | tank rear, right of the pump plate | square white rectangle notch | squeeze | pump-feed gnd level .
        tilt | Tip-over sensor plug | tip-over sensor | seat | left of the battery | sealed black rectangle two-ribs | thumb tab | ref5 tilt sgnd
        gear | Gear sensor plug | gear sensor | engine-left | behind the sprocket cover | sealed black rectangle notch | thumb tab | sgnd gear neutral
        stand | Side stand plug | side stand switch | engine-left | left spar, above the stand | sealed green rectangle none | thumb tab | stand gnd
        clutch | Clutch switch plug | clutch switch | bar | under the clutch lever | open black rectangle none | none | clutch sgnd
        exhaust-valve | Exhaust valve plug | exhaust valve motor | tail | right under the seat hump | sealed black rectangle flat | thumb tab | ev-open ev-close ref5 ev-pos sgnd
        purge | Canister valve plug | canister valve | under-tank | left spar, front | sealed blue oval two-ribs | thumb tab | inj-feed purge
        fan | Fan plug | radiator fan | nose | behind the radiator, left | sealed black oval none | thumb tab | fan-feed gnd
        horn | Horn plugs | horn | nose | under the lower yoke | open black rectangle none | none | horn gnd
        headlamp | Headlamp plug | headlamp | nose | behind the headlamp | square white rectangle none | squeeze | low-beam high-beam gnd
        turn-fl | Left front indicator plug | left front indicator | nose | inside the nose fairing, left | open black rectangle none | none | turn-l gnd
        turn-fr | Right front indicator plug | right front indicator | nose | inside the nose fairing, right | open black rectangle none | none | turn-r gnd
        turn-rl | Left rear indicator plug | left rear indicator | tail | in the tail, left | open black rectangle none | none | turn-l gnd
        turn-rr | Right rear indicator plug | right rear indicator | tail | in the tail, right | open black rectangle none | none | turn-r gnd
        tail-lamp | Tail lamp plug | tail lamp | tail | in the tail, middle | square white rectangle notch | thumb tab | tail brake gnd
        plate-lamp | Plate lamp plug | plate lamp | tail | under the tail, by the plate | open black rectangle none | none | tail gnd
        brake-f | Front brake switch plug | front brake switch | bar | under the brake lever | open black rectangle none | none | lamps-f brake
        brake-r | Rear brake switch plug | rear brake switch | engine-right | above the brake pedal | sealed black rectangle none | thumb tab | lamps-f brake
        dash | Dash plug | instruments | nose | behind the instruments | sealed grey rectangle two-ribs | thumb tab | [2 rows] bat-mem lamps-f gnd tacho fault speed level oil clt neutral turn-l turn-r high-beam tail - -
        left-switch | Left switch plug | left switch block | bar | inside the nose fairing, left spar | square black rectangle notch | thumb tab | [2 rows] lamps-f low-beam high-beam turn-feed turn-l turn-r horn gnd - -
        right-switch | Right switch plug | right switch block | bar | inside the nose fairing, right spar | square black rectangle flat | thumb tab | [2 rows] ign stop-run start gnd tail lamps-f
        ignition | Ignition switch plug | ignition switch | bar | behind the top yoke | square white rectangle side-rib | squeeze | bat-m ign
        immobiliser | Key antenna plug | key antenna | bar | around the ignition switch | sealed black rectangle none | thumb tab | ign-ecu immo gnd
        flasher | Indicator relay plug | indicator relay | nose | on the left fairing stay | open white rectangle none | none | lamps-f turn-feed gnd
        start-relay | Starter relay plug | starter relay | seat | right of the battery | square green rectangle notch | squeeze | [2 rows] bat bat-m stop-run start-drive
        main-relay | Main relay plug | main relay | seat | relay strip, nearest the battery | square black rectangle none | none | [2 rows] bat-m ign-ecu main-drive inj-feed
        pump-relay | Pump relay plug | pump relay | seat | relay strip, middle | square black rectangle none | none | [2 rows] bat-m ign-ecu pump-drive pump-feed
        fan-relay | Fan relay plug | fan relay | seat | relay strip, rear | square black rectangle none | none | [2 rows] bat-m ign-ecu fan-drive fan-feed
        fuses | Fuse box plug | fuse box | seat | left of the battery, under its lid | square white rectangle two-ribs | thumb tab | [2 rows] bat-m bat-mem ign ign-ecu ign lamps-f
        regulator | Regulator plug | regulator | engine-left | behind the left side fairing | sealed black rectangle two-ribs | thumb tab | gen-a gen-b gen-c bat gnd
        generator | Generator plug | generator | engine-left | left spar, above the sprocket cover | sealed white rectangle none | thumb tab | gen-a gen-b gen-c
        oil | Oil pressure plug | oil pressure switch | collector | sump, right | boot black round none | none | oil
        diagnostic | Diagnostic plug | diagnostic socket | seat | under the seat, white cap | sealed white rectangle flat | thumb tab | bat-mem gnd diag stop-run
        ecu | ECU plug | ECU | seat | in the tail tray, plug forwards | sealed black rectangle two-ribs | lever grey | ecu a 60 in 3`,
      studs: `
        battery-negative | Battery negative | gnd | seat | front post | 6
        battery-positive | Battery positive | bat | seat | rear post, under the red boot | 6
        engine-ground | Engine ground | ecu-gnd | engine-right | on the crankcase behind the starter, two eyelets | 6
        frame-ground | Frame ground | gnd | under-tank | left spar, painted: bright metal only under the washer | 6
        starter-live | Starter live stud | bat | engine-right | on the starter, under its boot | 6`,
    },
    [
      {
        id: 'from-2018',
        name: 'From 2018',
        tells: 'The oxygen sensor plug behind the right foot plate has four pins.',
        nets: `
          *a o2-heater | Oxygen sensor heater | low-side-drive heater | bk/gn 0.5`,
        plugs: `
          oxygen | Oxygen sensor plug | oxygen sensor | collector | behind the right foot plate | sealed grey rectangle flat | thumb tab | o2 sgnd inj-feed o2-heater`,
      },
    ],
  )
}
