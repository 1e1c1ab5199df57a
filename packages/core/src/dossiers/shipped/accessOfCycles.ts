import type { AccessSheet } from './accessSheet.ts'

/** What comes off the motorcycles of the yard, and how each thing behind is reached. */
export const pikaAccess: AccessSheet = {
  body: 'motorcycle | 2.17 0.82 1.26 1.48 0.67',
  at: `
    tank | 0.86 0 0.92
    throttle | 1.12 0 0.72
    airbox | 1.32 -0.14 0.80
    engine | 0.95 -0.16 0.52
    nose | 0.48 0 0.98
    bar | 0.62 0 1.16
    tail | 1.85 0 0.92`,
  covers: `
    seat | Seat | 1.42 0 0.95 0.72 0.22 0.10 | | 1/2/4 | 1 screw M6x20 hex head 8 8 N·m (behind, under the fender) | | how Screw out behind, lift at the back, pull rearwards.
    side-left | Left side panel | 1.36 -0.17 0.82 0.42 0.06 0.30 | seat | 1/2/4 | 2 screws M6x16 hex head 8 3 N·m; 1 peg | peg rubber | how Lower edge first.
    shroud-left | Left radiator shroud | 0.70 -0.24 0.84 0.38 0.10 0.34 | | 3/5/10 | 3 screws M6x20 hex head 8 3 N·m | two spacers under the upper screws |
    shroud-right | Right radiator shroud | 0.70 0.24 0.84 0.38 0.10 0.34 | | 3/5/10 | 3 screws M6x20 hex head 8 3 N·m | two spacers under the upper screws |
    tank | Tank | 0.92 0 0.93 0.52 0.26 0.26 | seat shroud-left shroud-right | 6/10/20 | 1 screw M6x30 hex head 8 8 N·m; 1 plug (fuel pump); 1 coupling (fuel line) | screw sleeve; tank rubber | run; fuel; how Pump plug first, then the coupling, then lift at the back. ; ! Petrol vapour at the coupling: rag, no flames.
    airbox-lid | Airbox lid | 1.36 -0.14 0.84 0.30 0.10 0.24 | side-left | 1/2/3 | 3 quarter-turns | | run`,
  places: `
    ecu-seat | Where the ECU sat | airbox | behind the airbox side, plug downwards
    airbox-wall | Airbox wall | airbox | flat wall above the battery
    switch-bar | Left of the handlebar | bar | within reach of the left thumb`,
  ways: `
    zone:tank | above | tank | 1/2/4
    zone:throttle | left | side-left | 4/9/20 | Through the gap behind the frame, by feel.
    zone:throttle | above | tank | 2/4/8
    zone:airbox | left | side-left | 1/2/4
    plug:air-temperature | left | side-left airbox-lid | 1/2/4
    plug:pump | left | side-left | 2/4/8 | Between tank and frame, two fingers.
    zone:engine | left | | 2/4/8
    plug:coolant | left | shroud-left | 1/2/4
    zone:nose | front | | 2/4/8
    plug:fan | left | shroud-left | 2/4/8
    zone:bar | front | | 1/2/4
    zone:tail | below | | 1/2/4
    place:ecu-seat | left | side-left | 3/5/10
    place:airbox-wall | left | side-left | 3/6/12`,
}

