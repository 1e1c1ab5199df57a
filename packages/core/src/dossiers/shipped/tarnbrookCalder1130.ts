import { calderAccess } from './accessOfCycles.ts'
import { machineDocument } from './machineDocument.ts'
import { machineSteps } from './machineSteps.ts'
import { calderRoutes } from './routesOfCycles.ts'
import type { Machine } from './written.ts'

/** Tourer with a V-twin: sensors behind the fairing lowers, two bus wires from nose to tail. */
export function tarnbrookCalder1130(): Machine {
  return machineDocument(
    {
      id: 'tarnbrook-calder-1130',
      maker: 'Tarnbrook',
      model: 'Calder 1130 V',
      class: 'touring motorcycle',
      years: '2015 on',
      source: "The guest house's own machine, fairing lowers off, 2026-04.",
      engine: { cylinders: 2, cooling: 'air', idleRpm: 950, limiterRpm: 6800, fuel: 'petrol', stoichAfr: 14.6 },
      batteries: ['battery-negative'],
      steps: machineSteps({
        identity:
          'Read the frame plate: Calder 1130 V. From 2019 on the bus socket under the seat has six pins, earlier four.',
        identityWhy: 'The six-pin socket carries a second 12 V that is always live.',
        batteries: 1,
        coolMinutes: 45,
        battery: { place: 'under the seat, right post', torque: '5 N·m', posts: ['battery-negative'] },
        idle: [900, 1050],
        byWire: true,
        prove: 'Ride it warm on the road; the box learns while riding, the dial is only glanced at.',
        cautions: { cool: 'Air-cooled: both cylinders stay hot long after the ride, the rear one longest.' },
      }),
      target: {
        rpm: [1000, 2500, 4500, 6800],
        load: [0, 20, 50, 100],
        afr: [
          [14.0, 14.0, 13.4, 12.8],
          [14.1, 14.0, 13.3, 12.7],
          [13.9, 13.6, 13.1, 12.5],
          [13.6, 13.2, 12.8, 12.5],
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
        'The steering head turns 38° each way: every lead to the dial needs slack both ways.',
      ],
    },
    {
      access: calderAccess,
      routes: calderRoutes,
      zones: `
        vee | Between the cylinders, under the tank | hot vibration air 70
        lower-left | Behind the left fairing lower | wet
        lower-right | Behind the right fairing lower | wet
        tank | Backbone, under the tank | dry
        nose | Inside the fairing | dry
        head | Steering head | wet vibration
        seat | Under the seat | dry
        tail | Tail | wet
        engine | Lower engine, by the oil filter | hot wet vibration air 70`,
      nets: `
        bat | Battery 12 V | supply-always supply | rd 6
        bat-m | Battery 12 V, main fuse 40 A | supply-always supply | rd/bk 3
        bat-mem | Battery 12 V, memory fuse 15 A | supply-always supply | rd/gy 0.75
        *a ign | Ignition 12 V | supply-switched supply | gy 1 | spare 2
        acc | Accessory 12 V, fuse 10 A | supply-switched supply | gy/or 1 | spare 4
        inj-feed | Injector and coil 12 V from the system relay | supply-switched supply | gn/gy 0.75 | spare 1
        gnd | Power ground | power-ground ground | bk 1
        *a ecu-gnd | ECU power ground | power-ground ground | bk/gn 0.75
        *a sgnd | Sensor ground | sensor-ground ground | bk/wh 0.5
        *a ref5 | 5 V reference | reference-5v supply | rd/wh 0.5 | spare 0.02
        *a inj-f | Injector drive, front | injector-drive injector c1 | wh/ye 0.5
        *a inj-r | Injector drive, rear | injector-drive injector c2 | gn/ye 0.5
        *a coil-f | Coil drive, front | coil-drive coil c1 | bu/or 0.75
        *a coil-r | Coil drive, rear | coil-drive coil c2 | ye/bu 0.75
        *a crank-p | Crank signal | frequency crank | rd/bu 0.5
        *a crank-n | Crank sensor return | sensor-ground crank | bk/bu 0.5
        *a grip-1 | Grip position, track 1 | analogue-0-5 pedal-position t1 | br/wh 0.35
        *a grip-2 | Grip position, track 2 | analogue-0-5 pedal-position t2 | br/bk 0.35
        *a tps-1 | Throttle plate position, track 1 | analogue-0-5 throttle-position t1 | lb 0.35
        *a tps-2 | Throttle plate position, track 2 | analogue-0-5 throttle-position t2 | lb/or 0.35
        *a tm-p | Throttle motor plus | motor-drive throttle-motor | br/rd 0.75
        *a tm-n | Throttle motor minus | motor-drive throttle-motor | br/ye 0.75
        *a map | Manifold pressure | analogue-0-5 manifold-pressure | vi/wh 0.35
        *a iat | Intake air temperature | analogue-0-5 air-temperature | lg/ye 0.35
        *a head-t | Head temperature | analogue-0-5 coolant-temperature | pk/ye 0.35
        *a o2-f | Oxygen sensor signal, front | analogue-0-5 oxygen c1 | vi/gn 0.35
        *a o2-r | Oxygen sensor signal, rear | analogue-0-5 oxygen c2 | vi/gy 0.35
        *a o2h-f | Oxygen heater, front | low-side-drive heater c1 | wh/pk 0.5
        *a o2h-r | Oxygen heater, rear | low-side-drive heater c2 | wh/gn 0.5
        *a speed | Road speed | frequency vehicle-speed | wh/rd 0.35
        *a stand | Side stand sensor | switch stand | gn/br 0.35
        *a clutch | Clutch switch | switch clutch | bk/rd 0.35
        *a neutral | Neutral switch | switch neutral | gy/vi 0.35
        *a oil-t | Oil temperature | analogue-0-5 oil-temperature | ye/bk 0.35
        *a relay-drive | System relay coil | low-side-drive relay | gn/or 0.5
        *a pump-drive | Pump relay coil | low-side-drive fuel-pump | gn/rd 0.5
        *a ev | Exhaust valve motor | motor-drive valve | or/gn 0.5
        *a purge | Canister valve drive | low-side-drive valve | gn/bk 0.5
        *a bus-h | Bus high | bus-high bus | wh/bk 0.35 | reads ohm 58..62 battery off
        *a bus-l | Bus low | bus-low bus | wh/br 0.35 | reads ohm 58..62 battery off
        pump-feed | Fuel pump 12 V | supply-switched fuel-pump | ye/gn 0.75
        level | Fuel level | analogue-0-5 level | ye/wh 0.35
        oil | Oil pressure switch | switch oil-pressure | gn/vi 0.35
        low-beam | Dipped beam | supply-switched beam | ye 0.75 | electronic
        high-beam | Main beam | supply-switched beam | wh 0.75 | electronic
        tail | Tail lamp, key on | supply-switched lamp | bu 0.5 | electronic
        brake | Brake lamp | supply-switched brake-lamp | rd/ye 0.5 | electronic
        plate | Plate and bag lamps, key on | supply-switched lamp | bu/wh 0.5 | spare 1.5
        turn-l | Left indicators | supply-switched indicator | vi 0.5 | electronic
        turn-r | Right indicators | supply-switched indicator | br 0.5 | electronic
        horn | Horn | supply-switched horn | ye/bk 0.75
        start-drive | Starter relay coil | low-side-drive start | bk/ye 0.5
        mod-l | Left switch line | data-line button | or/wh 0.35
        mod-r | Right switch line | data-line button | or/vi 0.35
        gen-a | Generator phase A | frequency charge | wh/lb 3
        gen-b | Generator phase B | frequency charge | wh/or 3
        gen-c | Generator phase C | frequency charge | wh/gy 3`,
      plugs: `
        injector-f | Front injector plug | front injector | vee | left of the throttle body, wires forwards | sealed grey oval two-ribs | thumb tab | inj-feed inj-f
        injector-r | Rear injector plug | rear injector | vee | right of the throttle body, wires rearwards | sealed grey oval two-ribs | thumb tab | inj-feed inj-r
        coil | Coil plug | double coil | tank | under the front of the tank, left | sealed black rectangle notch | slide then press grey | [2 rows] inj-feed coil-f inj-feed coil-r
        crank | Crank sensor plug | crank sensor | engine | lower left, by the oil filter | sealed black oval flat | thumb tab | crank-p crank-n
        grip | Grip sensor plug | grip sensor | nose | inside the fairing, at the bar riser | sealed black rectangle two-ribs | slide then press red | [2 rows] ref5 grip-1 sgnd ref5 grip-2 sgnd
        throttle | Throttle body plug | throttle body | vee | right side of the throttle body | sealed black rectangle side-rib | slide then press red | [2 rows] ref5 tps-1 sgnd tps-2 tm-p tm-n
        pressure | Pressure sensor plug | pressure sensor | vee | on top of the intake | sealed black rectangle flat | thumb tab | ref5 map sgnd
        air-temperature | Air temperature plug | air temperature sensor | vee | backplate of the air cleaner | sealed grey oval flat | thumb tab | iat sgnd
        head-temperature | Head temperature plug | head temperature sensor | vee | left of the front head | sealed green oval flat | thumb tab | head-t sgnd
        oil-temperature | Oil temperature plug | oil temperature sensor | engine | front of the sump | sealed black oval side-rib | thumb tab | oil-t sgnd
        oxygen-f | Front oxygen sensor plug | front oxygen sensor | lower-right | behind the right fairing lower, upper of two | sealed black rectangle flat | thumb tab | [2 rows] o2-f sgnd inj-feed o2h-f
        oxygen-r | Rear oxygen sensor plug | rear oxygen sensor | lower-right | behind the right fairing lower, lower of two | sealed grey rectangle flat | thumb tab | [2 rows] o2-r sgnd inj-feed o2h-r
        speed | Speed sensor plug | speed sensor | engine | top of the gearbox | sealed black rectangle notch | thumb tab | ref5 speed sgnd
        stand | Side stand sensor plug | side stand sensor | lower-left | behind the left fairing lower | sealed black rectangle two-ribs | thumb tab | ref5 stand sgnd
        neutral | Neutral switch plug | neutral switch | engine | gearbox lid | boot black round none | none | neutral
        clutch | Clutch switch plug | clutch switch | nose | at the clutch lever | open black rectangle none | none | clutch gnd
        pump | Fuel pump plug | fuel pump | tank | left rear of the tank | sealed black rectangle none | squeeze | [2 rows] pump-feed gnd level sgnd
        purge | Canister valve plug | canister valve | lower-left | behind the left fairing lower, front | sealed blue oval two-ribs | thumb tab | inj-feed purge
        exhaust-valve | Exhaust valve plug | exhaust valve motor | seat | under the seat, right | sealed black rectangle side-rib | thumb tab | inj-feed ev gnd
        dash | Dash plug | instruments | nose | behind the instruments | sealed black rectangle two-ribs | thumb tab | [2 rows] bat-mem ign gnd bus-h bus-l level oil low-beam high-beam tail brake horn
        body | Body unit plug | body unit | seat | under the seat, middle | sealed black rectangle flat | lever grey | [3 rows] bat-m ign gnd bus-h bus-l mod-l mod-r low-beam high-beam tail brake turn-l turn-r horn start-drive ecu-gnd acc -
        left-switch | Left switch plug | left switch block | nose | inside the fairing, left | sealed black rectangle none | thumb tab | bat-mem mod-l gnd
        right-switch | Right switch plug | right switch block | nose | inside the fairing, right | sealed grey rectangle none | thumb tab | bat-mem mod-r gnd
        headlamp | Headlamp plug | headlamp | nose | behind the headlamp | sealed grey rectangle notch | thumb tab | low-beam high-beam gnd
        turn-front | Front indicators plug | front indicators | nose | at the lower yoke | sealed black rectangle notch | thumb tab | turn-l turn-r gnd
        tail-lamp | Tail lamp plug | tail lamp | tail | under the rear fender | sealed black rectangle flat | thumb tab | [2 rows] tail brake gnd turn-l turn-r gnd
        plate-lamp | Plate and bag lamp plug | plate and bag lamps | tail | under the rear fender, right | sealed white rectangle flat | thumb tab | plate gnd
        ignition | Ignition switch plug | ignition switch | head | below the fairing bracket | sealed white rectangle none | squeeze | bat-m ign acc
        fuses | Fuse box plug | fuse box | seat | left, under the seat | sealed white rectangle two-ribs | thumb tab | [2 rows] bat-m bat-mem ign plate
        system-relay | System relay plug | system relay | seat | beside the fuse box | square black rectangle none | none | [2 rows] bat-m ign relay-drive inj-feed
        pump-relay | Pump relay plug | pump relay | seat | behind the system relay | square black rectangle none | none | [2 rows] bat-m ign pump-drive pump-feed
        start-relay | Starter relay plug | starter relay | seat | behind the battery | square green rectangle notch | squeeze | bat start-drive bat-m
        regulator | Regulator plug | regulator | lower-left | front of the frame | sealed black rectangle two-ribs | thumb tab | gen-a gen-b gen-c bat gnd
        generator | Generator plug | generator | engine | left of the crankcase | sealed white rectangle side-rib | thumb tab | gen-a gen-b gen-c
        oil | Oil pressure plug | oil pressure switch | engine | right of the oil filter | boot black round none | none | oil
        bus-socket | Bus socket | bus socket | seat | under the seat, grey cap | sealed grey rectangle two-ribs | thumb tab | [2 rows] ign gnd bus-h bus-l
        ecu | ECU plug | ECU | tank | under the tank, backbone | sealed black rectangle two-ribs | lever grey | ecu a 48 in 3`,
      studs: `
        battery-negative | Battery negative | gnd | seat | left post | 6
        battery-positive | Battery positive | bat | seat | right post, under the red boot | 6
        frame-ground | Frame ground stud | gnd | tank | backbone, two studs under the tank: the forward one | 6
        engine-ground | Engine ground stud | ecu-gnd | tank | backbone, the rear one of the two | 6
        starter-live | Starter live stud | bat | engine | on the starter, under its boot | 8`,
    },
    [
      {
        id: 'from-2019',
        name: 'From 2019',
        tells: 'The grey-capped bus socket under the seat has six pins.',
        plugs: `
          bus-socket | Bus socket | bus socket | seat | under the seat, grey cap | sealed grey rectangle two-ribs | thumb tab | [2 rows] ign gnd bus-h bus-l bat-mem -`,
      },
    ],
  )
}
