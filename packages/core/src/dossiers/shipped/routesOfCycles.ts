import type { RouteSheet } from './routeSheet.ts'

/** Where a loom lies on the motorcycles of the yard. */
export const pikaRoutes: RouteSheet = {
  spots: `
    ecu-tray | ECU tray | 1.38 -0.14 0.80 | place:ecu-seat plug:ecu
    wall | Airbox wall above the battery | 1.28 -0.12 0.88 | place:airbox-wall
    battery-top | Battery | 1.34 -0.08 0.76 | stud:battery-negative stud:battery-positive
    backbone | Backbone under the tank | 1.02 -0.03 0.94 |
    bar-left | Left of the handlebar | 0.68 -0.22 1.14 | place:switch-bar
    silencer | Silencer joint | 1.46 0.18 0.62 |`,
  passages: `
    ecu-tray > airbox | behind the side panel | 0.06 | |
    wall > airbox | along the airbox wall | 0.09 | |
    battery-top > airbox | beside the battery | 0.08 | sharp edge of the battery strap |
    ecu-tray > wall | up the airbox wall | 0.13 | |
    airbox > backbone | along the factory loom into the frame | 0.36 | pinch the seat's front hook | under seat side-left
    wall > backbone | above the airbox, left of the shock | 0.29 | moving 25 shock body | under seat side-left
    backbone > tank | along the backbone, fished with a stiff wire | 0.18 | shakes | free 120; under seat shroud-left
    airbox > throttle | through the gap behind the frame | 0.27 | wet; shakes |
    throttle > engine | down the left of the engine | 0.32 | hot 240 45 cylinder; wet |
    throttle > backbone | up behind the throttle body | 0.26 | shakes | under seat side-left
    tank > bar | left of the steering head | 0.35 | | steering left; under shroud-left
    tank > nose | through the fork yokes | 0.40 | moving 90 fork and cables | steering front; under shroud-left
    nose > bar | up behind the lamp | 0.24 | wet |
    bar > bar-left | along the bar | 0.24 | moving 10 clutch cable |
    airbox > tail | along the rear frame | 0.58 | wet |
    airbox > silencer | behind the right panel | 0.43 | hot 460 40 silencer |
    silencer > tail | along the silencer | 0.57 | hot 460 30 silencer |
    engine > silencer | along the exhaust pipe | 0.65 | hot 620 25 exhaust pipe |`,
  places: `
    ecu-seat | 150 120 45 | tray | 55 | some | hidden
    airbox-wall | 140 110 40 | flat | 50 | some | hidden
    switch-bar | 40 40 40 | bracket | 45 | some | wet; dash; for switch`,
  steering: '0.055, 45',
  power: '6 | 1.1 | 1 | 8.5 | lithium',
}