export const kittiwakeAccess: AccessSheet = {
  body: 'motorcycle | 2.04 0.74 1.14 1.40 0.63',
  at: `
    throttle-bodies | 0.92 0 0.78
    airbox | 0.86 0 0.92
    head | 0.74 0 0.70
    engine-right | 1.06 0.20 0.48
    engine-left | 1.12 -0.20 0.48
    under-tank | 0.94 0 0.86
    nose | 0.34 0 0.92
    bar | 0.54 0 1.02
    seat | 1.34 0 0.84
    tail | 1.76 0 0.92
    collector | 1.06 0.10 0.26`,
  covers: `
    seat | Rider's seat | 1.30 0 0.85 0.46 0.28 0.08 | | 1/2/4 | 2 screws M6x16 hex socket 5 6 N·m (under the rear flaps) | two flanged washers | how Screws under the rear flaps, lift behind, pull rearwards.
    pillion | Pillion seat | 1.64 0 0.94 0.34 0.22 0.08 | | 1/1/2 | 1 latch (key on the left) | | how Key, lift at the front.
    side-left | Left side fairing | 0.80 -0.26 0.60 0.80 0.10 0.56 | | 3/6/12 | 6 screws M5x14 hex socket 4 3 N·m; 3 pegs | six nylon washers | how Lower edge first, then the three pegs forwards.
    side-right | Right side fairing | 0.80 0.26 0.60 0.80 0.10 0.56 | | 3/6/12 | 6 screws M5x14 hex socket 4 3 N·m; 3 pegs | six nylon washers | how Lower edge first, then the three pegs forwards.
    tank | Tank | 0.94 0 0.97 0.56 0.40 0.26 | seat | 10/18/35, 8/14/25 | 1 screw M6x25 hex socket 5 10 N·m; 2 hoses (vent); 1 plug (fuel pump); 1 coupling (fuel line) | front rubber with its sleeve; vent hose clips | helper; run; fuel; how Prop it, vent hoses and pump plug first, fuel line last. ; ! Petrol vapour when the line opens: rag, no flames. A full tank needs two people.
    airbox-lid | Airbox lid | 0.86 0 0.98 0.36 0.34 0.08 | tank | 3/5/10 | 8 screws M5x20 cross 2 2 N·m | | run
    airbox | Airbox | 0.88 0 0.88 0.40 0.36 0.16 | tank airbox-lid | 6/10/20, 8/12/22 | 4 clamps (below, on the throttle bodies); 1 hose (breather) | breather clip | run; tool long cross 2; how Loosen the four clamps from both sides, lift evenly. ; stuff towel over the open throttle bodies
    nose-panel | Inner nose panels | 0.40 0 0.96 0.30 0.40 0.12 | | 3/6/12 | 4 screws M5x14 hex socket 4 3 N·m; 6 pegs | six pegs |
    tail-panel | Tail panel | 1.72 0 0.93 0.44 0.26 0.14 | seat pillion | 4/7/14 | 4 screws M6x16 hex socket 5 4 N·m; 2 clips | four rubber grommets |`,
  places: `
    hump | Under the seat hump | tail | flat tray behind the ECU, under the pillion seat
    seat-tray | Seat tray | seat | beside the fuse box
    bar-clamp | Handlebar clamp | bar | on the left bar clamp, seen while riding
    collector-boss | Boss behind the collector | collector | upper arc of the pipe, 80 mm behind the collector`,
  ways: `
    zone:throttle-bodies | above | tank airbox-lid airbox | 1/2/4
    plug:injector-1-low | left | side-left | 6/12/25 | Between frame spar and rail, by feel.
    plug:injector-4-low | right | side-right | 6/12/25 | Between frame spar and rail, by feel.
    zone:airbox | above | tank airbox-lid | 1/2/4
    zone:head | above | tank airbox-lid airbox | 2/4/8
    zone:engine-right | right | side-right | 2/4/8
    zone:engine-left | left | side-left | 2/4/8
    stud:starter-live | right | side-right | 2/4/8 | ! Live as long as the battery is on.
    zone:under-tank | above | tank | 1/2/4
    zone:nose | above | nose-panel | 2/4/8
    zone:bar | front | | 1/2/4
    zone:seat | above | seat | 1/2/4
    zone:tail | above | seat pillion tail-panel | 1/2/4
    plug:tail-lamp | below | pillion | 4/9/20 | From under the tail, one hand.
    zone:collector | below | side-right | 3/6/12 | ! Hot for half an hour after a ride.
    place:hump | above | seat pillion | 3/6/12
    place:seat-tray | above | seat | 2/5/10
    place:bar-clamp | front | | 5/10/20`,
}

export const saddlerAccess: AccessSheet = {
  body: 'motorcycle | 2.26 0.94 1.45 1.56 0.70',
  at: `
    throttle | 1.04 0 0.84
    airbox | 0.98 0 0.98
    shroud-left | 0.74 -0.24 0.88
    shroud-right | 0.74 0.24 0.88
    head | 0.86 0 0.78
    engine-left | 1.20 -0.20 0.50
    engine-right | 1.10 0.20 0.50
    nose | 0.42 0 1.18
    bar | 0.64 0 1.24
    seat | 1.42 0 0.92
    tail | 1.90 0 1.00
    sump | 1.00 0 0.30`,
  covers: `
    seat | Seat | 1.46 0 0.96 0.66 0.32 0.12 | | 1/2/4 | 1 latch (key on the left) | | how Key, lift behind.
    shroud-left | Left radiator shroud | 0.72 -0.26 0.94 0.46 0.14 0.44 | | 3/6/12 | 5 screws M5x16 hex socket 4 3 N·m; 2 pegs | five washers |
    shroud-right | Right radiator shroud | 0.72 0.26 0.94 0.46 0.14 0.44 | | 3/6/12 | 5 screws M5x16 hex socket 4 3 N·m; 2 pegs | five washers |
    battery-lid | Battery lid | 0.78 -0.20 0.86 0.22 0.12 0.16 | shroud-left | 1/2/4 | 2 screws M5x16 hex socket 4 3 N·m; 1 strap | |
    tank | Tank | 1.02 0 1.06 0.60 0.44 0.36 | seat shroud-left shroud-right | 10/18/35 | 2 screws M8x30 hex socket 6 22 N·m; 1 screw M6x25 hex socket 5 10 N·m; 1 plug (fuel pump); 1 clip (fuel line) | two sleeves with rubbers; fuel line clip | helper; run; fuel; how Pump plug and fuel line first, then lift straight up. ; ! Petrol vapour when the line opens: rag, no flames. Above half full it takes two people.
    airbox | Airbox | 0.98 0 0.98 0.44 0.34 0.20 | tank | 8/15/30 | 3 screws M6x20 six-lobe 30 6 N·m; 2 clamps; 1 plug (air temperature) | breather clip | run; how Loosen the clamps, the temperature plug stays in the lid. ; stuff towel over the open throttle bodies
    nose-panel | Instrument tower panels | 0.46 0 1.22 0.24 0.34 0.26 | | 4/7/14 | 6 screws M5x16 hex socket 4 3 N·m | six nylon washers |
    guard | Sump guard | 1.00 0 0.28 0.60 0.32 0.10 | | 4/7/14 | 4 screws M8x20 hex head 13 22 N·m | four bushes | hot; ! Exhaust above it: cold first.
    tail-tray | Tail tray cover | 1.74 0 0.98 0.34 0.26 0.08 | seat | 2/3/6 | 4 screws M6x16 hex socket 5 4 N·m | |`,
  places: `
    ecu-front | Behind the ECU, in front of the airbox | airbox | flat plate under the tank
    seat-tray | Tool tray | seat | under the seat, in front of the tail light`,
  ways: `
    zone:throttle | above | tank airbox | 1/2/4
    plug:throttle | left | shroud-left | 6/12/25 | Past the frame, by feel: two plugs feel the same there.
    zone:airbox | above | tank | 1/2/4
    zone:shroud-left | left | shroud-left | 1/2/4
    stud:battery-negative | left | shroud-left battery-lid | 1/2/4
    stud:battery-positive | left | shroud-left battery-lid | 1/2/4
    zone:shroud-right | right | shroud-right | 1/2/4
    zone:head | above | tank airbox | 2/4/8
    plug:coil-1 | right | tank shroud-right | 4/9/20 | Without the airbox out, coil drawn sideways.
    zone:engine-left | left | | 2/4/8
    zone:engine-right | right | | 2/4/8
    zone:nose | front | nose-panel | 2/4/8
    zone:bar | front | | 1/2/4
    zone:seat | above | seat | 1/2/4
    zone:tail | above | seat tail-tray | 1/2/4
    zone:sump | below | guard | 3/6/12
    place:ecu-front | above | tank | 3/6/12
    place:seat-tray | above | seat | 2/5/10`,
}

