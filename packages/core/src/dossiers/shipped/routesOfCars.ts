import type { RouteSheet } from './routeSheet.ts'

/** Where a loom lies on the saloon, the ute and the two pickups. */
export const marlowRoutes: RouteSheet = {
  spots: `
    box-right | Right of the ECU box | 1.66 0.66 0.74 | place:ecu-right
    plug-a | ECU plugs | 1.64 0.56 0.78 | plug:ecu-a plug:ecu-b
    ground | Ground stud at the ECU box | 1.66 0.70 0.66 | stud:glovebox-ground
    left-kick | Left kick plate | 1.72 -0.76 0.46 | place:kick-plate
    grommet | Bulkhead grommet behind the glovebox | 1.54 0.40 0.86 |`,
  passages: `
    box-right > plug-a | along the factory loom | 0.12 | |
    box-right > ground | down beside the box | 0.10 | sharp edge of the box |
    plug-a > glovebox | behind the glovebox | 0.17 | pinch the glovebox |
    plug-a > grommet | to the bulkhead grommet | 0.22 | |
    grommet > bulkhead | through the bulkhead grommet | 0.14 | | grommet 10/20/40; free 70
    bulkhead > engine | along the bulkhead to the engine | 0.62 | hot 130 40 head |
    bulkhead > intake | along the right inner wing | 0.68 | |
    intake > front | along the wing | 0.87 | wet |
    engine > engine-low | down behind the engine | 0.56 | hot 600 45 exhaust manifold |
    engine-low > exhaust | along the exhaust | 0.78 | hot 520 30 exhaust; wet |
    engine > fuse-bay | across the engine bay | 0.71 | hot 130 40 head |
    glovebox > dash | behind the dash, below the airbag | 0.87 | sharp dash bracket |
    glovebox > dash | over the top of the dash | 0.91 | barred the passenger's airbag opens here |
    dash > column | down beside the column | 0.30 | moving 20 steering shaft |
    dash > left-kick | behind the left dash end | 0.65 | |
    left-kick > kick | behind the panel | 0.04 | |
    glovebox > left-kick | along the bulkhead under the carpet | 1.31 | pinch the carpet edge |
    kick > tank | along the left sill | 2.07 | pinch the sill cover |
    tank > boot | behind the rear seat | 0.86 | pinch the seat back |
    glovebox > tank | along the right sill | 1.73 | pinch the sill cover |`,
  places: `
    ecu-right | 130 90 40 | flat | 55 | low | hidden; lamp
    kick-plate | 140 100 45 | flat | 45 | low | hidden`,
  power: '70 | 18 | 15 | 14 | charging 12.4 15',
}

export const shielingRoutes: RouteSheet = {
  spots: `
    top | Bulkhead above the ECU | 1.60 -0.36 1.10 | place:bulkhead-top plug:ecu plug:ecu-a plug:ecu-b
    wing | Inner wing beside the battery | 0.78 -0.66 0.98 | place:battery-side stud:wing-ground
    battery-top | Battery posts | 0.60 -0.62 1.06 | stud:battery-negative stud:battery-positive
    rail-left | Left end of the rail | 1.12 -0.10 1.02 | plug:rail
    starter | Bell housing above the starter | 1.34 -0.22 0.62 | plug:crank stud:engine-ground stud:starter-live
    pipe | Charge pipe | 0.86 -0.26 1.00 | plug:boost
    grommet | Bulkhead grommet | 1.66 -0.50 0.98 |
    pedal-top | Pedal bracket | 1.92 -0.46 0.66 | place:pedal-side plug:pedal plug:brake-switch`,
  passages: `
    top > bulkhead | along the bulkhead | 0.06 | |
    top > grommet | down to the grommet | 0.20 | |
    grommet > pedals | through the bulkhead | 0.49 | | grommet 8/16/30; free 80
    pedals > pedal-top | up the pedal bracket | 0.08 | moving 60 pedals | under -
    grommet > pedal-top | through the bulkhead, over the pedals | 0.44 | sharp pedal bracket | grommet 10/20/40; free 80; under -
    bulkhead > rail-left | over the rocker cover | 0.60 | hot 120 30 rocker cover; shakes |
    rail-left > rail | along the rail | 0.23 | hot 120 20 rocker cover; shakes |
    bulkhead > starter | down the bulkhead behind the engine | 0.60 | hot 480 90 exhaust; wet |
    starter > lower | along the gearbox | 0.17 | wet; hot 450 80 exhaust |
    rail-left > pipe | along the intake | 0.32 | shakes |
    top > pipe | along the left inner wing | 0.82 | |
    pipe > intake | along the charge pipe | 0.09 | shakes |
    pipe > wing | across to the wing | 0.43 | |
    wing > battery-top | along the wing | 0.22 | |
    battery-top > battery | across the battery | 0.09 | wet |
    rail-left > turbo | past the turbo | 0.50 | hot 650 25 turbo |
    rail > turbo | over the turbo | 0.31 | hot 700 30 turbo |
    wing > front | along the wing | 0.86 | wet |
    pedals > cab | behind the dash | 0.43 | |
    starter > frame | down to the frame | 1.78 | wet; moving 20 gearbox |`,
  places: `
    bulkhead-top | 140 100 45 | flat | 75 | some | lamp
    battery-side | 130 90 45 | flat | 60 | some | wet; lamp
    pedal-side | 120 80 40 | bracket | 40 | low | hidden`,
  power: '74 | 16 | 10 | 22',
}

