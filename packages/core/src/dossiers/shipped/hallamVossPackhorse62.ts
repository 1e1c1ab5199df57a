import { packhorseAccess } from './accessOfCars.ts'
import { eachOf, machineDocument } from './machineDocument.ts'
import { machineSteps } from './machineSteps.ts'
import { packhorseRoutes } from './routesOfCars.ts'
import type { Machine } from './written.ts'

const cylinders = [1, 2, 3, 4, 5, 6]
const drives = ['vi/bk', 'vi/wh', 'vi/gn', 'vi/ye', 'vi/rd', 'vi/bu']
const returns = ['br/bk', 'br/wh', 'br/gn', 'br/ye', 'br/rd', 'br/bu']

/** Diesel pickup: common-rail straight six, two batteries, variable turbine. */
export function hallamVossPackhorse62(): Machine {
  return machineDocument(
    {
      id: 'hallam-voss-packhorse-62',
      maker: 'Hallam & Voss',
      model: 'Packhorse 6.2 TD',
      class: 'diesel pickup',
      years: '2012 to 2019',
      source: 'Three trucks of the co-operative, engine loom followed from plug to plug, 2026-04 to 06.',
      engine: { cylinders: 6, cooling: 'liquid', idleRpm: 720, limiterRpm: 3300, fuel: 'diesel', stoichAfr: 14.5 },
      batteries: ['battery-left-neg', 'battery-right-neg'],
      steps: machineSteps({
        identity:
          'Read the door plate: Packhorse 6.2 TD, and the year. From 2016 on the boost sensor has a grey plug and measures temperature too.',
        identityWhy: 'The later boost sensor has four pins; the three-pin branch does not fit it.',
        diesel: true,
        batteries: 2,
        battery: {
          place: 'one in each front corner of the engine bay',
          torque: '6 N·m',
          posts: ['battery-left-neg', 'battery-right-neg'],
        },
        afterRunMinutes: 15,
        discharge: { minutes: 5, why: 'the injector drivers and the airbag unit stay charged' },
        glow: true,
        dosing: true,
        airbag: true,
        chargingV: [12.4, 15],
        idle: [680, 760],
        byWire: true,
        prove:
          'One pull on the dyno on stock, then level by level; the exhaust temperature before the turbine is the limit, not the curve.',
        cautions: {
          cool: 'Turbo and particulate filter stay above 200 °C for half an hour; a regeneration blows at 600 °C.',
          wake: 'Running engine only with extraction. Stay clear of the belt and both fans.',
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
        'Injector drives swing to 120 V: never pierced, never probed, not even with the engine off and the key on.',
        'Rail pressure up to 180 MPa: no fuel joint is opened for this job.',
        'Two batteries: both negatives off, or everything stays live.',
      ],
    },
    {
      access: packhorseAccess,
      routes: packhorseRoutes,
      zones: `
        rail | Top of the engine, rail side | hot vibration air 90
        turbo | Turbo side, above the exhaust manifold | hot vibration air 100
        intake | Intake side and charge pipe | vibration air 80
        front | Front of the engine, by the fan | wet vibration air 80
        lower | Lower engine, by the starter | hot wet vibration air 90
        battery-left | Left front corner, by the left battery | wet air 75
        battery-right | Right front corner, by the right battery | wet air 75
        bulkhead | Bulkhead, left | dry air 80
        cab | Cab, under the dash | dry
        column | Steering column and pedals | dry
        frame | Frame rail under the cab | wet vibration
        filter | Exhaust after the turbo | hot wet vibration`,
      nets: `
        bat | Battery 12 V, both batteries | supply-always supply | rd 50
        bat-f | Battery 12 V, engine bay fuses | supply-always supply | rd/bk 10
        *a bat-ecu | ECU 12 V, fuse 30 A | supply-always supply | rd/wh 2
        bat-cab | Cab 12 V, fuse 40 A | supply-always supply | rd/gn 6
        bat-glow | Glow plug 12 V, fuse 80 A | supply-always glow | rd/or 10
        bat-tow | Trailer 12 V, fuse 30 A | supply-always supply | rd/gy 3
        *a ign | Ignition 12 V | supply-switched supply | pk/bk 1.5 | spare 3
        acc | Accessory 12 V, fuse 20 A | supply-switched supply | or/bk 2 | spare 8
        ign-cab | Cab ignition 12 V, fuse 10 A | supply-switched supply | pk/wh 1 | spare 4
        *a ecu-feed | ECU 12 V from its relay | supply-switched supply | pk 2
        sens-feed | Actuator 12 V, fuse 20 A | supply-switched supply | pk/gn 1 | spare 2
        pump-feed | Lift pump 12 V | supply-switched fuel-pump | gy/bk 2
        gnd | Power ground | power-ground ground | bk 2
        *a ecu-gnd | ECU power ground | power-ground ground | bk/wh 2
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
        *a vane | Turbine vane drive | data-line valve | or/wh 0.75
        *a vane-p | Turbine vane position | analogue-0-5 position c1 | or/gn 0.5
        *a t-speed | Turbo speed | frequency turbine-speed | or/ye 0.5
        *a egr-m | Exhaust return valve motor | motor-drive valve c1 | br 0.75
        *a egr-n | Exhaust return valve motor return | motor-drive valve c2 | br/or 0.75
        *a egr-p | Exhaust return valve position | analogue-0-5 position c2 | br/gy 0.5
        *a crank-p | Crank signal | frequency crank | wh/rd 0.5
        *a crank-n | Crank sensor return | sensor-ground crank | wh/br 0.5
        *a cam | Cam signal | frequency cam | wh/gn 0.5
        *a clt | Coolant temperature | analogue-0-5 coolant-temperature | ye/bu 0.5
        *a oil-p | Oil pressure | analogue-0-5 oil-pressure | ye/rd 0.5
        *a oil-t | Oil temperature | analogue-0-5 oil-temperature | ye/gy 0.5
        *a egt-1 | Exhaust temperature before the turbine | analogue-0-5 exhaust-temperature c1 | pk/rd 0.5
        *a egt-2 | Exhaust temperature before the filter | analogue-0-5 exhaust-temperature c2 | pk/ye 0.5
        *a filter-dp | Filter pressure difference | analogue-0-5 exhaust-pressure | lg 0.5
        *a nox | Exhaust gas sensor line | data-line oxygen | lg/bk 0.5
        *a dose-v | Dosing valve drive | low-side-drive valve c3 | vi 0.75
        *a glow-d | Glow relay coil | low-side-drive glow | lb/bk 0.5
        *a glow-s | Glow answer | switch glow | lb/wh 0.5
        *a fan-c | Fan clutch drive | low-side-drive fan | bu/gn 0.75
        *a fan-s | Fan speed | frequency fan | bu/ye 0.5
        *a gen-c | Generator line | data-line charge | or/bu 0.5
        *a main-d | ECU relay coil | low-side-drive relay | br/vi 0.5
        *a pump-d | Lift pump relay coil | low-side-drive fuel-pump | br/pk 0.5
        *a start-d | Starter relay coil | low-side-drive start | vi/lb 0.5
        *b pedal-1 | Pedal position, track 1 | analogue-0-5 pedal-position t1 | lb 0.5
        *b pedal-2 | Pedal position, track 2 | analogue-0-5 pedal-position t2 | lb/gn 0.5
        *b brake | Brake switch | switch brake-lamp | wh/bu 0.5
        *b brake-t | Brake test switch | switch button c1 | wh/vi 0.5
        *b start-s | Start request | switch start | ye/vi 0.5
        *b cruise | Cruise buttons line | data-line button | lg/wh 0.35
        *b water | Water in fuel | switch level | wh/or 0.5
        *b bus-h | Bus high | bus-high bus | ye 0.5 | reads ohm 58..62 battery off
        *b bus-l | Bus low | bus-low bus | gn 0.5 | reads ohm 58..62 battery off
        *b speed | Road speed | frequency vehicle-speed | vi/gy 0.5
        *b regen | Regeneration button | switch button c2 | wh/gy 0.35
        *b ac | Air conditioning request | switch air-conditioning | bu/gy 0.5
        *b oss | Gearbox output speed | frequency vehicle-speed c2 | gn/gy 0.5
        *b tow | Trailer detected | switch relay | or/gy 0.5
        level | Fuel level | analogue-0-5 level | ye/or 0.5
        tail-l | Tail lamps, key on | supply-switched lamp | br/lb 1 | spare 3
        stop-l | Brake lamps | supply-switched brake-lamp | gn/rd 1 | spare 2
        turn-l | Left indicators | supply-switched indicator | gn/wh 1 | electronic
        turn-r | Right indicators | supply-switched indicator | gn/vi 1 | electronic
        plate-l | Plate lamp | supply-switched lamp | br/lg 0.75 | spare 2
        w-fl | Wheel speed, front left | frequency vehicle-speed c3 | bu/rd 0.5
        w-fln | Wheel speed, front left, return | sensor-ground vehicle-speed c3 | bu/br 0.5
        bag-p | Airbag squib, column, plus | data-line airbag c2 | ye/lg 0.75
        bag-n | Airbag squib, column, minus | data-line airbag c3 | ye/pk 0.75`,
      plugs: `
        ${eachOf(cylinders, (n) => `injector-${n} | Injector ${n} plug | injector ${n} | rail | under the rocker cover edge, cylinder ${n} from the front | sealed black oval side-rib | slide then press red | inj-${n}p inj-${n}n`)}
        rail | Rail pressure plug | rail pressure sensor | rail | rear end of the rail, against the bulkhead | sealed black rectangle flat | slide then press grey | sgnd-a rail-p ref5-r
        rail-valve | Rail pressure valve plug | rail pressure valve | rail | front end of the rail | sealed brown oval two-ribs | thumb tab | sens-feed rail-v
        meter-valve | Metering valve plug | metering valve | front | on the pump, below the rail | sealed black oval two-ribs | thumb tab | sens-feed meter-v
        fuel-t | Fuel temperature plug | fuel temperature sensor | front | on the pump, rear | sealed grey oval flat | thumb tab | fuel-t sgnd-a
        filter-p | Fuel filter plug | fuel filter sensor | frame | on the filter head, left frame rail | sealed black rectangle notch | thumb tab | [2 rows] ref5-a lift-p sgnd-a water
        boost | Boost sensor plug | boost sensor | intake | on the charge pipe, above the left battery | sealed black rectangle notch | slide then press yellow | sgnd-a boost ref5-a
        oil-p | Oil pressure plug | oil pressure sensor | lower | oil filter housing, above the starter | sealed black rectangle flat | slide then press yellow | sgnd-a oil-p ref5-a
        charge-t | Charge air temperature plug | charge air temperature sensor | intake | intake manifold, front | sealed grey oval two-ribs | thumb tab | charge-t sgnd-a
        airflow | Airflow meter plug | airflow meter | intake | behind the air filter | sealed black rectangle two-ribs | thumb tab | [2 rows] sens-feed gnd maf iat sgnd-a
        vane | Turbine vane plug | turbine vane motor | turbo | on the turbo, below the heat shield | sealed black rectangle side-rib | slide then press red | [2 rows] sens-feed gnd vane vane-p ref5-a sgnd-a
        turbo-speed | Turbo speed plug | turbo speed sensor | turbo | compressor housing | sealed blue rectangle flat | thumb tab | ref5-a t-speed sgnd-a
        egr | Exhaust return valve plug | exhaust return valve | intake | intake manifold, rear | sealed grey rectangle side-rib | slide then press red | [2 rows] egr-m egr-n ref5-a egr-p sgnd-a -
        crank | Crank sensor plug | crank sensor | lower | below the starter, bell housing | sealed grey oval side-rib | slide then press grey | crank-p crank-n
        cam | Cam sensor plug | cam sensor | front | timing cover, upper | sealed grey rectangle flat | thumb tab | ref5-a cam sgnd-a
        coolant | Coolant sensor plug | coolant sensor | front | thermostat housing | sealed green oval flat | thumb tab | clt sgnd-a
        oil-t | Oil temperature plug | oil temperature sensor | lower | sump, left | sealed black oval flat | thumb tab | oil-t sgnd-a
        egt-1 | Exhaust temperature plug 1 | exhaust temperature sensor before the turbine | turbo | heat shield bracket, brown plug | sealed brown oval flat | thumb tab | egt-1 sgnd-a
        egt-2 | Exhaust temperature plug 2 | exhaust temperature sensor before the filter | filter | gearbox bracket, brown plug | sealed brown oval notch | thumb tab | egt-2 sgnd-a
        filter-dp | Filter pressure plug | filter pressure sensor | filter | right of the gearbox | sealed black rectangle two-ribs | thumb tab | ref5-a filter-dp sgnd-a
        gas-sensor | Exhaust gas sensor plug | exhaust gas sensor | filter | frame, right | sealed grey rectangle flat | thumb tab | [2 rows] sens-feed gnd nox ign
        dosing | Dosing valve plug | dosing valve | filter | behind the particulate filter | sealed blue oval two-ribs | thumb tab | sens-feed dose-v
        glow | Glow unit plug | glow unit | intake | left inner wing | sealed black rectangle side-rib | thumb tab | [2 rows] bat-glow glow-d glow-s gnd
        fan | Fan clutch plug | fan clutch | front | fan shroud, lower | sealed black rectangle notch | thumb tab | [2 rows] sens-feed fan-c fan-s sgnd-a ref5-a -
        generator | Generator plug | generator | front | rear of the generator | sealed grey oval notch | thumb tab | gen-c ign
        starter | Starter plug | starter | lower | on the starter, small plug | sealed black oval none | thumb tab | start-d bat
        ecu-relay | ECU relay plug | ECU relay | battery-left | fuse box, first row | square black rectangle none | none | [2 rows] bat-ecu ign main-d ecu-feed
        pump-relay | Lift pump relay plug | lift pump relay | battery-left | fuse box, second row | square black rectangle none | none | [2 rows] bat-f ign pump-d pump-feed
        start-relay | Starter relay plug | starter relay | battery-left | fuse box, third row | square grey rectangle none | none | [2 rows] bat-f ign start-d start-s
        fuses | Engine fuse plug | engine fuse box | battery-left | below the fuse box | square black rectangle two-ribs | lever red | [3 rows] bat bat-f bat-ecu bat-cab bat-glow bat-tow ecu-feed sens-feed ign ign-cab tail-l plate-l
        lift-pump | Lift pump plug | lift pump | frame | left frame rail, behind the cab | sealed black oval notch | thumb tab | pump-feed gnd
        level | Tank plug | tank sensor | frame | top of the tank | sealed grey rectangle notch | thumb tab | level sgnd-b
        pedal | Pedal plug | pedal sensor | column | top of the pedal, lever to the right | sealed black rectangle two-ribs | slide then press red | [2 rows] ref5-p pedal-1 sgnd-b ref5-p2 pedal-2 sgnd-p2
        brake-switch | Brake switch plug | brake switch | column | above the brake pedal | sealed black rectangle side-rib | thumb tab | [2 rows] ign-cab brake brake-t stop-l
        ignition | Ignition switch plug | ignition switch | column | right of the column | square white rectangle notch | thumb tab | [2 rows] bat-cab ign acc start-s
        cruise | Cruise switch plug | cruise switch | column | below the column cover | open black rectangle notch | thumb tab | ign-cab cruise gnd
        column-airbag | Column airbag plug | column airbag | column | below the column cover, yellow sheath | sealed yellow rectangle two-ribs | slide then press yellow | bag-p bag-n
        airbag-unit | Airbag unit plug | airbag unit | cab | middle tunnel, yellow sheath | sealed yellow rectangle flat | lever yellow | [2 rows] ign-cab gnd bag-p bag-n bus-h bus-l
        dash | Instrument plug | instruments | cab | behind the instruments | square blue rectangle two-ribs | lever blue | [2 rows] bat-cab ign-cab gnd bus-h bus-l level regen acc - -
        body | Body unit plug | body unit | cab | left of the column, lower | square black rectangle flat | lever grey | [3 rows] bat-cab ign-cab gnd bus-h bus-l turn-l turn-r stop-l tow ac tail-l -
        brake-unit | Brake unit plug | brake unit | bulkhead | left of the bulkhead | sealed black rectangle flat | lever grey | [2 rows] bat-f ign gnd bus-h bus-l w-fl w-fln speed
        wheel-fl | Front left wheel plug | front left wheel sensor | frame | left frame rail, front | sealed black oval two-ribs | thumb tab | w-fl w-fln
        gearbox | Gearbox plug | gearbox | frame | left of the gearbox | sealed black round none | bayonet | [round] bat-f ign gnd bus-h bus-l oss -
        tail-lamp | Tail lamp plug | tail lamps | frame | behind the rear bumper | sealed grey rectangle two-ribs | thumb tab | [2 rows] tail-l stop-l turn-l turn-r gnd -
        plate-lamp | Plate lamp plug | plate lamp | frame | in the rear bumper | open black rectangle none | none | plate-l gnd
        trailer | Trailer socket plug | trailer socket | frame | behind the rear bumper, right | sealed black round none | bayonet | [round] bat-tow gnd tail-l stop-l turn-l turn-r tow
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
        id: 'from-2016',
        name: 'From 2016',
        tells: 'The boost sensor on the charge pipe has a grey plug with four pins.',
        nets: `
          *a boost-t | Charge temperature at the boost sensor | analogue-0-5 air-temperature c3 | gn/lb 0.5`,
        plugs: `
          boost | Boost sensor plug | boost sensor | intake | on the charge pipe, above the left battery | sealed grey rectangle notch | slide then press yellow | sgnd-a boost-t ref5-a boost`,
      },
    ],
  )
}
