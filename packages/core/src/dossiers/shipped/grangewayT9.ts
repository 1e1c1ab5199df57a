import { t9Access } from './accessOfFieldcraft.ts'
import { eachOf, machineDocument } from './machineDocument.ts'
import { machineSteps } from './machineSteps.ts'
import { t9Routes } from './routesOfFieldcraft.ts'
import type { Machine } from './written.ts'

const cylinders = [1, 2, 3, 4, 5, 6]
const drives = ['bu/bk', 'bu/wh', 'bu/gn', 'bu/ye', 'bu/rd', 'bu/or']
const returns = ['gy/bk', 'gy/wh', 'gy/gn', 'gy/ye', 'gy/rd', 'gy/or']

/** Field harvester, 8.8 litre diesel: one injection plug through the bracket, hot and moving zones all around. */
export function grangewayT9(): Machine {
  return machineDocument(
    {
      id: 'grangeway-t9',
      maker: 'Grangeway',
      model: 'T9',
      class: 'field harvester',
      years: '2013 on',
      source: 'Co-operative harvester, engine deck open between seasons, 2026-02.',
      engine: { cylinders: 6, cooling: 'liquid', idleRpm: 900, limiterRpm: 2300, fuel: 'diesel', stoichAfr: 14.5 },
      batteries: ['battery-negative'],
      steps: machineSteps({
        identity:
          'Read the plate at the cab ladder: T9. The long-chassis version has the ECU in the left, not the right deck box.',
        identityWhy: 'The loom is laid to the other side.',
        diesel: true,
        batteries: 2,
        battery: { place: 'in the box behind the ladder', torque: '8 N·m', posts: ['battery-negative'] },
        afterRunMinutes: 20,
        discharge: { minutes: 5, why: 'the injector drivers stay charged' },
        coolMinutes: 40,
        park: {
          text: 'Park it where it can stay: header on the ground, threshing off, engine off, key in your pocket, deck blown clean.',
          covers: ['header'],
        },
        travel: {
          text: 'Deck lids and screen door closed, ladder home: nothing is pinched. Header and feeder house through their travel once, threshing off: nothing pulls.',
          caution: 'Everybody clear, horn first: header and feeder house move.',
        },
        idle: [870, 930],
        prove:
          'First hours on stock level in the field; then a step at a time by exhaust temperature; this probe sits after the turbine and reads 100 to 200 K lower.',
        cautions: {
          cool: 'Turbo, exhaust and chaff on them: fire. Blow the deck clean first, extinguisher within reach.',
          wake: 'Everybody off and clear, horn once, then start. Running engine only in the open.',
        },
      }),
      filters: {
        coldBelowC: 65,
        crankingBelowRpm: 250,
        overrunThrottlePct: 1,
        throttleRatePctPerS: 60,
        afrRange: [10, 60],
      },
      cautions: [
        'Injector drives swing to 110 V: never pierced, never probed.',
        'Rail pressure up to 180 MPa: no fuel joint is opened for this job.',
        'Header down, engine off, key out before anybody climbs on the deck.',
      ],
    },
    {
      access: t9Access,
      routes: t9Routes,
      zones: `
        head | Engine head, deck side | hot vibration air 80
        bracket | Engine bracket, front | vibration air 75
        turbo | Turbo side | hot vibration air 95
        lower | Lower engine, by the starter | hot wet vibration air 80
        deck-box | Right deck box | dry air 55
        fan | Cooling fan and screen | wet vibration air 60
        chassis | Right chassis side | wet vibration
        cab | Cab, behind the seat | dry
        battery | Battery box | wet`,
      nets: `
        bat | Battery 12 V, both batteries | supply-always supply | rd 70
        bat-f | Battery 12 V, deck fuses | supply-always supply | rd/bk 10
        *a bat-ecu | ECU 12 V, fuse 30 A | supply-always supply | rd/wh 2.5
        bat-cab | Cab 12 V, fuse 60 A | supply-always supply | rd/ye 10
        *a ign | Ignition 12 V | supply-switched supply | ye/rd 1.5 | spare 4
        ign-cab | Cab ignition 12 V, fuse 15 A | supply-switched supply | ye/bk 1.5 | spare 6
        *a ecu-feed | ECU 12 V from its relay | supply-switched supply | ye/gn 2.5
        sens-feed | Actuator 12 V, fuse 15 A | supply-switched supply | ye/wh 1 | spare 2
        gnd | Power ground | power-ground ground | bk 2.5
        *a ecu-gnd | ECU power ground | power-ground ground | bk/wh 2.5
        *a sgnd | Sensor ground | sensor-ground ground | br 0.75
        *a ref5 | 5 V reference | reference-5v supply | or 0.75 | spare 0.02
        ${eachOf(cylinders, (n, i) => `*a inj-${n}p | Injector ${n} drive | injector-drive injector c${n} | ${drives[i]} 1.5 | high voltage`)}
        ${eachOf(cylinders, (n, i) => `*a inj-${n}n | Injector ${n} return | injector-drive injector c${n} lower | ${returns[i]} 1.5 | high voltage`)}
        ${eachOf(cylinders, (n, i) => `inner-${n}p | Injector ${n} drive, bracket loom | injector-drive injector c${n} | ${drives[i]} 1.5 | high voltage`)}
        ${eachOf(cylinders, (n, i) => `inner-${n}n | Injector ${n} return, bracket loom | injector-drive injector c${n} lower | ${returns[i]} 1.5 | high voltage`)}
        *a rail-p | Rail pressure | analogue-0-5 rail-pressure | gn/wh 0.75 | reads V 0.45..0.60 key on, reads V 1.0..1.3 idling
        *a pump-v | Pump valve drive | low-side-drive fuel-valve | gn/bk 1
        *a fuel-p | Fuel filter pressure | analogue-0-5 fuel-pressure | gn/ye 0.75
        *a fuel-t | Fuel temperature | analogue-0-5 fuel-temperature | gn/rd 0.75
        *a boost | Boost pressure | analogue-0-5 boost-pressure | wh/bk 0.75 | reads V 1.4..1.7 key on
        *a charge-t | Charge air temperature | analogue-0-5 air-temperature | wh/gn 0.75
        *a waste | Boost valve drive | low-side-drive valve c1 | wh/ye 1
        *a crank-p | Crank signal | frequency crank | vi 0.75
        *a crank-n | Crank sensor return | sensor-ground crank | vi/wh 0.75
        *a cam | Cam signal | frequency cam | vi/ye 0.75
        *a clt | Coolant temperature | analogue-0-5 coolant-temperature | pk/bk 0.75
        *a oil-p | Oil pressure | analogue-0-5 oil-pressure | pk/wh 0.75
        *a oil-t | Oil temperature | analogue-0-5 oil-temperature | pk/gn 0.75
        *a egt | Exhaust temperature | analogue-0-5 exhaust-temperature | br/rd 0.75
        *a throttle | Hand throttle | analogue-0-5 pedal-position | lb/bk 0.75
        *a fan-v | Fan drive valve | low-side-drive fan | lb/wh 1
        *a fan-s | Fan speed | frequency fan | lb/gn 0.75
        *a main-d | ECU relay coil | low-side-drive relay | br/vi 0.75
        *a start-d | Starter relay coil | low-side-drive start | br/pk 0.75
        *a start-s | Start request | switch start | br/gy 0.75
        *a seat | Seat switch | switch button c1 | br/or 0.75
        *a thresh | Threshing engaged | switch button c2 | br/bu 0.75
        *a bus-h | Bus high | bus-high bus | ye 0.75 | reads ohm 58..62 battery off
        *a bus-l | Bus low | bus-low bus | gn 0.75 | reads ohm 58..62 battery off
        *a gen-l | Generator lamp | switch charge | or/bk 0.75
        *a water | Water in fuel | switch level | or/gn 0.75
        air-f | Air filter switch | switch exhaust-pressure | or/wh 0.75
        level | Fuel level | analogue-0-5 level | or/ye 0.75
        beacon | Beacon and road lamps | supply-switched lamp | wh/rd 1 | spare 4
        work-l | Work lamps | supply-switched beam | wh/bu 2.5 | spare 2
        stop-l | Brake lamps | supply-switched brake-lamp | gn/or 1 | spare 2
        rotor | Rotor speed | frequency position | vi/gn 0.75
        ground-s | Ground speed | frequency vehicle-speed | vi/rd 0.75`,
      plugs: `
        injection | Injection plug | injection loom through the bracket | bracket | front of the head, twelve pins, ring to turn | sealed black round flat | bayonet | [2 rows] ${cylinders.map((n) => `inj-${n}p inj-${n}n`).join(' ')} > bracket-socket
        bracket-socket | Bracket socket of the injection plug | ECU loom | bracket | front of the head, the half that stays on the bracket | sealed black round flat male | bayonet | [2 rows] ${cylinders.map((n) => `inner-${n}p inner-${n}n`).join(' ')}
        injection-inner | Inner injection plug | injectors under the cover | head | under the head cover, behind the bracket | sealed grey round flat | bayonet | [2 rows] ${cylinders.map((n) => `inner-${n}p inner-${n}n`).join(' ')}
        rail | Rail pressure plug | rail pressure sensor | head | front end of the rail, beside the injection plug | sealed black rectangle flat | slide then press grey | sgnd rail-p ref5
        fuel-p | Fuel filter pressure plug | fuel filter pressure sensor | bracket | filter head, front | sealed black rectangle flat | slide then press red | sgnd fuel-p ref5
        pump-valve | Pump valve plug | pump valve | bracket | on the pump | sealed brown oval two-ribs | thumb tab | sens-feed pump-v
        fuel-t | Fuel temperature plug | fuel temperature sensor | bracket | filter head, rear | sealed grey oval flat | thumb tab | fuel-t sgnd
        boost | Boost sensor plug | boost sensor | head | intake manifold, middle | sealed black rectangle notch | slide then press grey | sgnd boost ref5
        charge-t | Charge air temperature plug | charge air temperature sensor | head | intake manifold, front | sealed grey oval two-ribs | thumb tab | charge-t sgnd
        boost-valve | Boost valve plug | boost valve | turbo | below the turbo shield | sealed blue oval two-ribs | thumb tab | sens-feed waste
        crank | Crank sensor plug | crank sensor | lower | flywheel housing, left | sealed grey oval side-rib | slide then press grey | crank-p crank-n
        cam | Cam sensor plug | cam sensor | bracket | gear cover, upper | sealed grey rectangle flat | thumb tab | ref5 cam sgnd
        coolant | Coolant sensor plug | coolant sensor | head | thermostat housing | sealed green oval flat | thumb tab | clt sgnd
        oil-p | Oil pressure plug | oil pressure sensor | lower | oil filter head | sealed black rectangle side-rib | thumb tab | sgnd oil-p ref5
        oil-t | Oil temperature plug | oil temperature sensor | lower | sump | sealed black oval flat | thumb tab | oil-t sgnd
        egt | Exhaust temperature plug | exhaust temperature sensor | turbo | after the turbo | sealed brown oval flat | thumb tab | egt sgnd
        fan-drive | Fan drive plug | fan drive | fan | below the screen | sealed black rectangle notch | thumb tab | [2 rows] sens-feed fan-v fan-s sgnd
        generator | Generator plug | generator | lower | rear of the generator | sealed black oval notch | thumb tab | gen-l ign
        starter | Starter plug | starter | lower | on the starter | sealed black oval none | thumb tab | start-d bat
        air-filter | Air filter plug | air filter switch | fan | air filter housing | sealed white oval none | thumb tab | air-f gnd
        fuel-filter | Water sensor plug | water sensor | chassis | first filter, below | sealed black oval two-ribs | thumb tab | water gnd
        ecu-relay | ECU relay plug | ECU relay | deck-box | relay strip, first | square black rectangle none | none | [2 rows] bat-ecu ign main-d ecu-feed
        start-relay | Starter relay plug | starter relay | deck-box | relay strip, second | square grey rectangle none | none | [2 rows] bat-f ign start-d start-s
        fuses | Deck fuse plug | deck fuses | deck-box | below the relay strip | square black rectangle two-ribs | lever red | [2 rows] bat bat-f bat-ecu bat-cab ecu-feed sens-feed ign ign-cab
        ignition | Ignition switch plug | ignition switch | cab | right console | square white rectangle notch | thumb tab | [2 rows] bat-cab ign start-s gnd
        console | Console plug | right console | cab | right console, below | square black rectangle two-ribs | lever grey | [2 rows] ign-cab gnd throttle seat thresh ref5 sgnd beacon work-l -
        monitor | Monitor plug | monitor | cab | right post | sealed black rectangle flat | thumb tab | [2 rows] ign-cab gnd bus-h bus-l rotor ground-s level gen-l air-f -
        rotor | Rotor speed plug | rotor speed sensor | chassis | rotor bearing, right | sealed black rectangle notch | thumb tab | sens-feed rotor sgnd
        ground-speed | Ground speed plug | ground speed sensor | chassis | gearbox | sealed black rectangle flat | thumb tab | sens-feed ground-s sgnd
        level | Tank plug | tank sensor | chassis | top of the tank | sealed grey rectangle notch | thumb tab | level gnd
        beacon | Beacon plug | beacon | cab | cab roof, rear | open black rectangle none | none | beacon gnd
        work-lamps | Work lamp plug | work lamps | cab | cab roof, front | sealed black rectangle two-ribs | thumb tab | work-l gnd
        brake-switch | Brake switch plug | brake switch | cab | above the pedals | sealed black rectangle flat | thumb tab | ign-cab stop-l
        tail-lamp | Tail lamp plug | tail lamps | chassis | rear frame | sealed grey rectangle two-ribs | thumb tab | beacon stop-l gnd
        diagnostic | Diagnostic socket | diagnostic socket | cab | behind the seat, round | sealed black round none | bayonet | [round] bat-cab gnd bus-h bus-l - -
        bus-end | Bus end plug | bus end resistor | deck-box | red cap | sealed red rectangle flat | thumb tab | bus-h bus-l
        ecu | ECU plug | ECU | deck-box | right deck box, large plug | sealed black rectangle two-ribs | lever red | ecu a 94 in 5`,
      studs: `
        battery-negative | Battery negative | gnd | battery | right battery, front post | 10
        battery-positive | Battery positive | bat | battery | left battery, rear post | 10
        deck-ground | Deck box ground | gnd | deck-box | on the box wall, bare metal | 8
        engine-ground | Engine ground | ecu-gnd | lower | flywheel housing, cable lug | 10
        starter-live | Starter live stud | bat | lower | on the starter, under its boot | 10`,
    },
    [
      {
        id: 'long-chassis',
        name: 'Long chassis',
        tells: 'The ECU sits in the left deck box.',
        passages: `
          deck-box > deck-box-left | across behind the cab | 2.90 | moving 20 engine cover |`,
        zones: `
          deck-box-left | Left deck box | dry`,
        covers: `
          deck-lid-left | Left deck box lid | 5.60 -1.30 2.90 0.60 0.50 0.08 | header | 2/4/8 | 6 screws M6x16 hex head 10 6 N·m | rubber seal |`,
        ways: `
          zone:deck-box-left | above | header deck-lid-left | 1/2/4`,
        plugs: `
          ecu | ECU plug | ECU | deck-box-left | left deck box, large plug | sealed black rectangle two-ribs | lever red | ecu a 94 in 5`,
      },
    ],
  )
}