export const packhorseRoutes: RouteSheet = {
  spots: `
    wing | Left inner wing above the ECU | 0.90 -0.78 1.20 | place:wing-left plug:ecu-a plug:ecu-b
    battery-post | Left battery | 0.56 -0.74 1.22 | stud:battery-left-neg stud:battery-left-pos
    wing-stud | Ground stud beside the fuse box | 0.76 -0.82 1.14 | stud:wing-ground
    booster | Left of the brake booster | 1.84 -0.58 1.28 | place:bulkhead-left
    end-cap | Bus end at the bulkhead | 1.80 -0.30 1.20 | plug:bus-end
    rail-end | Rear end of the rail | 1.64 0.14 1.22 | plug:rail
    pipe | Charge pipe above the left battery | 0.92 -0.44 1.22 | plug:boost
    grommet | Grommet left of the booster | 1.90 -0.62 1.12 |
    knee | Left of the column | 2.20 -0.62 0.96 | place:dash-knee place:switch-knee
    pedal-top | Pedal bracket | 2.12 -0.50 0.90 | plug:brake-switch plug:pedal`,
  passages: `
    wing > wing-stud | along the fuse box | 0.17 | |
    wing-stud > battery-left | along the wing | 0.24 | wet |
    battery-left > battery-post | across the battery | 0.07 | |
    wing > pipe | over the coolant hose | 0.36 | hot 100 25 coolant hose |
    pipe > intake | along the charge pipe | 0.14 | shakes |
    wing > booster | along the left inner wing | 1.03 | |
    booster > bulkhead | along the bulkhead | 0.16 | |
    bulkhead > end-cap | along the bulkhead seam | 0.17 | |
    end-cap > rail-end | across the back of the engine | 0.49 | hot 520 60 exhaust manifold | under cover
    intake > rail-end | over the rocker cover | 0.85 | hot 125 35 rocker cover; shakes | under cover
    rail-end > rail | along the rail | 0.48 | hot 125 20 rocker cover; shakes | under cover
    rail-end > turbo | behind the turbo | 0.47 | hot 680 25 turbo |
    rail > turbo | over the turbo | 0.33 | hot 720 30 turbo |
    booster > grommet | down to the grommet | 0.19 | |
    grommet > pedal-top | through the bulkhead | 0.35 | | grommet 10/20/40; free 90
    pedal-top > column | beside the column | 0.10 | moving 25 steering shaft |
    grommet > knee | through the bulkhead, left of the pedals | 0.37 | sharp dash bracket | grommet 10/20/40; free 90
    knee > pedal-top | along the dash frame | 0.17 | |
    knee > cab | behind the lower dash panel | 0.39 | pinch the lower dash panel |
    column > cab | behind the column | 0.31 | barred the airbag's yellow sheath lies here |
    intake > front | along the shroud | 0.60 | moving 30 fan and belts; wet |
    bulkhead > lower | down behind the engine | 0.80 | hot 460 80 exhaust; wet |
    lower > frame | along the gearbox | 1.94 | wet; moving 20 gearbox |
    filter > frame | across under the cab | 1.57 | hot 600 60 particulate filter; wet |
    lower > filter | along the down pipe | 1.18 | hot 560 40 down pipe |
    front > battery-right | along the radiator | 0.86 | wet |`,
  places: `
    wing-left | 160 120 50 | flat | 70 | some | lamp
    bulkhead-left | 140 100 45 | flat | 80 | some | hidden
    dash-knee | 120 70 40 | bracket | 45 | low | lamp; dash
    switch-knee | 50 50 40 | bracket | 45 | low | dash; for switch`,
  power: '190 | 24 | 20 | 38 | charging 12.4 15',
}

