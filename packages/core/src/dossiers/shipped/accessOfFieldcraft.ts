import type { AccessSheet } from './accessSheet.ts'

/** What comes off the side-by-side, the snow machine and the harvester. */
export const skuaAccess: AccessSheet = {
  body: 'side-by-side | 3.05 1.62 1.90 2.24 0.74',
  at: `
    throttle | 2.10 0 0.82
    engine | 2.24 0 0.62
    tunnel | 1.50 0 0.48
    seat | 1.62 0.36 0.62
    hood | 0.56 0 0.90
    dash | 0.98 0 1.04
    bed | 2.54 0 0.66
    tail | 2.96 0 0.80`,
  covers: `
    seats | Both seats | 1.62 0 0.80 0.60 1.20 0.70 | | 1/2/4 | 2 latches | | how One lever each, lift and pull.
    engine-lid | Engine lid | 2.16 0 0.94 0.60 0.80 0.06 | seats | 2/4/8 | 6 quarter-turns | | hot; ! The silencer lies right beside it and stays hot.
    bed-floor | Bed floor | 2.54 0 0.90 0.80 1.30 0.08 | | 4/8/16 | 8 quarter-turns; 2 latches | | helper; hot
    hood | Hood | 0.54 0 1.00 0.70 1.10 0.10 | | 1/1/2 | 2 straps | |
    tunnel | Tunnel cover | 1.50 0 0.62 0.90 0.30 0.18 | seats | 4/8/16 | 8 screws M6x20 six-lobe 30 5 N·m | eight washers |
    dash-panel | Dash panel | 1.00 0 1.08 0.16 1.10 0.28 | | 5/9/18 | 6 screws M6x16 six-lobe 30 3 N·m; 4 clips | four trim clips |
    belt-cover | Belt cover | 2.30 -0.40 0.56 0.40 0.14 0.36 | bed-floor | 6/12/24 | 10 screws M6x25 hex head 8 6 N·m; 1 clamp (air duct) | gasket | hot`,
  places: `
    seat-plate | Under the passenger's seat | seat | beside the ECU, block up
    dash-right | Right of the dash | dash | where the driver sees it
    hood-shelf | Hood shelf | hood | dry shelf behind the fuse box
    dial-dash | Right of the dash | dash | where the driver sees it
    pipe-boss | Boss in the exhaust | engine | upper arc, behind the joint of both pipes`,
  ways: `
    zone:throttle | above | seats engine-lid | 1/2/4
    zone:throttle | rear | bed-floor | 2/4/8
    zone:engine | above | seats engine-lid | 2/4/8
    zone:engine | rear | bed-floor | 2/4/8
    zone:tunnel | above | seats tunnel | 1/2/4
    zone:seat | above | seats | 1/2/4
    zone:hood | above | hood | 1/2/4
    zone:dash | rear | dash-panel | 2/4/8
    plug:pedal | below | | 3/6/12
    zone:bed | below | | 4/9/20
    zone:bed | above | bed-floor | 1/2/4
    zone:tail | rear | | 1/2/4
    place:seat-plate | above | seats | 3/6/12
    place:dash-right | rear | dash-panel | 5/10/20
    place:hood-shelf | above | hood | 3/6/12`,
}