export const kittiwakeRoutes: RouteSheet = {
  spots: `
    hump-tray | Tray under the pillion seat | 1.64 0 0.90 | place:hump plug:ecu
    fuse-side | Beside the fuse box | 1.42 0.10 0.86 | place:seat-tray
    battery-top | Battery | 1.36 0.06 0.84 | stud:battery-negative stud:battery-positive
    spar-left | Left spar, behind the tank | 1.10 -0.16 0.85 |
    spar-right | Right spar, behind the tank | 1.10 0.16 0.85 |
    low-1 | Lower injector 1 | 0.92 -0.12 0.78 | plug:injector-1-low
    low-2 | Lower injector 2 | 0.92 -0.04 0.78 | plug:injector-2-low
    low-3 | Lower injector 3 | 0.92 0.04 0.78 | plug:injector-3-low
    low-4 | Lower injector 4 | 0.92 0.12 0.78 | plug:injector-4-low plug:throttle plug:sub-throttle
    up-1 | Upper injector 1 | 0.86 -0.12 0.91 | plug:injector-1-up
    up-2 | Upper injector 2 | 0.86 -0.04 0.91 | plug:injector-2-up
    up-3 | Upper injector 3 | 0.86 0.04 0.91 | plug:injector-3-up
    up-4 | Upper injector 4 | 0.86 0.12 0.91 | plug:injector-4-up
    well-1 | Plug well 1 | 0.76 -0.12 0.72 | plug:coil-1
    well-2 | Plug well 2 | 0.76 -0.04 0.72 | plug:coil-2
    well-3 | Plug well 3 | 0.76 0.04 0.72 | plug:coil-3
    well-4 | Plug well 4 | 0.76 0.12 0.72 | plug:coil-4
    clamp-left | Left bar clamp | 0.58 -0.16 1.00 | place:bar-clamp
    neck-left | Left of the steering head | 0.64 -0.08 0.88 |
    crank-lead | Lead at the right cover | 1.08 0.18 0.52 | plug:crank stud:engine-ground
    boss | Boss behind the collector | 1.14 0.12 0.30 | place:collector-boss`,
  passages: `
    hump-tray > seat | under the pillion seat, along the factory loom | 0.33 | pinch the pillion seat's catch |
    hump-tray > seat | round the left of the catch | 0.41 | | via 1.52 -0.12 0.88
    hump-tray > tail | to the tail | 0.13 | wet |
    fuse-side > seat | beside the fuse box | 0.14 | |
    battery-top > seat | across the battery | 0.07 | |
    fuse-side > battery-top | along the battery | 0.08 | sharp edge of the battery strap |
    seat > spar-left | along the left spar | 0.30 | |
    seat > spar-right | along the right spar | 0.31 | moving 12 throttle cables |
    spar-left > low-1 | down to the throttle bodies | 0.20 | shakes | free 300; under tank airbox-lid airbox
    spar-left > under-tank | under the tank | 0.24 | pinch the tank's rear rubber |
    spar-right > low-4 | down to the throttle bodies, right | 0.20 | shakes; moving 12 throttle cables | free 300; under tank airbox-lid airbox
    low-1 > low-2 | along the lower rail | 0.09 | shakes |
    low-2 > low-3 | along the lower rail | 0.09 | shakes |
    low-3 > low-4 | along the lower rail | 0.09 | shakes |
    low-1 > up-1 | up the airbox side | 0.16 | |
    low-2 > up-2 | up between the stacks | 0.16 | |
    low-3 > up-3 | up between the stacks | 0.15 | |
    low-4 > up-4 | up the airbox side | 0.15 | |
    up-1 > up-2 | along the airbox lid | 0.08 | |
    up-2 > up-3 | along the airbox lid | 0.09 | |
    up-3 > up-4 | along the airbox lid | 0.09 | |
    low-1 > well-1 | forwards over the head cover | 0.18 | hot 130 25 head cover; shakes |
    low-2 > well-2 | forwards over the head cover | 0.18 | hot 130 25 head cover; shakes |
    low-3 > well-3 | forwards over the head cover | 0.18 | hot 130 25 head cover; shakes |
    low-4 > well-4 | forwards over the head cover | 0.18 | hot 130 25 head cover; shakes |
    well-1 > well-2 | along the head cover | 0.09 | hot 130 20 head cover; shakes |
    well-2 > well-3 | along the head cover | 0.08 | hot 130 20 head cover; shakes |
    well-3 > well-4 | along the head cover | 0.09 | hot 130 20 head cover; shakes |
    low-2 > throttle-bodies | between the bodies | 0.04 | shakes |
    up-2 > airbox | airbox lid | 0.05 | |
    under-tank > airbox | under the tank | 0.11 | pinch the tank |
    well-2 > head | head cover | 0.05 | hot 130 20 head cover |
    seat > crank-lead | down behind the right spar | 0.48 | wet |
    crank-lead > engine-right | below the starter | 0.05 | wet; shakes |
    seat > engine-left | down behind the left spar | 0.51 | wet; moving 15 gear lever linkage |
    spar-right > crank-lead | down inside the right fairing | 0.35 | hot 180 40 clutch cover |
    crank-lead > boss | down the collector | 0.25 | hot 520 55 collector; wet |
    boss > collector | along the collector | 0.10 | hot 640 20 collector |
    engine-left > collector | under the engine | 0.40 | hot 600 20 header pipes; wet |
    under-tank > neck-left | along the left spar to the steering head | 0.33 | |
    neck-left > clamp-left | left of the steering head up to the bar | 0.17 | | steering left
    neck-left > nose | through the yokes to the nose | 0.33 | moving 90 fork and cables | steering front
    neck-left > well-1 | down behind the radiator | 0.22 | hot 110 30 radiator |
    well-1 > engine-left | down the left of the cylinders | 0.47 | hot 180 45 cylinders; wet |
    engine-left > boss | behind the sump to the boss | 0.39 | hot 560 90 collector; wet |
    nose > bar | up to the bar | 0.24 | wet |
    bar > clamp-left | along the left bar | 0.18 | moving 10 clutch cable |
    engine-right > tail | along the swing arm pivot | 0.92 | moving 60 swing arm; wet |
    seat > tail | along the rear frame | 0.45 | wet |`,
  places: `
    hump | 160 110 40 | tray | 45 | low | hidden
    seat-tray | 120 80 35 | flat | 50 | low | hidden; lamp
    bar-clamp | 90 60 60 | bracket | 45 | high | wet; lamp; dash
    collector-boss | 40 40 90 | bracket | | some | wet; for sensor`,
  steering: '0.06, 28',
  power: '8.6 | 1.4 | 1 | 10',
}

