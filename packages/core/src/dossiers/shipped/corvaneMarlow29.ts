import { marlowAccess } from './accessOfCars.ts'
import { eachOf, machineDocument } from './machineDocument.ts'
import { machineSteps } from './machineSteps.ts'
import { marlowRoutes } from './routesOfCars.ts'
import type { Machine } from './written.ts'

const cylinders = [1, 2, 3, 4, 5, 6]
const injectors = ['bu/bk', 'bu/gn', 'bu/wh', 'bu/ye', 'bu/rd', 'bu/gy']
const coils = ['ye/bk', 'ye/bu', 'ye/gn', 'ye/rd', 'ye/gy', 'ye/br']

/** Petrol saloon with a straight six: hot-wire airflow meter, control unit behind the glovebox. */
export function corvaneMarlow29(): Machine {
  return machineDocument(
    {
      id: 'corvane-marlow-29',
      maker: 'Corvane',
      model: 'Marlow 2.9',
      class: 'petrol saloon',
      years: '2009 to 2016',
      source: 'Glovebox side opened on two cars, every cavity buzzed through to its plug, 2026-05.',
      engine: { cylinders: 6, cooling: 'liquid', idleRpm: 680, limiterRpm: 6700, fuel: 'petrol', stoichAfr: 14.6 },
      batteries: ['battery-negative'],
      steps: machineSteps({
        identity:
          'Read the plate in the left door frame: Marlow 2.9, and the year. From 2013 on the airflow meter has five pins in a black plug instead of four in a grey one.',
        identityWhy: 'The later meter carries the air temperature on a wire that looks like the signal.',
        batteries: 1,
        battery: { place: 'boot, right side, under the lid', torque: '6 N·m', posts: ['battery-negative'] },
        discharge: { minutes: 3, why: 'the airbag unit behind the glovebox stays charged' },
        airbag: true,
        chargingV: [12.4, 15],
        idle: [640, 740],
        byWire: true,
        prove: 'Two pulls in the same gear on the same stretch before and after, or a rolling road.',
        cautions: { cool: 'Hot manifold beside the airflow pipe; the fan may run on by itself.' },
      }),
      target: {
        rpm: [700, 2000, 4000, 6700],
        load: [0, 20, 50, 100],
        afr: [
          [14.6, 14.6, 13.8, 13.2],
          [14.6, 14.6, 13.6, 13.0],
          [14.6, 14.2, 13.3, 12.9],
          [14.2, 13.6, 13.0, 12.8],
        ],
      },
      filters: {
        coldBelowC: 72,
        crankingBelowRpm: 400,
        overrunThrottlePct: 1,
        throttleRatePctPerS: 40,
        afrRange: [9, 20],
      },
      cautions: [
        'Airbag wiring (yellow sheath) behind glovebox and kick panel: not touched, not probed, nothing routed across it.',
        'Each coil primary swings to 400 V: never pierced, never probed running.',
      ],
    },
    {
      access: marlowAccess,
      routes: marlowRoutes,
      zones: `
        intake | Intake side, by the air filter | dry vibration air 75
        engine | Top of the engine, under the cover | hot vibration air 85
        engine-low | Lower engine, by the starter | hot wet vibration air 85
        front | Front of the engine bay, by the radiator | wet air 75
        bulkhead | Bulkhead, under the scuttle cover | wet air 70
        fuse-bay | Fuse carrier, left of the engine bay | dry air 70
        exhaust | Below the car, by the catalyst | hot wet vibration
        glovebox | Behind the glovebox | dry
        kick | Left kick panel | dry
        dash | Behind the instruments | dry
        column | Steering column and pedals | dry
        boot | Boot, by the battery | dry
        tank | Under the rear seat, by the tank lid | dry`,
      nets: `
        bat | Battery 12 V | supply-always supply | rd 16
        bat-f | Battery 12 V, front carrier | supply-always supply | rd/bk 6
        *a bat-mem | ECU 12 V, memory fuse 10 A | supply-always supply | rd/wh 0.5
        bat-body | Body 12 V, fuse 20 A | supply-always supply | rd/ye 1.5
        bat-lock | Locking 12 V, fuse 15 A | supply-always supply | rd/gy 1
        *a kl-ign | Ignition 12 V from the switch | supply-switched supply | gn 1.5 | spare 2
        acc | Radio 12 V, key in first place | supply-switched supply | vi 1 | spare 3
        *a main-out | ECU 12 V from the main relay | supply-switched supply | rd/bu 1.5 | spare 1
        inj-feed | Injector 12 V, fuse 20 A | supply-switched supply | rd/gn 0.75 | spare 1.5
        coil-feed | Coil 12 V, fuse 20 A | supply-switched supply | gn/rd 1 | spare 1
        sens-feed | Sensor heater 12 V, fuse 15 A | supply-switched supply | rd/br 0.75 | spare 2
        pump-feed | Fuel pump 12 V | supply-switched fuel-pump | gn/ye 1.5
        gnd | Body ground | power-ground ground | br 1
        *a ecu-gnd | ECU power ground | power-ground ground | br/bk 1
        *a sgnd | Sensor ground | sensor-ground ground | br/gy 0.5
        *b sgnd-p | Sensor ground, pedal | sensor-ground ground | br/wh 0.5
        *b sgnd-p2 | Sensor ground, pedal, track 2 | sensor-ground ground | br/ye 0.5
        *a ref5 | 5 V reference | reference-5v supply | ye 0.5 | spare 0.02
        *b ref5-p | 5 V reference, pedal | reference-5v supply | ye/wh 0.5
        *b ref5-p2 | 5 V reference, pedal, track 2 | reference-5v supply | ye/vi 0.5
        *a maf | Airflow signal | analogue-0-5 airflow | wh 0.35 | reads V 0.9..1.1 key on, reads V 1.4..1.6 idling
        *a maf-gnd | Airflow signal ground | sensor-ground airflow | br/gn 0.35
        *a iat | Intake air temperature | analogue-0-5 air-temperature | wh/bk 0.35
        ${eachOf(cylinders, (n, i) => `*a inj-${n} | Injector ${n} drive | injector-drive injector c${n} | ${injectors[i]} 0.5`)}
        ${eachOf(cylinders, (n, i) => `*a coil-${n} | Coil ${n} drive | coil-drive coil c${n} | ${coils[i]} 0.75`)}
        *a crank | Crank signal | frequency crank | wh/rd 0.5
        *a crank-sh | Crank sensor screen | sensor-ground crank | bk/wh 0.5
        *a cam-in | Inlet cam signal | frequency cam c1 | wh/gn 0.5
        *a cam-ex | Exhaust cam signal | frequency cam c2 | wh/ye 0.5
        *a tps-1 | Throttle plate position, track 1 | analogue-0-5 throttle-position t1 | gy 0.35
        *a tps-2 | Throttle plate position, track 2 | analogue-0-5 throttle-position t2 | gy/wh 0.35
        *a tm-p | Throttle motor plus | motor-drive throttle-motor | pk 0.75
        *a tm-n | Throttle motor minus | motor-drive throttle-motor | pk/bk 0.75
        *b pedal-1 | Pedal position, track 1 | analogue-0-5 pedal-position t1 | wh/bu 0.35
        *b pedal-2 | Pedal position, track 2 | analogue-0-5 pedal-position t2 | wh/vi 0.35
        *a clt | Coolant temperature | analogue-0-5 coolant-temperature | gn/wh 0.35
        *a rad-t | Radiator outlet temperature | analogue-0-5 coolant-temperature c2 | gn/bu 0.35
        *a oil-t | Oil temperature | analogue-0-5 oil-temperature | gn/gy 0.35
        *a oil-p | Oil pressure switch | switch oil-pressure | br/vi 0.35
        *a knock-1 | Knock sensor, front | analogue-0-5 knock c1 | gy/bu 0.5
        *a knock-1n | Knock sensor, front, return | sensor-ground knock c1 | gy/bk 0.5
        *a knock-2 | Knock sensor, rear | analogue-0-5 knock c2 | gy/rd 0.5
        *a knock-2n | Knock sensor, rear, return | sensor-ground knock c2 | gy/ye 0.5
        *a o2-a | Oxygen signal before the catalyst | analogue-0-5 oxygen c1 | bk/ye 0.35
        *a o2-an | Oxygen return before the catalyst | sensor-ground oxygen c1 | bk/gy 0.35
        *a o2-ah | Oxygen heater before the catalyst | low-side-drive heater c1 | wh/gy 0.75
        *a o2-b | Oxygen signal after the catalyst | analogue-0-5 oxygen c2 | bk/bu 0.35
        *a o2-bn | Oxygen return after the catalyst | sensor-ground oxygen c2 | bk/rd 0.35
        *a o2-bh | Oxygen heater after the catalyst | low-side-drive heater c2 | wh/pk 0.75
        *a vvt-in | Inlet cam valve drive | low-side-drive valve c1 | bk/gn 0.5
        *a vvt-ex | Exhaust cam valve drive | low-side-drive valve c2 | bk/vi 0.5
        *a flap | Intake flap motor | motor-drive valve | or/bk 0.5
        *a purge | Canister valve drive | low-side-drive valve | or/gn 0.5
        *a thermo | Thermostat heater | low-side-drive heater c3 | or/wh 0.75
        *a fan-pwm | Fan control | data-line fan | bk/pk 0.5
        *a ac-p | Refrigerant pressure | analogue-0-5 air-conditioning | lb 0.35
        *a gen | Generator line | data-line charge | lb/bk 0.35
        *a oil-l | Oil level line | data-line level | lb/rd 0.35
        *a main-drive | Main relay coil | low-side-drive relay | br/bu 0.5
        *b pump-drive | Pump relay coil | low-side-drive fuel-pump | br/rd 0.5
        *b start-drive | Starter relay coil | low-side-drive start | bk/br 0.5
        *b start-sig | Start request | switch start | ye/or 0.5
        *b brake | Brake lamp switch | switch brake-lamp | bu/pk 0.5
        *b brake-t | Brake test switch | switch button c1 | bu/br 0.5
        *b clutch | Clutch switch | switch clutch | bu/or 0.5
        *b cruise | Cruise buttons line | data-line button | vi/bk 0.35
        *b bus-h | Bus high | bus-high bus | or 0.35
        *b bus-l | Bus low | bus-low bus | or/br 0.35
        *b diag | Diagnostic line | data-line diagnostic | wh/or 0.35
        *b immo | Immobiliser line | data-line immobiliser | vi/wh 0.35
        *b tacho | Engine speed to the instruments | frequency crank c2 | bk/or 0.35
        *b speed | Road speed to the ECU | frequency vehicle-speed | gy/vi 0.35
        *b leak | Tank leak pump | low-side-drive valve c3 | gn/pk 0.5
        w-fl | Wheel speed, front left | frequency vehicle-speed c1 | ye/bk 0.35
        w-fln | Wheel speed, front left, return | sensor-ground vehicle-speed c1 | br/bk 0.35
        level-1 | Fuel level, left | analogue-0-5 level c1 | br/or 0.35
        level-2 | Fuel level, right | analogue-0-5 level c2 | br/pk 0.35
        bag-p | Airbag squib, passenger, plus | data-line airbag c2 | ye/gn 0.75
        bag-n | Airbag squib, passenger, minus | data-line airbag c3 | ye/br 0.75
        box-lamp | Glovebox lamp | supply-switched lamp | gy/gn 0.5 | electronic
        blower | Blower 12 V | supply-switched fan | vi/rd 2.5
        blower-c | Blower control line | data-line fan c2 | vi/gy 0.35`,
      plugs: `
        airflow | Airflow meter plug | airflow meter | intake | on the airflow pipe, behind the filter box | sealed grey rectangle flat | thumb tab | sens-feed maf-gnd maf iat
        ${eachOf(cylinders, (n) => `injector-${n} | Injector ${n} plug | injector ${n} | engine | on the rail, cylinder ${n} counted from the front | sealed black oval two-ribs | thumb tab | inj-feed inj-${n}`)}
        ${eachOf(cylinders, (n) => `coil-${n} | Coil ${n} plug | stick coil ${n} | engine | on plug well ${n}, counted from the front | sealed black rectangle notch | lever grey | coil-feed coil-${n} gnd`)}
        crank | Crank sensor plug | crank sensor | engine-low | above the starter, on the bell housing | sealed grey rectangle notch | slide then press red | ref5 crank crank-sh
        cam-in | Inlet cam sensor plug | inlet cam sensor | engine | front of the head, left | sealed grey rectangle notch | thumb tab | ref5 cam-in sgnd
        cam-ex | Exhaust cam sensor plug | exhaust cam sensor | engine | front of the head, right | sealed black rectangle notch | thumb tab | ref5 cam-ex sgnd
        throttle | Throttle body plug | throttle body | intake | below the throttle body | sealed black rectangle side-rib | slide then press red | [2 rows] ref5 tps-1 sgnd tps-2 tm-p tm-n
        pedal | Pedal plug | pedal sensor | column | top of the pedal | sealed black rectangle flat | thumb tab | [2 rows] ref5-p pedal-1 sgnd-p ref5-p2 pedal-2 sgnd-p2
        coolant | Coolant sensor plug | coolant sensor | engine | left of the head, rear | sealed green oval flat | thumb tab | clt sgnd
        radiator-t | Radiator outlet sensor plug | radiator outlet sensor | front | lower hose | sealed grey oval flat | thumb tab | rad-t sgnd
        oil-t | Oil temperature plug | oil temperature sensor | engine-low | oil filter housing | sealed black oval flat | thumb tab | oil-t sgnd
        oil-p | Oil pressure plug | oil pressure switch | engine-low | below the oil filter housing | boot black round none | none | oil-p
        oil-level | Oil level plug | oil level sensor | engine-low | under the sump | sealed black rectangle flat | thumb tab | sens-feed oil-l gnd
        knock-1 | Front knock sensor plug | front knock sensor | engine-low | below the intake, front | sealed black oval two-ribs | thumb tab | knock-1 knock-1n
        knock-2 | Rear knock sensor plug | rear knock sensor | engine-low | below the intake, rear | sealed grey oval two-ribs | thumb tab | knock-2 knock-2n
        oxygen-a | Oxygen plug before the catalyst | oxygen sensor before the catalyst | engine-low | bracket at the bell housing, black plug | sealed black rectangle two-ribs | slide then press grey | [2 rows] o2-a o2-an sens-feed o2-ah
        oxygen-b | Oxygen plug after the catalyst | oxygen sensor after the catalyst | exhaust | bracket at the gearbox, grey plug | sealed grey rectangle two-ribs | slide then press grey | [2 rows] o2-b o2-bn sens-feed o2-bh
        vvt-in | Inlet cam valve plug | inlet cam valve | engine | front of the head, left, lower | sealed black oval notch | thumb tab | inj-feed vvt-in
        vvt-ex | Exhaust cam valve plug | exhaust cam valve | engine | front of the head, right, lower | sealed grey oval notch | thumb tab | inj-feed vvt-ex
        flap | Intake flap plug | intake flap motor | intake | on the intake, middle | sealed black rectangle flat | thumb tab | sens-feed flap gnd
        purge | Canister valve plug | canister valve | intake | below the filter box | sealed black oval side-rib | thumb tab | inj-feed purge
        thermostat | Thermostat plug | thermostat | front | thermostat housing | sealed grey oval side-rib | thumb tab | sens-feed thermo
        fan | Fan plug | radiator fan | front | fan shroud, left | sealed black rectangle two-ribs | slide then press yellow | bat-f fan-pwm gnd
        refrigerant | Refrigerant pressure plug | refrigerant pressure sensor | front | right of the radiator | sealed green rectangle flat | thumb tab | ref5 ac-p sgnd
        generator | Generator plug | generator | engine-low | rear of the generator | sealed black oval flat | thumb tab | gen kl-ign
        starter | Starter plug | starter | engine-low | on the starter, small plug | sealed black oval none | thumb tab | start-drive bat-f
        main-relay | Main relay plug | main relay | fuse-bay | carrier, first from the front | square black rectangle none | none | [2 rows] bat-f kl-ign main-drive main-out
        fuses-front | Front fuse plug | front fuse carrier | fuse-bay | below the carrier | square black rectangle two-ribs | lever red | [2 rows] bat-f bat-mem main-out inj-feed main-out coil-feed main-out sens-feed
        fuses-body | Body fuse plug | body fuse carrier | kick | behind the left kick panel | square white rectangle two-ribs | lever red | [3 rows] bat bat-f bat-body bat-lock kl-ign acc box-lamp blower gnd
        pump-relay | Pump relay plug | pump relay | tank | under the rear seat, left | square black rectangle none | none | [2 rows] bat-body kl-ign pump-drive pump-feed
        pump | Fuel pump plug | fuel pump | tank | under the right tank lid | sealed black rectangle flat | thumb tab | [2 rows] pump-feed gnd level-2 sgnd-p
        level | Left level sensor plug | left level sensor | tank | under the left tank lid | sealed grey rectangle flat | thumb tab | level-1 sgnd-p
        leak | Tank leak pump plug | tank leak pump | exhaust | by the filler neck | sealed black rectangle side-rib | thumb tab | kl-ign leak gnd
        ignition | Ignition switch plug | ignition switch | column | below the column shroud | square white rectangle notch | thumb tab | [2 rows] bat-body kl-ign acc start-sig
        column | Cruise switch plug | cruise switch | column | below the column shroud, left | open white rectangle notch | thumb tab | kl-ign cruise gnd
        brake-switch | Brake switch plug | brake switch | column | above the brake pedal | sealed black rectangle flat | thumb tab | [2 rows] kl-ign brake brake-t gnd
        clutch-switch | Clutch switch plug | clutch switch | column | above the clutch pedal | sealed blue rectangle flat | thumb tab | kl-ign clutch gnd
        brake-unit | Brake unit plug | brake unit | bulkhead | left of the bulkhead | sealed black rectangle flat | lever grey | [2 rows] bat-f kl-ign gnd bus-h bus-l w-fl w-fln speed
        wheel-fl | Front left wheel plug | front left wheel sensor | front | left spring strut | sealed black oval two-ribs | thumb tab | w-fl w-fln
        dash | Instrument plug | instruments | dash | behind the instruments | square blue rectangle two-ribs | lever blue | [2 rows] bat-body kl-ign gnd bus-h bus-l tacho level-1 level-2 - -
        immobiliser | Immobiliser plug | immobiliser | dash | right of the column | square black rectangle flat | thumb tab | [2 rows] bat-body kl-ign gnd immo bus-h bus-l
        diagnostic | Diagnostic socket | diagnostic socket | kick | left of the column, below the dash | open black d-shape none | none | [2 rows] - bus-h - gnd gnd diag - - - - - bus-l - - - bat-body
        glove-lamp | Glovebox lamp plug | glovebox lamp | glovebox | left wall of the glovebox | open white rectangle none | squeeze | box-lamp gnd
        airbag | Passenger airbag plug | passenger airbag | glovebox | above the glovebox, yellow sheath | sealed yellow rectangle side-rib | slide then press yellow | bag-p bag-n
        airbag-unit | Airbag unit plug | airbag unit | kick | middle tunnel, yellow sheath | sealed yellow rectangle two-ribs | lever yellow | [2 rows] kl-ign gnd bag-p bag-n bus-h bus-l
        blower | Blower plug | blower | glovebox | below the blower, right | square black rectangle flat | thumb tab | blower blower-c gnd
        climate | Climate unit plug | climate unit | dash | middle of the dash | square black rectangle notch | thumb tab | [2 rows] acc kl-ign gnd bus-h bus-l blower-c
        radio | Radio plug | radio | dash | middle of the dash, upper | square black rectangle side-rib | lever black | [2 rows] bat-lock acc gnd bus-h bus-l -
        locking | Locking unit plug | locking unit | kick | behind the kick panel, lower | square grey rectangle two-ribs | thumb tab | [2 rows] bat-lock gnd bus-h bus-l
        ecu-a | ECU plug A | ECU | glovebox | behind the glovebox, upper of two | sealed black rectangle two-ribs | lever red | ecu a 80 in 4
        ecu-b | ECU plug B | ECU | glovebox | behind the glovebox, lower of two | sealed grey rectangle two-ribs | lever red | ecu b 40 in 4`,
      studs: `
        battery-negative | Battery negative | gnd | boot | right of the boot, front post | 8
        battery-positive | Battery positive | bat | boot | rear post, under the red lid | 8
        kick-ground | Kick panel ground | gnd | kick | behind the left kick panel, six eyelets | 6
        glovebox-ground | ECU ground stud | ecu-gnd | glovebox | right of the ECU box, on bare metal | 6
        engine-ground | Engine ground | ecu-gnd | engine-low | bell housing, braided strap | 8
        jump-post | Jump post | bat | fuse-bay | under the red cap in the engine bay | 8`,
    },
    [
      {
        id: 'from-2013',
        name: 'From 2013',
        tells: 'The airflow meter has five pins in a black plug.',
        plugs: `
          airflow | Airflow meter plug | airflow meter | intake | on the airflow pipe, behind the filter box | sealed black rectangle two-ribs | thumb tab | sens-feed gnd maf maf-gnd iat`,
      },
    ],
  )
}
