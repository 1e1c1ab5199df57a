import { rimeAccess } from './accessOfFieldcraft.ts'
import { machineDocument } from './machineDocument.ts'
import { machineSteps } from './machineSteps.ts'
import { rimeRoutes } from './routesOfFieldcraft.ts'
import type { Machine } from './written.ts'

/** Snow machine, two-stroke twin: split grounds, no mixture sensor, exhaust temperature instead. */
export function pellickRime790(): Machine {
  return machineDocument(
    {
      id: 'pellick-rime-790',
      maker: 'Pellick',
      model: 'Rime 790',
      class: 'snow machine',
      years: '2016 on',
      source: 'Rescue machine of the upper hut, belly pan off, 2026-03.',
      engine: {
        cylinders: 2,
        cooling: 'liquid',
        idleRpm: 1600,
        limiterRpm: 8300,
        fuel: 'petrol',
        stoichAfr: 14.6,
        strokes: 2,
      },
      batteries: ['battery-negative'],
      steps: machineSteps({
        identity:
          'Read the tunnel plate: Rime 790. With electric start there is a battery in the nose; without, power comes from the bench when the engine stands.',
        identityWhy: 'Without a battery the controller is woken and loaded from a bench supply.',
        batteries: 1,
        battery: { place: 'in the nose, left', torque: '4 N·m', posts: ['battery-negative'] },
        discharge: { minutes: 2, why: 'the ignition holds 300 V' },
        idle: [1500, 1700],
        prove:
          'Ride it warm on a groomed run and read the exhaust temperatures; a two-stroke that goes lean seizes at once.',
        cautions: {
          cool: 'The tuned pipe in front of the engine stays hot for half an hour.',
          wake: 'Track clear of the ground on a stand, nobody behind it. Carbon monoxide: open doors.',
        },
      }),
      filters: {
        coldBelowC: 45,
        crankingBelowRpm: 400,
        overrunThrottlePct: 1,
        throttleRatePctPerS: 60,
        afrRange: [9, 20],
      },
      cautions: [
        'Scavenging makes a mixture sensor read lean on a two-stroke: only exhaust temperature and plugs tell here.',
        'The injector drives swing to 90 V: never pierced, never probed running.',
      ],
    },
    {
      access: rimeAccess,
      routes: rimeRoutes,
      zones: `
        throttle | Throttle bodies | vibration
        engine | Engine, front | hot vibration air 60
        pipe | Above the tuned pipe | hot vibration air 75
        nose | Nose, under the hood | wet
        tunnel | Tunnel, under the seat | wet vibration
        bar | Handlebar | wet vibration`,
      nets: `
        *a dc | Supply 55 V, injectors | supply-switched supply | rd/ye 1 | high voltage
        bat | Battery 12 V, electric start | supply-always supply | rd 6
        *a v12 | Supply 12 V, engine turning or battery | supply-switched supply | rd/bk 1 | spare 1.5, from regulator
        *a gnd | Power ground, generator | power-ground ground | bk 1.25
        *a ign-gnd | Power ground, ignition | power-ground ground | bk/ye 0.85
        *a sgnd | Sensor ground | sensor-ground ground | bk/wh 0.5
        *a ref5 | 5 V reference | reference-5v supply | rd/wh 0.5 | spare 0.02
        *a inj-1 | Injector drive, clutch side | injector-drive injector c1 | gn/rd 0.75 | high voltage
        *a inj-2 | Injector drive, pull starter side | injector-drive injector c2 | gn/ye 0.75 | high voltage
        *a coil-1 | Coil drive, clutch side | coil-drive coil c1 | wh/rd 0.75
        *a coil-2 | Coil drive, pull starter side | coil-drive coil c2 | wh/ye 0.75
        *a crank-p | Crank signal | frequency crank | wh 0.5
        *a crank-n | Crank sensor return | sensor-ground crank | wh/bk 0.5
        *a tps | Throttle position | analogue-0-5 throttle-position | pk 0.35
        *a idle | Throttle shut switch | switch position | pk/bk 0.35
        *a map | Crankcase pressure | analogue-0-5 manifold-pressure | bu/wh 0.35
        *a iat | Intake air temperature | analogue-0-5 air-temperature | or/bk 0.35
        *a clt | Coolant temperature | analogue-0-5 coolant-temperature | gn/bu 0.35
        *a egt-1 | Exhaust temperature, clutch side | analogue-0-5 exhaust-temperature c1 | br/rd 0.35
        *a egt-2 | Exhaust temperature, pull starter side | analogue-0-5 exhaust-temperature c2 | br/ye 0.35
        *a knock | Knock sensor | analogue-0-5 knock | gy 0.35
        *a rave | Exhaust valve drive | low-side-drive valve c1 | lb 0.5
        *a oilpump | Oil pump drive | low-side-drive valve c2 | lb/bk 0.5
        *a pump | Fuel pump drive | low-side-drive fuel-pump | vi 0.85
        *a oil-lv | Oil level switch | switch level | or/wh 0.35
        *a stop | Stop switch | switch button c1 | bk/rd 0.35
        *a tether | Tether switch | switch button c2 | bk/gn 0.35
        *a rev | Reverse button | switch gear | vi/wh 0.35
        *a speed | Track speed | frequency vehicle-speed | ye/wh 0.35
        *a tacho | Engine speed to the dash | frequency crank c2 | ye/bk 0.35
        *a diag-h | Bus high | bus-high bus | gy/rd 0.35
        *a diag-l | Bus low | bus-low bus | gy/bk 0.35
        *a start-d | Start relay drive | low-side-drive start | gn/bk 0.5
        start-b | Start button | switch start | gn/wh 0.35
        lamps | Lamps 12 V, engine turning | supply-switched lamp | ye 1 | spare 3
        brake | Brake lamp | supply-switched brake-lamp | ye/rd 0.5 | spare 1
        low-b | Dipped beam | supply-switched beam | bu 0.85 | spare 1
        grips | Heated grips | low-side-drive heater | br 0.75
        level | Fuel level | analogue-0-5 level | pk/wh 0.35
        gen-a | Generator phase A | frequency charge | ye/gn 2
        gen-b | Generator phase B | frequency charge | ye/bu 2
        gen-c | Generator phase C | frequency charge | ye/gy 2`,
      plugs: `
        injector-1 | Clutch side injector plug | clutch side injector | throttle | on the boost port, left | sealed grey oval two-ribs | thumb tab | dc inj-1
        injector-2 | Pull starter side injector plug | pull starter side injector | throttle | on the boost port, right | sealed grey oval two-ribs | thumb tab | dc inj-2
        coil | Double coil plug | double coil | nose | above the clutch | sealed black rectangle two-ribs | thumb tab | [2 rows] coil-1 coil-2 dc ign-gnd
        crank | Crank sensor plug | crank sensor | engine | below the generator cover | sealed black oval notch | thumb tab | crank-p crank-n
        throttle | Throttle sensor plug | throttle sensor | throttle | left end of the throttle shaft | sealed black rectangle flat | thumb tab | [2 rows] ref5 tps sgnd idle
        pressure | Crankcase pressure plug | crankcase pressure sensor | throttle | between the throttle bodies | sealed black rectangle notch | thumb tab | ref5 map sgnd
        air-temperature | Air temperature plug | air temperature sensor | throttle | in the airbox | sealed green oval flat | thumb tab | iat sgnd
        coolant | Coolant sensor plug | coolant sensor | engine | head, front | sealed blue oval flat | thumb tab | clt sgnd
        egt-1 | Exhaust temperature plug, clutch side | exhaust temperature sensor, clutch side | pipe | left of the pipe, brown | sealed brown oval flat | thumb tab | egt-1 sgnd
        egt-2 | Exhaust temperature plug, pull starter side | exhaust temperature sensor, pull starter side | pipe | right of the pipe, brown | sealed brown oval flat | thumb tab | egt-2 sgnd
        knock | Knock sensor plug | knock sensor | engine | head, middle | sealed black oval side-rib | thumb tab | knock sgnd
        exhaust-valve | Exhaust valve plug | exhaust valve solenoid | engine | below the throttle bodies | sealed black oval two-ribs | thumb tab | v12 rave
        oil-pump | Oil pump plug | oil pump | engine | oil tank, lower | sealed grey oval notch | thumb tab | v12 oilpump
        oil-level | Oil level plug | oil level switch | nose | oil tank, upper | sealed white oval none | thumb tab | oil-lv sgnd
        pump | Fuel pump plug | fuel pump | tunnel | tank, front | sealed black rectangle none | squeeze | [2 rows] v12 pump level sgnd
        speed | Track speed plug | track speed sensor | tunnel | chain case | sealed black rectangle side-rib | thumb tab | v12 speed sgnd
        tether | Tether plug | tether switch | bar | right of the bar | open black rectangle none | none | tether gnd
        bar-left | Left switch plug | left switch block | bar | at the steering post, left | sealed black rectangle flat | thumb tab | [2 rows] lamps low-b brake grips start-b rev gnd -
        stop | Stop switch plug | stop switch | bar | at the steering post, right | sealed white oval none | thumb tab | stop gnd
        grips | Grip heater plug | heated grips | bar | below the bar pad | open black rectangle notch | squeeze | lamps grips
        dash | Dash plug | instruments | nose | behind the instruments | sealed grey rectangle two-ribs | thumb tab | [2 rows] v12 gnd diag-h diag-l tacho level lamps -
        headlamp | Headlamp plug | headlamp | nose | under the hood | sealed black rectangle none | thumb tab | low-b gnd
        tail-lamp | Tail lamp plug | tail lamp | tunnel | rear of the seat | sealed black rectangle notch | thumb tab | lamps brake gnd
        regulator | Regulator plug | regulator | nose | front of the tunnel | sealed black rectangle two-ribs | lever grey | [2 rows] gen-a gen-b gen-c dc v12 lamps gnd -
        generator | Generator plug | generator | engine | pull starter side, grey lead | sealed white rectangle none | thumb tab | gen-a gen-b gen-c
        start-relay | Start relay plug | start relay | nose | beside the battery | square green rectangle notch | squeeze | [2 rows] bat v12 start-d start-b
        diagnostic | Diagnostic plug | diagnostic socket | nose | right, below the dash, red cap | sealed red rectangle flat | thumb tab | [2 rows] v12 gnd diag-h diag-l
        bench | Bench supply plug | bench supply lead | nose | beside the diagnostic plug, white cap | sealed white rectangle flat | thumb tab | v12 gnd
        ecu | ECU plug | ECU | nose | above the clutch cover, plug to the left | sealed black rectangle two-ribs | lever grey | ecu a 48 in 3`,
      studs: `
        battery-negative | Battery negative | gnd | nose | front post | 6
        battery-positive | Battery positive | bat | nose | rear post, red boot | 6
        engine-ground | Engine ground | ign-gnd | engine | on the crankcase, below the coil | 6
        tunnel-ground | Tunnel ground | gnd | tunnel | under the seat front, two eyelets | 6
        starter-live | Starter live stud | bat | engine | on the starter, under its boot | 6`,
    },
    [
      {
        id: 'pull-start',
        name: 'Pull start',
        tells: 'No battery in the nose, no start button.',
        without: ['start-relay', 'start-b', 'start-d', 'bat', 'battery-positive', 'starter-live'],
        plugs: `
          bar-left | Left switch plug | left switch block | bar | at the steering post, left | sealed black rectangle flat | thumb tab | [2 rows] lamps low-b brake grips - rev gnd -`,
      },
    ],
  )
}