export const saddlerRoutes: RouteSheet = {
  spots: `
    plate | Plate in front of the airbox | 0.84 0.02 1.00 | place:ecu-front plug:ecu
    tray | Tool tray | 1.62 0 0.95 | place:seat-tray
    battery-top | Battery | 0.76 -0.20 0.86 | stud:battery-negative stud:battery-positive
    body-left | Left throttle body | 1.04 -0.10 0.85 | plug:injector-1 plug:throttle plug:pressure-1
    body-right | Right throttle body | 1.04 0.10 0.85 | plug:injector-2 plug:pressure-2
    well-left | Left plug well | 0.88 -0.10 0.78 | plug:coil-1
    well-right | Right plug well | 0.88 0.10 0.78 | plug:coil-2
    backbone | Backbone behind the airbox | 1.18 0 0.98 |
    cluster | Ground cluster | 1.36 0.04 0.93 | stud:frame-ground`,
  passages: `
    plate > airbox | along the factory loom under the airbox | 0.15 | |
    airbox > body-left | down the left of the airbox | 0.18 | shakes |
    airbox > body-right | down the right of the airbox | 0.18 | shakes; moving 10 throttle grip cable |
    body-left > throttle | between the bodies | 0.11 | shakes |
    body-right > throttle | between the bodies | 0.11 | shakes |
    airbox > backbone | along the backbone | 0.21 | pinch the tank's rear bracket |
    airbox > backbone | along the backbone, below the bracket | 0.28 | | via 1.08 -0.08 0.94
    backbone > cluster | under the seat's front edge | 0.20 | |
    cluster > seat | under the seat | 0.08 | |
    seat > tray | along the seat rail | 0.21 | |
    tray > tail | into the tail | 0.30 | wet |
    plate > well-left | over the head cover, left | 0.27 | hot 140 25 head cover |
    plate > well-right | over the head cover, right | 0.26 | hot 140 25 head cover |
    well-left > head | head cover | 0.11 | hot 140 20 head cover; shakes |
    well-right > head | head cover | 0.11 | hot 140 20 head cover; shakes |
    body-left > well-left | forwards under the frame | 0.19 | hot 140 20 head cover; shakes |
    body-right > well-right | forwards under the frame | 0.19 | hot 140 20 head cover; shakes |
    body-left > engine-left | down the left side, behind the frame | 0.41 | wet; shakes |
    backbone > engine-left | down the left side, outside the frame | 0.55 | wet; moving 40 shock linkage | under tank
    backbone > engine-right | down the right side | 0.57 | wet; hot 200 40 clutch cover | under tank
    plate > shroud-left | behind the left radiator | 0.32 | hot 110 30 radiator |
    shroud-left > battery-top | to the battery | 0.05 | |
    plate > shroud-right | behind the right radiator | 0.28 | hot 110 30 radiator; moving 20 fan shroud |
    plate > nose | left of the steering head | 0.48 | | steering left
    nose > bar | up to the bar | 0.25 | wet |
    engine-left > sump | along the exhaust | 0.37 | hot 560 30 exhaust; wet |
    engine-right > sump | under the engine | 0.33 | hot 560 30 exhaust; wet |`,
  places: `
    ecu-front | 140 100 45 | flat | 65 | some | hidden
    seat-tray | 160 120 60 | tray | 45 | low | hidden; lamp`,
  steering: '0.07, 40',
  power: '11.2 | 1.8 | 2 | 9.5',
}