export const calderAccess: AccessSheet = {
  body: 'motorcycle | 2.42 0.96 1.38 1.64 0.66',
  at: `
    vee | 1.16 0 0.72
    lower-left | 0.76 -0.32 0.52
    lower-right | 0.76 0.32 0.52
    tank | 1.06 0 0.88
    nose | 0.48 0 1.10
    head | 0.66 0 1.00
    seat | 1.50 0 0.72
    tail | 2.08 0 0.70
    engine | 1.10 0.10 0.32`,
  covers: `
    seat | Seat | 1.58 0 0.80 0.70 0.36 0.14 | | 1/2/4 | 1 screw M6x20 hex socket 5 8 N·m | one washer | how Screw behind, slide rearwards.
    lower-left | Left fairing lower | 0.74 -0.34 0.56 0.40 0.18 0.48 | | 3/6/12 | 3 screws M6x16 hex socket 5 4 N·m; 1 peg | three washers | how The peg sits at the crash bar.
    lower-right | Right fairing lower | 0.74 0.34 0.56 0.40 0.18 0.48 | | 3/6/12 | 3 screws M6x16 hex socket 5 4 N·m; 1 peg | three washers | how The peg sits at the crash bar.
    tank | Tank | 1.06 0 0.94 0.66 0.40 0.30 | seat | 8/12/24 | 2 screws M8x35 hex socket 6 22 N·m; 1 plug (fuel pump) | two rubbers; two sleeves | run; tool prop; how Prop under the front edge, the line stays on.; ! Petrol vapour: rag, no flames.
    fairing | Inner fairing | 0.50 0 1.06 0.24 0.60 0.40 | | 8/14/28 | 6 screws M6x20 six-lobe 30 4 N·m; 4 screws M5x16 cross 2 2 N·m | ten nylon washers; two wire clips |
    air-cover | Air cleaner cover | 1.18 0.26 0.72 0.28 0.12 0.24 | | 2/4/8 | 3 screws M6x25 hex socket 5 6 N·m | one gasket | run; hot`,
  places: `
    seat-box | Under the seat | seat | beside the battery, terminal block up
    tail-box | Behind the battery | seat | on the fender plate
    dial-bar | Left of the bar | head | on the left clamp, seen while riding
    pipe-boss | Boss in the rear pipe | engine | upper arc, 300 mm behind the port`,
  ways: `
    zone:vee | above | tank | 2/4/8
    zone:vee | right | air-cover | 4/9/20 | Behind the air cleaner plate, by feel.
    zone:lower-left | left | lower-left | 1/2/4
    zone:lower-right | right | lower-right | 1/2/4
    zone:tank | above | tank | 1/2/4
    zone:nose | rear | fairing | 2/4/8
    zone:head | front | | 2/4/8
    zone:seat | above | seat | 1/2/4
    zone:tail | below | | 2/4/8
    zone:engine | right | | 2/4/8
    place:seat-box | above | seat | 3/6/12
    place:tail-box | above | seat | 3/6/12`,
}
