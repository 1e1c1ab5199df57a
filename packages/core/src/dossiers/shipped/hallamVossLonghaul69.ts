import { longhaulAccess } from './accessOfCars.ts'
import { eachOf, machineDocument } from './machineDocument.ts'
import { machineSteps } from './machineSteps.ts'
import { longhaulRoutes } from './routesOfCars.ts'
import type { Machine } from './written.ts'

const cylinders = [1, 2, 3, 4, 5, 6, 7, 8]
const drives = ['vi/bk', 'vi/wh', 'vi/gn', 'vi/ye', 'vi/rd', 'vi/bu', 'vi/or', 'vi/gy']
const returns = ['br/bk', 'br/wh', 'br/gn', 'br/ye', 'br/rd', 'br/bu', 'br/or', 'br/gy']

/** Diesel pickup, V8: the rail plug sits behind the right head and is reached through the wheel arch. */
export function hallamVossLonghaul69(): Machine {
  return machineDocument(
    {
      id: 'hallam-voss-longhaul-69',
      maker: 'Hallam & Voss',
      model: 'Longhaul 6.9 V8 TD',
      class: 'diesel pickup',
      years: '2011 to 2018',
      source: 'Two trucks of the co-operative, wheel arch liner out, 2026-06.',
      engine: { cylinders: 8, cooling: 'liquid', idleRpm: 680, limiterRpm: 3500, fuel: 'diesel', stoichAfr: 14.5 },
      batteries: ['battery-left-neg', 'battery-right-neg'],
      steps: machineSteps({
        identity:
          'Read the door plate: Longhaul 6.9 V8 TD, and the year. From 2015 on the rail sensor plug is grey with its pins in the order ground, signal, supply; before, supply, signal, ground.',
        identityWhy: 'One plug, two orders of its pins: the wrong adapter puts 5 V on the ground.',
        diesel: true,
        batteries: 2,
        battery: {
          place: 'one in each front corner',
          torque: '6 N·m',
          posts: ['battery-left-neg', 'battery-right-neg'],
        },
        afterRunMinutes: 15,
        discharge: { minutes: 5, why: 'the injector drivers and the airbag unit stay charged' },
        coolMinutes: 45,
        glow: true,
        dosing: true,
        airbag: true,
        chargingV: [12.4, 15],
        idle: [650, 720],
        byWire: true,
        prove:
          'One pull on the dyno on stock, then level by level; the exhaust temperature before the turbine is the limit.',
        cautions: {
          cool: 'Both turbos in the valley stay above 200 °C for half an hour.',
          wake: 'Running engine only with extraction. Stay clear of belt and fan.',
        },
      }),
      filters: {
        coldBelowC: 65,
        crankingBelowRpm: 300,
        overrunThrottlePct: 1,
        throttleRatePctPerS: 60,
        afrRange: [10, 60],
      },
      cautions: [
        'Injector drives swing to 120 V: never pierced, never probed.',
        'Rail pressure up to 180 MPa: no fuel joint is opened for this job.',
        'Two batteries: both negatives off, or everything stays live.',
      ],
    },
    {
      access: longhaulAccess,
      routes: longhaulRoutes,
      zones: `
        right-head | Behind the right head, through the wheel arch | hot vibration air 95
        left-head | Left head | hot vibration air 95
        valley | Valley, by the turbos | hot vibration air 100
        intake | Intake and charge pipes | vibration air 80
        lower | Lower engine, by the starter | hot wet vibration air 90
        front | Front of the engine, by the fan | wet vibration air 80
        battery-left | Left front corner | wet air 75
        battery-right | Right front corner | wet air 75
        bulkhead | Bulkhead, left | dry air 80
        cab | Cab, under the dash | dry
        column | Steering column and pedals | dry
        frame | Frame rail | wet vibration
        filter | Exhaust after the turbos | hot wet vibration`,
      nets: `
        bat | Battery 12 V, both batteries | supply-always supply | rd 60
        bat-f | Battery 12 V, engine bay fuses | supply-always supply | rd/bk 10
        *a bat-ecu | ECU 12 V, fuse 40 A | supply-always supply | rd/wh 2.5
        bat-cab | Cab 12 V, fuse 50 A | supply-always supply | rd/gn 6
        bat-glow-l | Glow 12 V, left bank | supply-always glow c1 | rd/or 8
        bat-glow-r | Glow 12 V, right bank | supply-always glow c2 | rd/pk 8
        bat-tow | Trailer 12 V, fuse 30 A | supply-always supply | rd/gy 3
        *a ign | Ignition 12 V | supply-switched supply | wh/rd 1.5 | spare 3
        acc | Accessory 12 V, fuse 20 A | supply-switched supply | wh/or 2 | spare 8
        ign-cab | Cab ignition 12 V, fuse 10 A | supply-switched supply | wh/pk 1 | spare 4
        *a ecu-feed | ECU 12 V from its relay | supply-switched supply | pk 2.5
        sens-feed | Actuator 12 V, fuse 20 A | supply-switched supply | pk/bk 1 | spare 2
        gas-feed | Exhaust sensor 12 V, fuse 25 A | supply-switched supply | pk/wh 1.5 | spare 3
        pump-feed | Lift pump 12 V | supply-switched fuel-pump | gy/bk 2
        gnd | Power ground | power-ground ground | bk 2.5
        *a ecu-gnd | ECU power ground | power-ground ground | bk/wh 2.5
        *a sgnd-a | Sensor ground, engine | sensor-ground ground | bk/gy 0.5
        *b sgnd-b | Sensor ground, cab | sensor-ground ground | bk/br 0.5
        *b sgnd-p2 | Sensor ground, pedal, track 2 | sensor-ground ground | bk/vi 0.5
        *a ref5-a | 5 V reference, engine | reference-5v supply | gy 0.5 | spare 0.02
        *a ref5-r | 5 V reference, rail | reference-5v supply | gy/rd 0.5 | spare 0.02
        *b ref5-p | 5 V reference, pedal | reference-5v supply | gy/wh 0.5
        *b ref5-p2 | 5 V reference, pedal, track 2 | reference-5v supply | gy/gn 0.5
        ${eachOf(cylinders, (n, i) => `*a inj-${n}p | Injector ${n} drive | injector-drive injector c${n} | ${drives[i]} 1 | high voltage`)}
        ${eachOf(cylinders, (n, i) => `*a inj-${n}n | Injector ${n} return | injector-drive injector c${n} lower | ${returns[i]} 1 | high voltage`)}
        *a rail-p | Rail pressure | analogue-0-5 rail-pressure | ye/bk 0.5 | reads V 0.45..0.60 key on, reads V 1.0..1.3 idling
        *a rail-v | Rail pressure valve | low-side-drive fuel-valve c1 | ye/gn 1
        *a meter-v | Fuel metering valve | low-side-drive fuel-valve c2 | ye/wh 1
        *a fuel-t | Fuel temperature | analogue-0-5 fuel-temperature | wh/bk 0.5
        *a lift-p | Fuel filter pressure | analogue-0-5 fuel-pressure | lb/rd 0.5
        *a boost | Boost pressure | analogue-0-5 boost-pressure | gn/bk 0.5 | reads V 1.4..1.7 key on
        *a charge-t | Charge air temperature | analogue-0-5 air-temperature | gn/ye 0.5
        *a maf | Airflow signal | frequency airflow | bu/wh 0.5
        *a iat | Intake air temperature | analogue-0-5 air-temperature c2 | bu/bk 0.5
        *a vane-l | Left vane drive | low-side-drive valve c1 | or/wh 0.75
        *a vane-r | Right vane drive | low-side-drive valve c2 | or/bk 0.75
        *a vane-pl | Left vane position | analogue-0-5 position c1 | or/gn 0.5
        *a vane-pr | Right vane position | analogue-0-5 position c2 | or/ye 0.5
        *a egr-m | Exhaust return valve motor | motor-drive valve c1 | br 0.75
        *a egr-n | Exhaust return valve motor return | motor-drive valve c2 | br/lb 0.75
        *a egr-p | Exhaust return valve position | analogue-0-5 position c3 | br/pk 0.5
        *a cool-v | Exhaust cooler valve | low-side-drive valve c3 | br/vi 0.75
        *a crank-p | Crank signal | frequency crank | wh/gn 0.5
        *a crank-n | Crank sensor return | sensor-ground crank | wh/br 0.5
        *a cam | Cam signal | frequency cam | wh/ye 0.5
        *a clt | Coolant temperature | analogue-0-5 coolant-temperature | ye/bu 0.5
        *a clt-2 | Coolant temperature, second circuit | analogue-0-5 coolant-temperature c2 | ye/vi 0.5
        *a oil-p | Oil pressure | analogue-0-5 oil-pressure | ye/rd 0.5
        *a oil-t | Oil temperature | analogue-0-5 oil-temperature | ye/gy 0.5
        *a egt-1 | Exhaust temperature before the turbines | analogue-0-5 exhaust-temperature c1 | pk/rd 0.5
        *a egt-2 | Exhaust temperature before the filter | analogue-0-5 exhaust-temperature c2 | pk/ye 0.5
        *a egt-3 | Exhaust temperature after the filter | analogue-0-5 exhaust-temperature c3 | pk/gn 0.5
        *a filter-dp | Filter pressure difference | analogue-0-5 exhaust-pressure | lg 0.5
        *a nox | Exhaust gas sensor line | data-line oxygen | lg/bk 0.5
        *a dose-v | Dosing valve drive | low-side-drive valve c4 | vi 0.75
        *a glow-d | Glow unit line | data-line glow | lb/bk 0.5
        *a fan-c | Fan clutch drive | low-side-drive fan | bu/gn 0.75
        *a fan-s | Fan speed | frequency fan | bu/ye 0.5
        *a gen-c | Generator line | data-line charge | or/bu 0.5
        *a main-d | ECU relay coil | low-side-drive relay | gn/br 0.5
        *a pump-d | Lift pump relay coil | low-side-drive fuel-pump | gn/pk 0.5
        *a start-d | Starter relay coil | low-side-drive start | gn/lb 0.5
        *b pedal-1 | Pedal position, track 1 | analogue-0-5 pedal-position t1 | lb 0.5
        *b pedal-2 | Pedal position, track 2 | analogue-0-5 pedal-position t2 | lb/gn 0.5
        *b brake | Brake switch | switch brake-lamp | wh/bu 0.5
        *b brake-t | Brake test switch | switch button c1 | wh/vi 0.5
        *b start-s | Start request | switch start | lb/ye 0.5
        *b cruise | Cruise buttons line | data-line button | lg/wh 0.35
        *b water | Water in fuel | switch level | wh/gy 0.5
        *b bus-h | Bus high | bus-high bus | ye 0.5 | reads ohm 58..62 battery off
        *b bus-l | Bus low | bus-low bus | gn 0.5 | reads ohm 58..62 battery off
        *b speed | Road speed | frequency vehicle-speed | gn/wh 0.5
        *b oss | Gearbox output speed | frequency vehicle-speed c2 | gn/gy 0.5
        *b regen | Regeneration button | switch button c2 | wh/lb 0.35
        *b ac | Air conditioning request | switch air-conditioning | bu/gy 0.5
        *b pto | Work mode switch | switch selector | bu/pk 0.5
        *b exh-br | Exhaust brake switch | switch button c3 | bu/or 0.5
        level-1 | Front tank level | analogue-0-5 level c1 | ye/or 0.5
        level-2 | Rear tank level | analogue-0-5 level c2 | ye/pk 0.5
        tail-l | Tail lamps, key on | supply-switched lamp | br/lg 1 | spare 3
        stop-l | Brake lamps | supply-switched brake-lamp | gn/rd 1 | spare 2
        turn-l | Left indicators | supply-switched indicator | gn/bu 1 | electronic
        turn-r | Right indicators | supply-switched indicator | gn/vi 1 | electronic
        plate-l | Plate lamp | supply-switched lamp | lg/br 0.75 | spare 2
        w-fl | Wheel speed, front left | frequency vehicle-speed c3 | bu/rd 0.5
        w-fln | Wheel speed, front left, return | sensor-ground vehicle-speed c3 | bu/br 0.5
        w-fr | Wheel speed, front right | frequency vehicle-speed c4 | lb/pk 0.5
        w-frn | Wheel speed, front right, return | sensor-ground vehicle-speed c4 | lb/br 0.5
        bag-p | Airbag squib, column, plus | data-line airbag c2 | ye/lg 0.75
        bag-n | Airbag squib, column, minus | data-line airbag c3 | ye/lb 0.75`,
      plugs: `
        ${eachOf(cylinders, (n) => `injector-${n} | Injector ${n} plug | injector ${n} | ${n % 2 === 1 ? 'right-head' : 'left-head'} | under the cover of the ${n % 2 === 1 ? 'right' : 'left'} head, place ${Math.ceil(n / 2)} from the front | sealed black oval side-rib | slide then press red | inj-${n}p inj-${n}n`)}
        rail | Rail pressure plug | rail pressure sensor | right-head | rear end of the right rail, through the wheel arch easier than from above | sealed black rectangle flat | tang | ref5-r rail-p sgnd-a
        rail-valve | Rail pressure valve plug | rail pressure valve | left-head | rear end of the left rail | sealed brown oval two-ribs | thumb tab | sens-feed rail-v
        meter-valve | Metering valve plug | metering valve | valley | on the pump, front of the valley | sealed black oval two-ribs | thumb tab | sens-feed meter-v
        fuel-t | Fuel temperature plug | fuel temperature sensor | valley | on the pump, rear | sealed grey oval flat | thumb tab | fuel-t sgnd-a
        filter-p | Fuel filter plug | fuel filter sensor | frame | filter head, left frame rail | sealed black rectangle notch | thumb tab | [2 rows] ref5-a lift-p sgnd-a water
        boost | Boost sensor plug | boost sensor | intake | on the charge pipe, above the left battery | sealed black rectangle notch | slide then press yellow | sgnd-a boost ref5-a
        oil-p | Oil pressure plug | oil pressure sensor | right-head | behind the right head, below the rail plug | sealed black rectangle notch | tang | ref5-a oil-p sgnd-a
        charge-t | Charge air temperature plug | charge air temperature sensor | intake | intake manifold, front | sealed grey oval two-ribs | thumb tab | charge-t sgnd-a
        airflow | Airflow meter plug | airflow meter | intake | behind the air filter | sealed black rectangle two-ribs | thumb tab | [2 rows] sens-feed gnd maf iat sgnd-a
        vane-l | Left vane plug | left vane valve | valley | left turbo | sealed black rectangle side-rib | slide then press red | [2 rows] sens-feed vane-l vane-pl ref5-a sgnd-a -
        vane-r | Right vane plug | right vane valve | valley | right turbo | sealed grey rectangle side-rib | slide then press red | [2 rows] sens-feed vane-r vane-pr ref5-a sgnd-a -
        egr | Exhaust return valve plug | exhaust return valve | valley | rear of the valley | sealed grey rectangle flat | slide then press red | [2 rows] egr-m egr-n ref5-a egr-p sgnd-a -
        cooler-valve | Exhaust cooler valve plug | exhaust cooler valve | valley | rear of the valley, lower | sealed blue oval two-ribs | thumb tab | sens-feed cool-v
        crank | Crank sensor plug | crank sensor | lower | bell housing, right | sealed grey oval side-rib | slide then press grey | crank-p crank-n
        cam | Cam sensor plug | cam sensor | front | timing cover, right | sealed grey rectangle flat | thumb tab | ref5-a cam sgnd-a
        coolant | Coolant sensor plug | coolant sensor | front | thermostat housing | sealed green oval flat | thumb tab | clt sgnd-a
        coolant-2 | Second coolant sensor plug | second coolant sensor | front | lower radiator pipe | sealed green oval notch | thumb tab | clt-2 sgnd-a
        oil-t | Oil temperature plug | oil temperature sensor | lower | sump, left | sealed black oval flat | thumb tab | oil-t sgnd-a
        egt-1 | Exhaust temperature plug 1 | exhaust temperature sensor before the turbines | valley | bracket at the bulkhead, brown | sealed brown oval flat | thumb tab | egt-1 sgnd-a
        egt-2 | Exhaust temperature plug 2 | exhaust temperature sensor before the filter | filter | gearbox bracket, brown | sealed brown oval notch | thumb tab | egt-2 sgnd-a
        egt-3 | Exhaust temperature plug 3 | exhaust temperature sensor after the filter | filter | frame bracket, grey | sealed grey oval notch | thumb tab | egt-3 sgnd-a
        filter-dp | Filter pressure plug | filter pressure sensor | filter | right of the gearbox | sealed black rectangle two-ribs | thumb tab | ref5-a filter-dp sgnd-a
        gas-sensor | Exhaust gas sensor plug | exhaust gas sensor | filter | frame, right | sealed grey rectangle flat | thumb tab | [2 rows] gas-feed gnd nox ign
        dosing | Dosing valve plug | dosing valve | filter | behind the particulate filter | sealed blue oval two-ribs | thumb tab | sens-feed dose-v
        glow | Glow unit plug | glow unit | battery-left | left inner wing | sealed black rectangle side-rib | thumb tab | [2 rows] bat-glow-l bat-glow-r glow-d gnd
        fan | Fan clutch plug | fan clutch | front | fan shroud, lower | sealed black rectangle notch | thumb tab | [2 rows] sens-feed fan-c fan-s sgnd-a ref5-a -
        generator | Generator plug | generator | front | rear of the generator | sealed grey oval notch | thumb tab | gen-c ign
        starter | Starter plug | starter | lower | on the starter, small plug | sealed black oval none | thumb tab | start-d bat
        ecu-relay | ECU relay plug | ECU relay | battery-left | fuse box, first row | square black rectangle none | none | [2 rows] bat-ecu ign main-d ecu-feed
        pump-relay | Lift pump relay plug | lift pump relay | battery-left | fuse box, second row | square black rectangle none | none | [2 rows] bat-f ign pump-d pump-feed
        start-relay | Starter relay plug | starter relay | battery-left | fuse box, third row | square grey rectangle none | none | [2 rows] bat-f ign start-d start-s
        fuses | Engine fuse plug | engine fuse box | battery-left | below the fuse box | square black rectangle two-ribs | lever red | [3 rows] bat bat-f bat-ecu bat-cab bat-glow-l bat-glow-r bat-tow ecu-feed sens-feed ecu-feed gas-feed ign ign-cab tail-l plate-l
        lift-pump | Lift pump plug | lift pump | frame | left frame rail | sealed black oval notch | thumb tab | pump-feed gnd
        level-1 | Front tank plug | front tank sensor | frame | front tank | sealed grey rectangle notch | thumb tab | level-1 sgnd-b
        level-2 | Rear tank plug | rear tank sensor | frame | rear tank | sealed grey rectangle notch | thumb tab | level-2 sgnd-b
        pedal | Pedal plug | pedal sensor | column | top of the pedal | sealed black rectangle two-ribs | slide then press red | [2 rows] ref5-p pedal-1 sgnd-b ref5-p2 pedal-2 sgnd-p2
        brake-switch | Brake switch plug | brake switch | column | above the brake pedal | sealed black rectangle side-rib | thumb tab | [2 rows] ign-cab brake brake-t stop-l
        ignition | Ignition switch plug | ignition switch | column | right of the column | square white rectangle notch | thumb tab | [2 rows] bat-cab ign acc start-s
        cruise | Cruise switch plug | cruise switch | column | below the column cover | open black rectangle notch | thumb tab | ign-cab cruise gnd
        column-airbag | Column airbag plug | column airbag | column | below the column cover, yellow sheath | sealed yellow rectangle two-ribs | slide then press yellow | bag-p bag-n
        airbag-unit | Airbag unit plug | airbag unit | cab | middle tunnel, yellow sheath | sealed yellow rectangle flat | lever yellow | [2 rows] ign-cab gnd bag-p bag-n bus-h bus-l
        dash | Instrument plug | instruments | cab | behind the instruments | square blue rectangle two-ribs | lever blue | [2 rows] bat-cab ign-cab gnd bus-h bus-l level-1 level-2 regen acc -
        switches | Switch bank plug | switch bank | cab | middle of the dash, lower | open white rectangle flat | thumb tab | [2 rows] ign-cab gnd pto exh-br regen -
        body | Body unit plug | body unit | cab | left of the column, lower | square black rectangle flat | lever grey | [3 rows] bat-cab ign-cab gnd bus-h bus-l turn-l turn-r stop-l ac tail-l - -
        brake-unit | Brake unit plug | brake unit | bulkhead | left of the bulkhead | sealed black rectangle flat | lever grey | [2 rows] bat-f ign gnd bus-h bus-l w-fl w-fln w-fr w-frn speed
        wheel-fl | Front left wheel plug | front left wheel sensor | frame | left frame rail, front | sealed black oval two-ribs | thumb tab | w-fl w-fln
        wheel-fr | Front right wheel plug | front right wheel sensor | frame | right frame rail, front | sealed grey oval two-ribs | thumb tab | w-fr w-frn
        gearbox | Gearbox plug | gearbox | frame | left of the gearbox | sealed black round none | bayonet | [round] bat-f ign gnd bus-h bus-l oss -
        tail-lamp | Tail lamp plug | tail lamps | frame | behind the rear bumper | sealed grey rectangle two-ribs | thumb tab | [2 rows] tail-l stop-l turn-l turn-r gnd -
        plate-lamp | Plate lamp plug | plate lamp | frame | in the rear bumper | open black rectangle none | none | plate-l gnd
        trailer | Trailer socket plug | trailer socket | frame | behind the rear bumper, right | sealed black round none | bayonet | [round] bat-tow gnd tail-l stop-l turn-l turn-r -
        socket | Cab socket plug | cab socket | cab | behind the lower dash panel | open black rectangle side-rib | thumb tab | acc gnd
        climate | Climate unit plug | climate unit | cab | middle of the dash | square black rectangle notch | thumb tab | [2 rows] ign-cab gnd bus-h bus-l ac acc
        diagnostic | Diagnostic socket | diagnostic socket | column | below the column cover | open black d-shape none | none | [2 rows] - - - gnd gnd bus-h - - - - - - - bus-l - bat-cab
        bus-end | Bus end plug | bus end resistor | bulkhead | rear of the engine bay, red cap | sealed red rectangle flat | thumb tab | bus-h bus-l
        ecu-a | ECU plug A | ECU | intake | on the left inner wing, larger plug | sealed black rectangle two-ribs | lever red | ecu a 94 in 5
        ecu-b | ECU plug B | ECU | intake | on the left inner wing, smaller plug | sealed grey rectangle two-ribs | lever red | ecu b 60 in 4`,
      studs: `
        battery-left-neg | Left battery negative | gnd | battery-left | left battery, front post | 8
        battery-left-pos | Left battery positive | bat | battery-left | left battery, rear post | 8
        battery-right-neg | Right battery negative | gnd | battery-right | right battery, front post | 8
        battery-right-pos | Right battery positive | bat | battery-right | right battery, rear post | 8
        wing-ground | Left wing ground | gnd | battery-left | inner wing beside the fuse box, bare metal | 8
        engine-ground | Engine ground | ecu-gnd | lower | bell housing, braided strap | 10
        cab-ground | Cab ground | gnd | cab | left kick panel, five eyelets | 6
        starter-live | Starter live stud | bat | lower | on the starter, under its boot | 10`,
    },
    [
      {
        id: 'from-2015',
        name: 'From 2015',
        tells: 'The rail sensor plug is grey; its pins run ground, signal, supply.',
        plugs: `
          rail | Rail pressure plug | rail pressure sensor | right-head | rear end of the right rail, through the wheel arch easier than from above | sealed grey rectangle flat | slide then press red | sgnd-a rail-p ref5-r`,
      },
    ],
  )
}