export const calderRoutes: RouteSheet = {
  spots: `
    box | Beside the battery | 1.46 -0.08 0.74 | place:seat-box
    plate | Fender plate | 1.82 0 0.76 | place:tail-box
    battery-top | Battery | 1.52 0.06 0.76 | stud:battery-negative stud:battery-positive
    ecu-spot | ECU | 1.12 0 0.90 | plug:ecu plug:ecu-a plug:ecu-b
    backbone | Backbone | 1.26 0 0.86 |
    throttle-spot | Throttle body | 1.14 0.04 0.76 | plug:throttle
    crank-lead | Lead at the front of the crankcase | 1.06 0.12 0.44 | plug:crank
    bar-left | Left of the bar | 0.74 -0.26 1.04 | place:dial-bar
    boss | Boss in the rear pipe | 1.34 0.24 0.42 | place:pipe-boss`,
  passages: `
    box > seat | beside the battery | 0.10 | |
    battery-top > seat | across the battery | 0.08 | |
    box > battery-top | along the battery strap | 0.16 | sharp edge of the battery strap |
    seat > backbone | along the factory loom | 0.29 | pinch the seat's nose |
    box > backbone | left of the seat rail | 0.27 | |
    plate > seat | over the fender | 0.33 | |
    plate > tail | along the fender | 0.28 | wet |
    seat > tail | inside the left fender strut | 0.64 | wet; moving 70 rear wheel travel |
    backbone > ecu-spot | under the tank | 0.16 | |
    ecu-spot > tank | under the tank | 0.07 | |
    ecu-spot > throttle-spot | down to the throttle body | 0.16 | hot 150 40 rear cylinder; shakes |
    throttle-spot > vee | between the cylinders | 0.06 | hot 210 25 cylinders; shakes |
    backbone > crank-lead | down the right down tube | 0.52 | wet; hot 170 45 crankcase | under tank
    throttle-spot > crank-lead | through the vee | 0.35 | hot 230 20 cylinders; shakes | under tank
    crank-lead > engine | along the crankcase | 0.14 | wet; shakes |
    backbone > boss | behind the right side cover | 0.56 | hot 560 90 rear pipe |
    crank-lead > boss | along the rear pipe | 0.33 | hot 520 25 rear pipe |
    tank > head | left of the steering head | 0.43 | | steering left
    tank > nose | through the neck into the fairing | 0.64 | | steering front; free 90
    head > bar-left | along the bar | 0.29 | moving 8 clutch line |
    nose > head | behind the fairing | 0.22 | |
    tank > lower-left | behind the left lower | 0.62 | wet; moving 15 fairing lower |
    tank > lower-right | behind the right lower | 0.60 | wet; moving 15 fairing lower |`,
  places: `
    seat-box | 130 90 45 | tray | 55 | low | hidden; lamp
    tail-box | 140 110 40 | flat | 45 | some | hidden; wet
    dial-bar | 60 60 60 | bracket | 45 | some | wet; lamp; dash; for dial
    pipe-boss | 40 40 90 | bracket | | some | wet; for sensor`,
  steering: '0.08, 38',
  power: '18 | 2.6 | 2 | 10.5',
}
