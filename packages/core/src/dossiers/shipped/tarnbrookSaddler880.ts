import { saddlerAccess } from './accessOfCycles.ts'
import { eachOf, machineDocument } from './machineDocument.ts'
import { machineSteps } from './machineSteps.ts'
import { saddlerRoutes } from './routesOfCycles.ts'
import type { Machine } from './written.ts'

const cylinders = [1, 2]
const side = ['left', 'right']

/** Adventure motorcycle: parallel twin, throttle by wire, coils in strict order. */
export function tarnbrookSaddler880(): Machine {
  return machineDocument(
    {
      id: 'tarnbrook-saddler-880',
      maker: 'Tarnbrook',
      model: 'Saddler 880 Twin',
      class: 'adventure motorcycle',
      years: '2017 to 2023',
      source: 'Two machines of the yard, looms opened at the shrouds, 2026-03; colours checked against both.',
      engine: { cylinders: 2, cooling: 'liquid', idleRpm: 1250, limiterRpm: 9500, fuel: 'petrol', stoichAfr: 14.6 },
      batteries: ['battery-negative'],
      steps: machineSteps({
        identity:
          'Read the steering head plate: Saddler 880, and the year. From 2020 on there is a quick-shift sensor on the gear rod.',
        identityWhy: 'The later gear rod has one plug more; leave it alone, nothing of this kit goes there.',
        batteries: 1,
        battery: { place: 'under the left radiator shroud', torque: '4 N·m', posts: ['battery-negative'] },
        pressure: {
          text: 'Let the fuel pressure down: pull the pump relay, crank twice for three seconds, relay back.',
          plug: 'pump-relay',
        },
        idle: [1150, 1350],
        byWire: true,
        prove: 'Ride it warm over ground you know, first on the road, standing on the pegs once: nothing rattles.',
        cautions: { cool: 'The collector passes right under the left shroud and stays hot.' },
      }),
      target: {
        rpm: [1500, 3500, 6000, 9500],
        load: [0, 20, 50, 100],
        afr: [
          [14.3, 14.3, 13.7, 13.2],
          [14.4, 14.2, 13.5, 13.1],
          [14.2, 13.8, 13.2, 12.9],
          [13.9, 13.5, 13.0, 12.8],
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
        'Both coil primaries swing to 350 V: never pierced, never probed running. Left and right fire apart: swapped, it backfires into the airbox.',
        'The throttle is by wire: nothing is tapped into its motor or into a grip track.',
      ],
    },
    {
      access: saddlerAccess,
      routes: saddlerRoutes,
      zones: `
        throttle | Throttle bodies, under the airbox | vibration
        airbox | Airbox, under the tank | dry
        shroud-left | Behind the left radiator shroud | hot wet air 70
        shroud-right | Behind the right radiator shroud | wet
        head | Cylinder head | hot vibration air 70
        engine-left | Left engine side, by the sprocket | wet vibration
        engine-right | Right engine side, by the clutch cover | wet vibration
        nose | Behind the instrument tower | wet
        bar | Handlebar and steering head | wet vibration
        seat | Under the seat | dry
        tail | Tail and rack | wet
        sump | Behind the sump guard | hot wet vibration air 70`,
      nets: `
        bat | Battery 12 V | supply-always supply | rd 4
        bat-m | Battery 12 V, main fuse 30 A | supply-always supply | rd/wh 2
        bat-mem | Battery 12 V, memory fuse 7.5 A | supply-always supply | rd/bk 0.5
        bat-abs | Battery 12 V, brake unit fuse 25 A | supply-always supply | rd/bu 2
        ign | Ignition 12 V from the switch | supply-switched supply | or 1.25 | spare 2
        *a ign-ecu | ECU 12 V, fuse 10 A | supply-switched supply | or/bk 0.5
        acc | Accessory 12 V, fuse 10 A | supply-switched supply | or/wh 1 | spare 4
        lamps-f | Lamps 12 V, fuse 15 A | supply-switched supply | ye/bk 1 | spare 2
        inj-feed | Injector and coil 12 V from the main relay | supply-switched supply | rd/ye 0.75 | spare 1.5
        pump-feed | Fuel pump 12 V | supply-switched fuel-pump | br/rd 0.85
        fan-feed | Fans 12 V | supply-switched fan | bu/ye 1.25
        gnd | Power ground | power-ground ground | bk 0.85
        *a ecu-gnd | ECU power ground | power-ground ground | bk/gn 0.85
        *a sgnd | Sensor ground | sensor-ground ground | br/wh 0.5
        *a ref5 | 5 V reference | reference-5v supply | ye/rd 0.5 | spare 0.02
        *a ref5-b | 5 V reference of the second grip track | reference-5v supply | ye/gn 0.5
        *a sgnd-b | Sensor ground of the second grip track | sensor-ground ground | br/gn 0.5
        ${eachOf(cylinders, (n, i) => `*a inj-${n} | Injector drive, ${side[i]} | injector-drive injector c${n} | ${['gn/or', 'gn/bk'][i]} 0.5`)}
        ${eachOf(cylinders, (n, i) => `*a coil-${n} | Coil drive, ${side[i]} | coil-drive coil c${n} | ${['wh/or', 'wh/bk'][i]} 0.75`)}
        *a crank-p | Crank signal | frequency crank | bu/wh 0.5
        *a crank-n | Crank sensor return | sensor-ground crank | wh/bu 0.5
        *a cam | Cam signal | frequency cam | gy/bu 0.5
        *a grip-1 | Grip position, track 1 | analogue-0-5 pedal-position t1 | lb 0.35
        *a grip-2 | Grip position, track 2 | analogue-0-5 pedal-position t2 | lb/bk 0.35
        *a tps-1 | Throttle plate position, track 1 | analogue-0-5 throttle-position t1 | gy 0.35
        *a tps-2 | Throttle plate position, track 2 | analogue-0-5 throttle-position t2 | gy/bk 0.35
        *a tm-p | Throttle motor plus | motor-drive throttle-motor | pk/gn 0.85
        *a tm-n | Throttle motor minus | motor-drive throttle-motor | pk/bk 0.85
        ${eachOf(cylinders, (n, i) => `*a map-${n} | Manifold pressure, ${side[i]} | analogue-0-5 manifold-pressure c${n} | ${['gn/wh', 'gn/ye'][i]} 0.35`)}
        *a iat | Intake air temperature | analogue-0-5 air-temperature | wh/gy 0.35
        *a clt | Coolant temperature | analogue-0-5 coolant-temperature | wh/gn 0.35
        *a o2-l | Oxygen sensor signal, left | analogue-0-5 oxygen c1 | bk/wh 0.35
        *a o2-r | Oxygen sensor signal, right | analogue-0-5 oxygen c2 | bk/pk 0.35
        *a o2h-l | Oxygen heater, left | low-side-drive heater c1 | wh/rd 0.5
        *a o2h-r | Oxygen heater, right | low-side-drive heater c2 | wh/ye 0.5
        *a tilt | Tip-over signal | analogue-0-5 tilt | bu/bk 0.35
        *a gear | Gear position | analogue-0-5 gear | vi/bk 0.35
        *a neutral | Neutral switch | switch neutral | vi/gy 0.35
        *a speed | Rear wheel speed to the ECU | frequency vehicle-speed | gy/vi 0.35
        *a stand | Side stand switch | switch stand | gn/rd 0.35
        *a clutch | Clutch switch | switch clutch | gn/bu 0.35
        *a brake | Brake lamp | supply-switched brake-lamp | gn/pk 0.5 | spare 1
        *a start | Start button | switch start | ye/vi 0.5
        *a run | Run switch, key on | supply-switched supply | or/rd 0.5 | spare 1
        *a start-drive | Starter relay coil | low-side-drive start | ye/wh 0.5
        *a main-drive | Main relay coil | low-side-drive relay | br/bk 0.5
        *a pump-drive | Pump relay coil | low-side-drive fuel-pump | br/or 0.5
        *a fan-drive | Fan relay coil | low-side-drive fan | bu/rd 0.5
        *a purge | Canister valve drive | low-side-drive valve | vi/wh 0.5
        *a air-valve | Secondary air valve drive | low-side-drive valve | vi/ye 0.5
        *a bus-h | Bus high | bus-high bus | ye 0.35
        *a bus-l | Bus low | bus-low bus | gn 0.35
        *a immo | Immobiliser line | data-line immobiliser | gy/rd 0.35
        mode | Riding mode button | switch button | lb/wh 0.35
        wheel-f | Front wheel speed | frequency vehicle-speed | bu 0.35
        wheel-f-n | Front wheel speed return | sensor-ground vehicle-speed | br/bu 0.35
        wheel-r | Rear wheel speed to the brake unit | frequency vehicle-speed | bu/gn 0.35
        wheel-r-n | Rear wheel speed return | sensor-ground vehicle-speed | br/ye 0.35
        level | Fuel level | analogue-0-5 level | ye/bu 0.35
        oil | Oil pressure switch | switch oil-pressure | br/vi 0.35
        low-beam | Dipped beam | supply-switched beam | wh 0.85 | spare 0.5
        high-beam | Main beam | supply-switched beam | bu/or 0.85 | spare 0.5
        tail | Tail and plate lamps, key on | supply-switched lamp | gy/gn 0.5 | spare 1.5
        turn-l | Left indicators | supply-switched indicator | lg/bk 0.5
        turn-r | Right indicators | supply-switched indicator | lg/wh 0.5
        horn | Horn | supply-switched horn | pk 0.5
        grips | Heated grips | low-side-drive heater | or/bu 0.85
        gen-a | Generator phase A | frequency charge | wh/pk 2
        gen-b | Generator phase B | frequency charge | wh/lb 2
        gen-c | Generator phase C | frequency charge | wh/vi 2`,
      plugs: `
        injector-1 | Left injector plug | left injector | throttle | on the left throttle body, wires leave upwards | sealed grey oval two-ribs | thumb tab | inj-feed inj-1
        injector-2 | Right injector plug | right injector | throttle | on the right throttle body, wires leave upwards | sealed grey oval two-ribs | thumb tab | inj-feed inj-2
        coil-1 | Left coil plug | left stick coil | head | left plug well | sealed black rectangle notch | slide then press grey | inj-feed coil-1
        coil-2 | Right coil plug | right stick coil | head | right plug well | sealed black rectangle notch | slide then press grey | inj-feed coil-2
        crank | Crank sensor plug | crank sensor | engine-left | behind the sprocket cover, lead from the generator cover | sealed black oval flat | thumb tab | crank-p crank-n
        cam | Cam sensor plug | cam sensor | head | left end of the head cover | sealed black rectangle flat | thumb tab | ref5 cam sgnd
        grip | Grip sensor plug | grip sensor | bar | inside the instrument tower, right | sealed black rectangle two-ribs | slide then press red | [2 rows] ref5 grip-1 sgnd ref5-b grip-2 sgnd-b
        throttle | Throttle body plug | throttle body | throttle | left end of the throttle shaft | sealed black rectangle side-rib | slide then press red | [2 rows] ref5 tps-1 sgnd tps-2 tm-p tm-n
        pressure-1 | Left pressure sensor plug | left pressure sensor | throttle | on the left intake stub | sealed black rectangle flat | thumb tab | ref5 map-1 sgnd
        pressure-2 | Right pressure sensor plug | right pressure sensor | throttle | on the right intake stub | sealed black rectangle flat | thumb tab | ref5 map-2 sgnd
        air-temperature | Air temperature plug | air temperature sensor | airbox | in the airbox lid | sealed grey oval flat | thumb tab | iat sgnd
        coolant | Coolant sensor plug | coolant sensor | shroud-right | thermostat housing | sealed blue oval flat | thumb tab | clt sgnd
        oxygen-l | Left oxygen sensor plug | left oxygen sensor | sump | left of the sump guard | sealed black rectangle two-ribs | slide then press blue | [2 rows] o2-l sgnd inj-feed o2h-l
        oxygen-r | Right oxygen sensor plug | right oxygen sensor | sump | right of the sump guard | sealed grey rectangle two-ribs | slide then press blue | [2 rows] o2-r sgnd inj-feed o2h-r
        pump | Fuel pump plug | fuel pump | airbox | under the tank, right rear | sealed black rectangle none | squeeze | [2 rows] pump-feed gnd level sgnd
        tilt | Tip-over sensor plug | tip-over sensor | seat | under the seat, in front | sealed black rectangle notch | thumb tab | ref5 tilt sgnd
        gear | Gear sensor plug | gear sensor | engine-left | above the sprocket cover | sealed grey rectangle flat | thumb tab | sgnd gear neutral
        stand | Side stand plug | side stand switch | engine-left | left frame tube | sealed green oval none | thumb tab | stand gnd
        clutch | Clutch switch plug | clutch switch | bar | under the clutch lever | sealed black oval none | thumb tab | clutch gnd
        brake-f | Front brake switch plug | front brake switch | bar | under the brake lever | open black rectangle none | none | lamps-f brake
        brake-r | Rear brake switch plug | rear brake switch | engine-right | above the brake pedal | sealed black oval none | thumb tab | lamps-f brake
        fan-l | Left fan plug | left fan | shroud-left | behind the left radiator | sealed black oval notch | thumb tab | fan-feed gnd
        fan-r | Right fan plug | right fan | shroud-right | behind the right radiator | sealed black oval notch | thumb tab | fan-feed gnd
        purge | Canister valve plug | canister valve | shroud-right | on the tank stay | sealed blue oval two-ribs | thumb tab | inj-feed purge
        air-valve | Secondary air valve plug | secondary air valve | head | above the head cover, middle | sealed green oval two-ribs | thumb tab | inj-feed air-valve
        wheel-f | Front wheel sensor plug | front wheel sensor | shroud-right | along the right fork leg, behind the shroud | sealed black oval side-rib | thumb tab | wheel-f wheel-f-n
        wheel-r | Rear wheel sensor plug | rear wheel sensor | seat | under the seat, left | sealed grey oval side-rib | thumb tab | wheel-r wheel-r-n
        brake-unit | Brake unit plug | brake unit | seat | right of the battery tray | sealed black rectangle flat | lever grey | [2 rows] bat-abs bat-m gnd wheel-f wheel-f-n wheel-r wheel-r-n bus-h bus-l ign-ecu speed gnd
        headlamp | Headlamp plug | headlamp | nose | behind the headlamp | sealed grey rectangle none | thumb tab | low-beam high-beam gnd
        dash | Dash plug | instruments | nose | behind the instruments | sealed black rectangle two-ribs | thumb tab | [2 rows] bat-mem lamps-f gnd bus-h bus-l level oil turn-l turn-r mode - -
        turn-fl | Left front indicator plug | left front indicator | nose | inside the tower, left | open black oval none | none | turn-l gnd
        turn-fr | Right front indicator plug | right front indicator | nose | inside the tower, right | open black oval none | none | turn-r gnd
        turn-rl | Left rear indicator plug | left rear indicator | tail | under the rack, left | open black oval none | none | turn-l gnd
        turn-rr | Right rear indicator plug | right rear indicator | tail | under the rack, right | open black oval none | none | turn-r gnd
        tail-lamp | Tail lamp plug | tail lamp | tail | under the rack, middle | sealed black rectangle none | thumb tab | tail brake gnd
        plate-lamp | Plate lamp plug | plate lamp | tail | above the plate | open black oval none | none | tail gnd
        left-switch | Left switch plug | left switch block | bar | inside the tower, left | sealed black rectangle flat | thumb tab | [2 rows] lamps-f low-beam high-beam turn-l turn-r horn mode gnd
        right-switch | Right switch plug | right switch block | bar | inside the tower, right | sealed grey rectangle flat | thumb tab | [2 rows] ign run start gnd grips tail
        grips | Heated grips plug | heated grips | bar | inside the tower, behind the right switch plug | open black rectangle notch | squeeze | acc grips
        socket | Accessory socket plug | accessory socket | nose | right of the instruments | open black rectangle side-rib | thumb tab | acc gnd
        horn | Horn plugs | horn | nose | behind the front fender stay | open black rectangle none | none | horn gnd
        ignition | Ignition switch plug | ignition switch | bar | below the top yoke | sealed white rectangle none | squeeze | bat-m ign
        immobiliser | Key antenna plug | key antenna | bar | around the ignition switch | sealed black rectangle none | thumb tab | ign-ecu immo gnd
        start-relay | Starter relay plug | starter relay | shroud-left | beside the battery | square green rectangle notch | squeeze | [2 rows] bat bat-m run start-drive
        main-relay | Main relay plug | main relay | seat | relay strip, left | square black rectangle none | none | [2 rows] bat-m ign-ecu main-drive inj-feed
        pump-relay | Pump relay plug | pump relay | seat | relay strip, middle | square black rectangle none | none | [2 rows] bat-m ign-ecu pump-drive pump-feed
        fan-relay | Fan relay plug | fan relay | seat | relay strip, right | square black rectangle none | none | [2 rows] bat-m ign-ecu fan-drive fan-feed
        fuses | Fuse box plug | fuse box | seat | under the seat, front | sealed white rectangle two-ribs | thumb tab | [2 rows] bat bat-abs bat-m bat-mem ign ign-ecu ign lamps-f ign acc
        regulator | Regulator plug | regulator | shroud-left | below the left radiator | sealed black rectangle two-ribs | thumb tab | gen-a gen-b gen-c bat gnd
        generator | Generator plug | generator | engine-left | above the sprocket cover, rear | sealed white rectangle none | thumb tab | gen-a gen-b gen-c
        oil | Oil pressure plug | oil pressure switch | sump | right of the oil filter | boot black round none | none | oil
        diagnostic | Diagnostic plug | diagnostic socket | seat | under the seat, red cap | sealed red rectangle flat | thumb tab | [2 rows] bat-mem gnd bus-h bus-l run -
        ecu | ECU plug | ECU | airbox | in front of the airbox, plug to the left | sealed black rectangle two-ribs | lever grey | ecu a 60 in 3`,
      studs: `
        battery-negative | Battery negative | gnd | shroud-left | lower post | 6
        battery-positive | Battery positive | bat | shroud-left | upper post, under the red boot | 6
        engine-ground | Engine ground | ecu-gnd | engine-right | above the clutch cover, two eyelets | 6
        frame-ground | Frame ground cluster | gnd | seat | under the seat, three eyelets on one screw | 6
        starter-live | Starter live stud | bat | engine-right | on the starter, under its boot | 6`,
    },
    [
      {
        id: 'from-2020',
        name: 'From 2020',
        tells: 'A thin black rod with a lead sits in the gear linkage on the left.',
        nets: `
          *a shift | Quick-shift signal | analogue-0-5 gear | vi/rd 0.35`,
        plugs: `
          shifter | Quick-shift plug | quick-shift sensor | engine-left | above the gear rod | sealed grey rectangle notch | thumb tab | ref5 shift sgnd`,
      },
    ],
  )
}
