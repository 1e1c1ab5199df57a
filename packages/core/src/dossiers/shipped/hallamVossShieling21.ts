import { shielingAccess } from './accessOfCars.ts'
import { eachOf, machineDocument } from './machineDocument.ts'
import { machineSteps } from './machineSteps.ts'
import { shielingRoutes } from './routesOfCars.ts'
import type { Machine } from './written.ts'

const cylinders = [1, 2, 3, 4]
const drives = ['gn/bk', 'gn/wh', 'gn/ye', 'gn/rd']
const returns = ['lg/bk', 'lg/wh', 'lg/ye', 'lg/rd']

/** Small diesel ute: common rail, one battery, fuse holder at the post. */
export function hallamVossShieling21(): Machine {
  return machineDocument(
    {
      id: 'hallam-voss-shieling-21',
      maker: 'Hallam & Voss',
      model: 'Shieling 2.1 TD',
      class: 'diesel ute',
      years: '2011 to 2018',
      source: "The co-operative's delivery ute, engine loom opened at the rail, 2026-05.",
      engine: { cylinders: 4, cooling: 'liquid', idleRpm: 800, limiterRpm: 4500, fuel: 'diesel', stoichAfr: 14.5 },
      batteries: ['battery-negative'],
      steps: machineSteps({
        identity:
          'Read the plate on the door post: Shieling 2.1 TD. From 2015 on the boost sensor measures temperature too and has four pins.',
        identityWhy: 'The three-pin boost branch fits only the earlier one.',
        diesel: true,
        batteries: 1,
        battery: { place: 'front left of the engine bay', torque: '6 N·m', posts: ['battery-negative'] },
        afterRunMinutes: 10,
        discharge: { minutes: 5, why: 'the injector drivers stay charged' },
        glow: true,
        idle: [760, 840],
        byWire: true,
        prove: 'Same hill, same load, same gear, before and after; watch for smoke.',
      }),
      filters: {
        coldBelowC: 65,
        crankingBelowRpm: 350,
        overrunThrottlePct: 1,
        throttleRatePctPerS: 60,
        afrRange: [10, 60],
      },
      cautions: [
        'Injector drives swing to 80 V: never pierced, never probed.',
        'Rail pressure up to 180 MPa: no fuel joint is opened for this job.',
        'A pedal module is proved for return to zero before the first drive.',
      ],
    },
    {
      access: shielingAccess,
      routes: shielingRoutes,
      zones: `
        rail | Top of the engine, rail side | hot vibration air 90
        turbo | Turbo side | hot vibration air 100
        intake | Intake side and charge pipe | vibration air 80
        lower | Lower engine, by the starter | hot wet vibration air 90
        front | Front of the engine bay | wet air 80
        battery | By the battery | wet air 75
        bulkhead | Bulkhead, left | dry air 75
        cab | Cab, under the dash | dry
        pedals | Pedals | dry
        frame | Frame rail | wet vibration`,
      nets: `
        bat | Battery 12 V | supply-always supply | rd 35
        bat-f | Battery 12 V, engine bay fuses | supply-always supply | rd/bk 6
        *a bat-ecu | ECU 12 V, fuse 25 A | supply-always supply | rd/gn 1.5
        bat-cab | Cab 12 V, fuse 40 A | supply-always supply | rd/wh 4
        bat-glow | Glow plug 12 V, fuse 60 A | supply-always glow | rd/ye 6
        *b ign | Ignition 12 V | supply-switched supply | bk/rd 1.5 | spare 3
        acc | Accessory 12 V, fuse 15 A | supply-switched supply | bk/ye 1 | spare 6
        *a ecu-feed | ECU 12 V from its relay | supply-switched supply | bu/rd 1.5
        sens-feed | Actuator 12 V, fuse 15 A | supply-switched supply | bu/wh 1 | spare 1
        gnd | Power ground | power-ground ground | bk 1.5
        *a ecu-gnd | ECU power ground | power-ground ground | bk/wh 1.5
        *a sgnd | Sensor ground | sensor-ground ground | br 0.5
        *b sgnd-p | Sensor ground, pedal | sensor-ground ground | br/wh 0.5
        *b sgnd-p2 | Sensor ground, pedal, track 2 | sensor-ground ground | br/bk 0.5
        *a ref5 | 5 V reference | reference-5v supply | rd/bu 0.5 | spare 0.02
        *b ref5-p | 5 V reference, pedal | reference-5v supply | rd/vi 0.5
        *b ref5-p2 | 5 V reference, pedal, track 2 | reference-5v supply | rd/pk 0.5
        ${eachOf(cylinders, (n, i) => `*a inj-${n}p | Injector ${n} drive | injector-drive injector c${n} | ${drives[i]} 1 | high voltage`)}
        ${eachOf(cylinders, (n, i) => `*a inj-${n}n | Injector ${n} return | injector-drive injector c${n} lower | ${returns[i]} 1 | high voltage`)}
        *a rail-p | Rail pressure | analogue-0-5 rail-pressure | wh/bu 0.5 | reads V 0.45..0.60 key on, reads V 1.0..1.3 idling
        *a meter-v | Fuel metering valve | low-side-drive fuel-valve | ye/rd 1
        *a fuel-t | Fuel temperature | analogue-0-5 fuel-temperature | wh/gn 0.5
        *a boost | Boost pressure | analogue-0-5 boost-pressure | ye/bk 0.5 | reads V 1.4..1.7 key on
        *a maf | Airflow signal | analogue-0-5 airflow | ye/wh 0.5
        *a iat | Intake air temperature | analogue-0-5 air-temperature | ye/gn 0.5
        *a vane | Boost valve drive | low-side-drive valve c1 | or/bk 0.75
        *a egr-d | Exhaust return valve drive | low-side-drive valve c2 | or/wh 0.75
        *a egr-p | Exhaust return valve position | analogue-0-5 position | or/gn 0.5
        *a crank | Crank signal | frequency crank | gy/wh 0.5
        *a cam | Cam signal | frequency cam | gy/bk 0.5
        *a clt | Coolant temperature | analogue-0-5 coolant-temperature | gy/rd 0.5
        *a oil-p | Oil pressure switch | switch oil-pressure | gy/bu 0.5
        *a egt | Exhaust temperature | analogue-0-5 exhaust-temperature | pk/bk 0.5
        *a filter-dp | Filter pressure difference | analogue-0-5 exhaust-pressure | pk/wh 0.5
        *a glow-d | Glow relay coil | low-side-drive glow | vi/bk 0.5
        *a main-d | ECU relay coil | low-side-drive relay | vi/wh 0.5
        *a start-d | Starter relay coil | low-side-drive start | vi/gn 0.5
        *a fan-d | Fan relay coil | low-side-drive fan | vi/ye 0.5
        fan-feed | Fan 12 V | supply-switched fan | bu/ye 2.5
        *b pedal-1 | Pedal position, track 1 | analogue-0-5 pedal-position t1 | lb 0.5 | reads V 0.65..0.80 key on, reads V 4.0..4.4 key on; fully open
        *b pedal-2 | Pedal position, track 2 | analogue-0-5 pedal-position t2 | lb/bk 0.5 | reads V 0.32..0.42 key on, reads V 2.0..2.2 key on; fully open
        *b brake | Brake switch | switch brake-lamp | wh/rd 0.5
        *b clutch | Clutch switch | switch clutch | wh/ye 0.5
        *b start-s | Start request | switch start | wh/vi 0.5
        *b water | Water in fuel | switch level | wh/or 0.5
        *b bus-h | Bus high | bus-high bus | gn 0.5
        *b bus-l | Bus low | bus-low bus | ye 0.5
        *b speed | Road speed | frequency vehicle-speed | gn/or 0.5
        *b tacho | Engine speed to the instruments | frequency crank c2 | bk/or 0.5
        *b immo | Immobiliser line | data-line immobiliser | bk/pk 0.35
        *b gen-l | Generator lamp | switch charge | wh/pk 0.5
        level | Fuel level | analogue-0-5 level | ye/bu 0.5
        tail | Tail and plate lamps, key on | supply-switched lamp | br/ye 0.75 | spare 2
        stop-l | Brake lamps | supply-switched brake-lamp | gn/bu 0.75 | spare 1.5
        low-b | Dipped beam | supply-switched beam | bu/bk 1 | spare 1
        turn-l | Left indicators | supply-switched indicator | gn/pk 0.75
        turn-r | Right indicators | supply-switched indicator | gn/gy 0.75
        bag-p | Airbag squib plus | data-line airbag c1 | ye/pk 0.75
        bag-n | Airbag squib minus | data-line airbag c2 | ye/or 0.75`,
      plugs: `
        ${eachOf(cylinders, (n) => `injector-${n} | Injector ${n} plug | injector ${n} | rail | on injector ${n}, counted from the belt | sealed black oval side-rib | slide then press grey | inj-${n}p inj-${n}n`)}
        rail | Rail pressure plug | rail pressure sensor | rail | left end of the rail, facing the bulkhead | sealed black rectangle flat | slide then press grey | sgnd rail-p ref5
        meter-valve | Metering valve plug | metering valve | lower | on the pump | sealed brown oval two-ribs | thumb tab | sens-feed meter-v
        fuel-t | Fuel temperature plug | fuel temperature sensor | lower | on the pump, return side | sealed grey oval flat | thumb tab | fuel-t sgnd
        boost | Boost sensor plug | boost sensor | intake | on the charge pipe | sealed black rectangle notch | thumb tab | sgnd boost ref5
        airflow | Airflow meter plug | airflow meter | intake | behind the air filter | sealed black rectangle two-ribs | thumb tab | [2 rows] sens-feed gnd maf iat sgnd
        boost-valve | Boost valve plug | boost valve | turbo | on the bulkhead bracket, blue | sealed blue oval two-ribs | thumb tab | sens-feed vane
        egr | Exhaust return valve plug | exhaust return valve | turbo | above the turbo | sealed black rectangle side-rib | thumb tab | [2 rows] sens-feed egr-d ref5 egr-p sgnd -
        crank | Crank sensor plug | crank sensor | lower | bell housing, above the starter | sealed black rectangle flat | slide then press grey | sgnd crank ref5
        cam | Cam sensor plug | cam sensor | rail | head cover, belt end | sealed grey rectangle notch | thumb tab | sgnd cam ref5
        coolant | Coolant sensor plug | coolant sensor | intake | thermostat housing | sealed green oval flat | thumb tab | clt sgnd
        oil-p | Oil pressure plug | oil pressure switch | lower | oil filter | boot black round none | none | oil-p
        egt | Exhaust temperature plug | exhaust temperature sensor | turbo | turbo bracket, brown | sealed brown oval flat | thumb tab | egt sgnd
        filter-dp | Filter pressure plug | filter pressure sensor | turbo | bulkhead, right | sealed black rectangle two-ribs | thumb tab | ref5 filter-dp sgnd
        glow | Glow relay plug | glow relay | front | beside the fuse box | square black rectangle notch | thumb tab | bat-glow ign glow-d
        starter | Starter plug | starter | lower | on the starter, small plug | sealed black oval none | thumb tab | start-d bat
        generator | Generator plug | generator | lower | rear of the generator | sealed black oval notch | thumb tab | gen-l ign
        fan | Fan plug | fan | front | fan shroud | sealed black oval side-rib | thumb tab | fan-feed gnd
        fan-relay | Fan relay plug | fan relay | front | fuse box, first row | square black rectangle none | none | [2 rows] bat-f ign fan-d fan-feed
        ecu-relay | ECU relay plug | ECU relay | front | fuse box, second row | square black rectangle none | none | [2 rows] bat-ecu ign main-d ecu-feed
        fuses | Engine fuse plug | engine fuse box | front | below the fuse box | square black rectangle two-ribs | lever red | [2 rows] bat bat-f bat-ecu bat-cab bat-glow ecu-feed sens-feed -
        filter | Fuel filter plug | fuel filter | bulkhead | on the filter, below | sealed black oval none | thumb tab | water gnd
        pedal | Pedal plug | pedal sensor | pedals | top of the pedal | sealed black rectangle two-ribs | slide then press red | [2 rows] ref5-p pedal-1 sgnd-p ref5-p2 pedal-2 sgnd-p2
        brake-switch | Brake switch plug | brake switch | pedals | above the brake pedal | sealed black rectangle flat | thumb tab | ign brake stop-l
        clutch-switch | Clutch switch plug | clutch switch | pedals | above the clutch pedal | sealed blue oval flat | thumb tab | clutch gnd
        ignition | Ignition switch plug | ignition switch | cab | right of the column | square white rectangle notch | thumb tab | [2 rows] bat-cab ign acc start-s
        dash | Instrument plug | instruments | cab | behind the instruments | square blue rectangle two-ribs | lever blue | [2 rows] bat-cab ign gnd bus-h bus-l tacho level gen-l - -
        immobiliser | Immobiliser plug | immobiliser | cab | right of the column, lower | square black rectangle flat | thumb tab | [2 rows] ign gnd immo bus-h
        body | Body fuse plug | body fuse box | cab | left end of the dash | square white rectangle two-ribs | lever red | [2 rows] bat-cab ign acc tail stop-l low-b turn-l turn-r gnd -
        radio | Radio plug | radio | cab | middle of the dash | square black rectangle side-rib | squeeze | bat-cab acc gnd
        socket | Cab socket plug | cab socket | cab | below the radio | open black rectangle side-rib | thumb tab | acc gnd
        airbag | Driver airbag plug | driver airbag | cab | in the column, yellow sheath | sealed yellow rectangle two-ribs | slide then press yellow | bag-p bag-n
        airbag-unit | Airbag unit plug | airbag unit | cab | middle tunnel, yellow sheath | sealed yellow rectangle flat | lever yellow | [2 rows] ign gnd bag-p bag-n
        brake-unit | Brake unit plug | brake unit | bulkhead | left of the bulkhead | sealed black rectangle flat | lever grey | [2 rows] bat-f ign gnd bus-h bus-l speed
        level | Tank plug | tank sensor | frame | top of the tank | sealed grey rectangle notch | thumb tab | level sgnd-p
        head-l | Left headlamp plug | left headlamp | front | behind the left headlamp | sealed black rectangle none | thumb tab | low-b turn-l gnd
        head-r | Right headlamp plug | right headlamp | front | behind the right headlamp | sealed black rectangle none | thumb tab | low-b turn-r gnd
        tail-lamp | Tail lamp plug | tail lamps | frame | behind the tray | sealed grey rectangle two-ribs | thumb tab | [2 rows] tail stop-l turn-l turn-r gnd -
        diagnostic | Diagnostic socket | diagnostic socket | cab | below the dash, left | open black d-shape none | none | [2 rows] - - - gnd gnd bus-h - - - - - - - bus-l - bat-cab
        ecu-a | ECU plug A | ECU | bulkhead | on the bulkhead, left, larger plug | sealed black rectangle two-ribs | lever red | ecu a 94 in 5
        ecu-b | ECU plug B | ECU | bulkhead | on the bulkhead, left, smaller plug | sealed grey rectangle two-ribs | lever red | ecu b 60 in 4`,
      studs: `
        battery-negative | Battery negative | gnd | battery | front post | 8
        battery-positive | Battery positive | bat | battery | rear post, red lid | 8
        wing-ground | Wing ground | gnd | battery | inner wing beside the battery | 6
        engine-ground | Engine ground | ecu-gnd | lower | gearbox, braided strap | 8
        starter-live | Starter live stud | bat | lower | on the starter, under its boot | 8`,
    },
    [
      {
        id: 'from-2015',
        name: 'From 2015',
        tells: 'Four pins on the boost sensor plug.',
        nets: `
          *a boost-t | Charge temperature at the boost sensor | analogue-0-5 air-temperature c2 | ye/vi 0.5`,
        plugs: `
          boost | Boost sensor plug | boost sensor | intake | on the charge pipe | sealed black rectangle notch | thumb tab | sgnd boost-t ref5 boost`,
      },
    ],
  )
}