export const rimeAccess: AccessSheet = {
  body: 'snow machine | 3.10 1.20 1.20 1.60 0.40',
  at: `
    throttle | 1.20 0 0.70
    engine | 0.90 0 0.56
    pipe | 0.62 0 0.66
    nose | 0.50 0 0.74
    tunnel | 1.80 0 0.56
    bar | 1.30 0 1.06`,
  covers: `
    side-left | Left side panel | 0.86 -0.50 0.66 0.90 0.06 0.46 | | 1/1/2 | 2 quarter-turns | | how Turn, swing open and lift off.
    side-right | Right side panel | 0.86 0.50 0.66 0.90 0.06 0.46 | | 1/1/2 | 2 quarter-turns | | how Turn, swing open and lift off.
    hood | Hood | 0.66 0 0.92 0.90 0.90 0.20 | side-left side-right | 2/4/8 | 4 screws M6x16 six-lobe 30 4 N·m; 1 plug (headlamp) | |
    airbox | Airbox | 1.14 0 0.84 0.40 0.50 0.24 | hood | 6/10/20 | 2 springs; 4 straps (rubber bands); 1 plug (air temperature) | | run; tool spring hook; stuff towel in the open throttle bodies
    pipe | Tuned pipe | 0.56 0.10 0.62 0.70 0.40 0.24 | side-right | 4/8/16 | 6 springs | exhaust seal | hot; run; tool spring hook; ! Hot long after the run, sharp at the flange.
    seat | Seat | 1.86 0 0.86 0.90 0.34 0.20 | | 2/4/8 | 2 screws M6x20 hex head 10 8 N·m | two washers |`,
  places: `
    ecu-seat | Where the ECU sat | nose | in the nose, above the pipe shield
    nose-right | Nose, right wall | nose | dry side of the belt guard
    switch-bar | Left of the bar | bar | within reach of the left thumb`,
  ways: `
    zone:throttle | above | side-left side-right hood airbox | 1/2/4
    plug:throttle | left | side-left | 4/9/20 | Behind the frame strut, by feel.
    zone:engine | left | side-left | 2/4/8
    plug:exhaust-valve | right | side-right pipe | 2/4/8
    zone:pipe | right | side-right | 2/4/8 | ! The pipe is hot long after the run.
    zone:nose | above | side-left side-right hood | 1/2/4
    plug:coil | right | side-right | 2/4/8
    stud:battery-negative | left | side-left | 1/2/4
    stud:battery-positive | left | side-left | 1/2/4
    zone:tunnel | above | seat | 2/4/8
    zone:bar | front | | 2/4/8
    place:ecu-seat | above | side-left side-right hood | 4/8/16
    place:nose-right | right | side-right | 4/8/16`,
}

export const t9Access: AccessSheet = {
  body: 'field machine | 8.60 3.30 3.90 3.60 1.90',
  at: `
    head | 6.60 0.30 2.60
    bracket | 6.10 0.40 2.40
    turbo | 6.70 -0.30 2.50
    lower | 6.50 0.60 1.60
    deck-box | 5.60 1.30 2.60
    fan | 7.20 1.20 2.50
    chassis | 4.60 1.20 1.30
    cab | 2.20 0 2.60
    battery | 3.60 -1.40 1.40`,
  covers: `
    header | Header, down on the ground | 0.70 0 0.60 1.20 3.20 0.90 | | 2/3/6 | | | how Down on the ground, engine off, key out and in your pocket. ; ! Belts and rotors turn after the engine stops: wait until everything stands.
    deck | Engine deck lid | 6.50 0 3.20 1.80 2.00 0.12 | header | 2/3/6 | 2 latches | | tool prop; ! Work from the platform, both hands for the machine: three metres up.
    shield | Turbo shield | 6.70 -0.30 2.80 0.70 0.50 0.20 | deck | 4/8/16 | 4 screws M8x20 hex head 13 22 N·m | four washers | hot; run; ! Above 200 °C for half an hour after work.
    deck-lid | Deck box lid | 5.60 1.30 2.90 0.60 0.50 0.08 | header | 2/4/8 | 6 screws M6x16 hex head 10 6 N·m | rubber seal |
    ladder | Ladder swung aside | 3.60 -1.55 1.20 0.70 0.20 1.60 | header | 1/2/4 | 1 latch | |
    screen | Rotary screen door | 7.20 1.50 2.50 1.20 0.16 1.20 | header | 2/4/8 | 2 latches | | ! Fan behind it: engine off, key out.`,
  places: `
    deck-wall | Right deck box | deck-box | on the box wall beside the fuses
    bracket-plate | Engine bracket | bracket | plate at the front lifting eye`,
  ways: `
    zone:head | above | header deck | 2/4/8
    plug:boost | above | header deck shield | 2/4/8
    zone:bracket | above | header deck | 2/4/8
    zone:bracket | right | header screen | 4/9/20 | Through the screen door, past the fan drive.
    zone:turbo | above | header deck shield | 2/4/8
    zone:lower | right | header screen | 4/9/20
    zone:deck-box | above | header deck-lid | 1/2/4
    zone:fan | right | header screen | 2/4/8
    zone:chassis | right | header | 2/4/8
    zone:cab | inside | | 2/4/8
    zone:battery | left | header ladder | 2/4/8
    place:deck-wall | above | header deck-lid | 4/8/16
    place:bracket-plate | above | header deck | 4/8/16`,
}
