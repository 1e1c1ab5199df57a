import type { RouteSheet } from './routeSheet.ts'

/** Where a loom lies on the side-by-side, the snow machine and the harvester. */
export const skuaRoutes: RouteSheet = {
  spots: `
    seat-box | Beside the ECU | 1.66 0.38 0.60 | place:seat-plate plug:ecu plug:ecu-a
    battery-top | Battery | 1.58 0.30 0.62 | stud:battery-negative stud:battery-positive stud:frame-ground
    dash-box | Right of the dash | 0.98 0.30 1.04 | place:dash-right place:dial-dash
    hood-box | Shelf behind the fuse box | 0.70 0.20 0.92 | place:hood-shelf
    firewall | Firewall behind the seats | 1.96 0.20 0.76 |
    body | Throttle body | 2.10 0.02 0.84 | plug:throttle
    boss | Boss in the front pipe | 2.12 0.18 0.58 | place:pipe-boss`,
  passages: `
    seat-box > seat | under the passenger's seat | 0.05 | pinch the seat's rail |
    seat-box > battery-top | along the battery box | 0.13 | |
    battery-top > seat | in front of the battery | 0.08 | |
    seat-box > firewall | along the factory loom to the firewall | 0.40 | | free 260
    firewall > body | through the engine cover's grommet | 0.25 | hot 160 60 engine cover | grommet 5/10/20; free 200; under seats engine-lid
    body > throttle | along the intake | 0.03 | shakes |
    body > engine | down beside the engine | 0.28 | hot 600 75 exhaust manifold; wet; shakes |
    firewall > engine | below the firewall, along the tunnel | 0.40 | wet; moving 30 belt cooling duct | under seats engine-lid
    body > boss | down in front of the gearbox | 0.32 | hot 560 90 exhaust |
    engine > boss | along the exhaust | 0.23 | hot 680 20 exhaust |
    boss > bed | under the bed | 0.48 | hot 340 60 silencer; wet |
    seat > tunnel | down into the tunnel | 0.42 | wet; sharp tunnel plate |
    tunnel > engine | along the tunnel | 0.79 | wet; shakes; hot 200 40 engine |
    tunnel > boss | along the tunnel to the front pipe | 0.67 | wet; hot 580 90 front pipe |
    tunnel > hood | along the tunnel, forwards | 1.06 | wet; moving 25 steering shaft |
    seat > dash | up the middle console | 0.90 | | free 150
    seat > dash | up the right door pillar | 0.88 | pinch the door |
    dash > tunnel | down behind the dash into the tunnel | 0.74 | wet; moving 20 pedals |
    dash > dash-box | behind the dash | 0.31 | |
    dash > hood | through the dash panel | 0.46 | | spare grommet 4/8/16; free 110
    hood > hood-box | behind the fuse box | 0.26 | |
    bed > tail | along the bed | 0.48 | wet |`,
  places: `
    seat-plate | 150 100 50 | flat | 50 | low | hidden; lamp
    dash-right | 90 70 70 | bracket | 50 | some | lamp; dash
    hood-shelf | 140 90 45 | tray | 55 | some | hidden
    dial-dash | 60 60 60 | bracket | 50 | some | lamp; dash; for dial
    pipe-boss | 40 40 90 | bracket | | some | wet; for sensor`,
  power: '20 | 2.2 | 3 | 12',
}

export const rimeRoutes: RouteSheet = {
  spots: `
    shield | Above the pipe shield | 0.56 -0.10 0.80 | place:ecu-seat plug:ecu plug:bench
    guard | Right wall, beside the belt guard | 0.58 0.30 0.76 | place:nose-right
    battery-top | Battery | 0.46 0.12 0.72 | stud:battery-negative stud:battery-positive
    post | Steering post | 1.02 -0.04 0.92 |
    bar-left | Left of the bar | 1.30 -0.20 1.08 | place:switch-bar`,
  passages: `
    shield > nose | over the pipe shield | 0.14 | hot 300 80 pipe |
    guard > nose | along the belt guard | 0.34 | moving 20 belt guard |
    battery-top > nose | beside the battery | 0.14 | |
    shield > post | over the airbox to the steering post | 0.50 | |
    nose > post | above the airbox | 0.60 | shakes |
    nose > pipe | along the pipe | 0.16 | hot 480 25 pipe |
    pipe > engine | along the pipe | 0.31 | hot 560 20 pipe; shakes |
    nose > engine | left of the engine | 0.48 | hot 180 40 cylinder; shakes |
    engine > throttle | behind the engine | 0.35 | hot 150 30 cylinder; shakes |
    post > throttle | down behind the airbox | 0.31 | shakes; moving 12 throttle cable |
    post > bar | up the steering post | 0.34 | | steering left
    bar > bar-left | along the bar | 0.21 | moving 10 brake line |
    throttle > tunnel | under the seat's front | 0.67 | wet; sharp tunnel plate |`,
  places: `
    ecu-seat | 160 130 50 | tray | 55 | some | hidden
    nose-right | 150 120 45 | flat | 60 | high | hidden
    switch-bar | 40 40 40 | bracket | 30 | some | wet; dash; for switch`,
  steering: '0.05, 34',
  power: '12 | 0.9 | 1 | 12',
}

export const t9Routes: RouteSheet = {
  spots: `
    wall | Deck box wall | 5.62 1.24 2.60 | place:deck-wall stud:deck-ground
    lifting-eye | Front lifting eye | 6.04 0.44 2.44 | place:bracket-plate
    bracket-plug | Injection plug at the bracket | 6.14 0.38 2.42 | plug:injection plug:bracket-socket
    rail-front | Front end of the rail | 6.36 0.30 2.56 | plug:rail
    manifold | Intake manifold | 6.46 0.10 2.62 | plug:boost`,
  passages: `
    wall > deck-box | along the deck box wall | 0.07 | |
    wall > lifting-eye | along the engine's front cross member | 0.96 | | free 400
    deck-box > lifting-eye | over the alternator belt | 1.04 | moving 60 alternator belt |
    lifting-eye > bracket-plug | along the bracket | 0.13 | shakes |
    bracket-plug > bracket | behind the bracket | 0.05 | shakes |
    bracket-plug > rail-front | along the rail cover | 0.30 | hot 130 30 rail cover; shakes |
    rail-front > manifold | along the intake | 0.25 | hot 110 25 intake; shakes |
    rail-front > head | under the head cover's edge | 0.25 | hot 130 15 head; shakes |
    manifold > head | along the head | 0.26 | hot 130 15 head; shakes |
    head > turbo | past the turbo | 0.66 | hot 640 25 turbo |
    bracket > lower | down the front of the engine | 0.98 | moving 60 fan belt; wet |
    deck-box > fan | along the radiator | 1.68 | barred the rotary screen turns here |
    deck-box > chassis | down the deck post | 1.76 | wet; sharp deck plate |
    chassis > cab | along the frame to the cab | 3.20 | wet; moving 80 feeder house |
    chassis > battery | along the frame | 3.06 | wet |
    lower > chassis | along the frame under the engine | 2.12 | wet; hot 450 80 exhaust |
    battery > cab | up the ladder side | 2.49 | wet |
    bracket > fan | along the belt drive | 1.50 | barred belts and pulleys run open here |`,
  places: `
    deck-wall | 200 150 60 | flat | 60 | some | hidden; lamp
    bracket-plate | 160 100 50 | bracket | 85 | high | wet`,
  power: '240 | 28 | 5 | 16',
}