export const longhaulRoutes: RouteSheet = {
  spots: `
    wing | Left inner wing above the ECU | 0.92 -0.80 1.22 | place:wing-left plug:ecu-a plug:ecu-b
    battery-post | Left battery | 0.58 -0.76 1.24 | stud:battery-left-neg stud:battery-left-pos
    wing-stud | Ground stud beside the fuse box | 0.78 -0.84 1.16 | stud:wing-ground
    booster | Left of the brake booster | 1.90 -0.60 1.30 | place:bulkhead-left
    end-cap | Bus end at the bulkhead | 1.86 -0.26 1.22 | plug:bus-end
    rail-right | Rear end of the right rail | 1.62 0.42 1.10 | plug:rail
    pipe | Charge pipe above the left battery | 0.86 -0.40 1.26 | plug:boost
    valley-rear | Rear of the valley | 1.62 0.04 1.26 |
    grommet | Grommet left of the booster | 1.96 -0.64 1.14 |
    knee | Left of the column | 2.26 -0.62 0.98 | place:dash-knee place:switch-knee
    pedal-top | Pedal bracket | 2.18 -0.50 0.92 | plug:brake-switch plug:pedal`,
  passages: `
    wing > wing-stud | along the fuse box | 0.16 | |
    wing-stud > battery-left | along the wing | 0.25 | wet |
    battery-left > battery-post | across the battery | 0.07 | |
    wing > pipe | over the coolant hose | 0.42 | hot 100 25 coolant hose |
    pipe > intake | along the charge pipe | 0.13 | shakes |
    intake > valley | along the intake into the valley | 0.53 | hot 130 30 valley |
    valley > valley-rear | through the valley | 0.33 | hot 300 40 turbo pedestal |
    valley-rear > rail-right | over the right head | 0.44 | hot 130 30 head; shakes | under cover
    valley-rear > end-cap | back to the bulkhead | 0.42 | hot 500 70 up-pipe | under cover
    wing > booster | along the left inner wing | 1.08 | |
    booster > bulkhead | along the bulkhead | 0.17 | |
    bulkhead > end-cap | along the bulkhead seam | 0.21 | |
    end-cap > rail-right | across the back of the engine | 0.76 | hot 500 45 up-pipes | under cover
    rail-right > right-head | along the right head | 0.30 | hot 130 20 head; shakes |
    left-head > intake | along the left head | 0.53 | hot 130 20 head; shakes |
    right-head > front | in front of the right head | 0.90 | moving 30 fan and belts |
    booster > grommet | down to the grommet | 0.19 | |
    grommet > pedal-top | through the bulkhead | 0.36 | | grommet 10/20/40; free 90
    pedal-top > column | beside the column | 0.10 | moving 25 steering shaft |
    grommet > knee | through the bulkhead, left of the pedals | 0.37 | sharp dash bracket | grommet 10/20/40; free 90
    knee > pedal-top | along the dash frame | 0.16 | |
    knee > cab | behind the lower dash panel | 0.39 | pinch the lower dash panel |
    column > cab | behind the column | 0.32 | barred the airbag's yellow sheath lies here |
    bulkhead > lower | down behind the engine | 0.77 | hot 460 80 exhaust; wet |
    lower > frame | along the gearbox | 1.95 | wet; moving 20 gearbox |
    filter > frame | across under the cab | 1.56 | hot 600 60 particulate filter; wet |
    lower > filter | along the down pipe | 1.15 | hot 560 40 down pipe |
    front > battery-right | along the radiator | 0.84 | wet |
    intake > front | along the shroud | 0.45 | moving 30 fan and belts; wet |`,
  places: `
    wing-left | 160 120 50 | flat | 70 | some | lamp
    bulkhead-left | 140 100 45 | flat | 85 | some | hidden
    dash-knee | 120 70 40 | bracket | 45 | low | lamp; dash
    switch-knee | 50 50 40 | bracket | 45 | low | dash; for switch`,
  power: '200 | 26 | 20 | 40 | charging 12.4 15',
}
