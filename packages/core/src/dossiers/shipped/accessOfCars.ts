import type { AccessSheet } from './accessSheet.ts'

/** What comes off the saloon, the ute and the two pickups. */
export const marlowAccess: AccessSheet = {
  body: 'car | 4.62 1.82 1.44 2.76 0.64',
  at: `
    intake | 0.90 0.46 0.80
    engine | 1.00 0 0.86
    engine-low | 1.10 -0.20 0.40
    front | 0.30 0 0.56
    bulkhead | 1.50 0.30 0.94
    fuse-bay | 0.80 -0.62 0.82
    exhaust | 1.80 0 0.24
    glovebox | 1.74 0.44 0.80
    kick | 1.70 -0.74 0.44
    dash | 1.76 -0.38 0.92
    column | 1.86 -0.38 0.66
    boot | 4.06 0.56 0.56
    tank | 3.30 0.30 0.46`,
  covers: `
    boot-lid | Boot side cover | 4.06 0.64 0.62 0.50 0.16 0.36 | | 1/2/4 | 2 quarter-turns | |
    glovebox | Glovebox | 1.84 0.42 0.78 0.36 0.50 0.34 | | 4/8/16 | 5 screws M5x16 six-lobe 20 2 N·m; 1 peg (damper) | damper pin | how Press the damper off its pin. ; ! The yellow sheath behind it belongs to the airbag: leave it alone, lay nothing across it.
    kick | Left kick panel | 1.70 -0.80 0.46 0.30 0.05 0.34 | | 1/2/4 | 1 clip | trim clip | tool trim lever; how Pull rearwards.
    ecu-lid | Lid of the control unit | 1.62 0.62 0.76 0.26 0.22 0.12 | glovebox | 2/3/6 | 2 nuts M6 hex head 10 6 N·m | | 
    scuttle | Scuttle cover | 1.46 0 1.00 0.26 1.30 0.06 | | 3/4/8 | 4 pegs; 2 quarter-turns | four pegs | how It lies over the grommet.
    engine-cover | Engine cover | 1.00 0 0.92 0.60 0.50 0.06 | | 1/2/4 | 4 quarter-turns | | how Pull straight up.
    filter-lid | Air filter lid | 0.76 0.50 0.84 0.34 0.30 0.12 | | 2/4/8 | 4 clips; 1 clamp | | run
    dash-lower | Lower dash panel | 1.86 -0.38 0.62 0.30 0.56 0.10 | | 4/7/14 | 4 screws M5x16 six-lobe 20 2 N·m; 2 clips | two trim clips | tool trim lever
    undertray | Undertray | 0.90 0 0.20 1.20 1.20 0.04 | | 6/10/20 | 12 screws M6x16 hex head 8 3 N·m | twelve washers | tool stands; hot; ! Car on stands on firm ground, never on the jack alone.`,
  places: `
    ecu-right | Right of the ECU box | glovebox | lamp to the footwell
    kick-plate | Left kick plate | kick | behind the panel`,
  ways: `
    zone:intake | above | | 2/4/8
    zone:engine | above | engine-cover | 2/4/8
    zone:engine-low | below | undertray | 4/9/20
    zone:front | above | | 3/6/12
    zone:bulkhead | above | scuttle | 2/4/8
    zone:fuse-bay | above | | 1/2/4
    zone:exhaust | below | undertray | 4/9/20
    zone:glovebox | inside | glovebox | 2/4/8
    plug:ecu-a | inside | glovebox ecu-lid | 2/4/8
    plug:ecu-b | inside | glovebox ecu-lid | 2/4/8
    plug:ecu-a | above | scuttle | 8/16/30 | Through the scuttle, with the lid half open, by feel.
    zone:kick | inside | kick | 1/2/4
    zone:dash | inside | dash-lower | 4/9/20
    zone:column | inside | dash-lower | 2/4/8
    zone:boot | above | boot-lid | 1/2/4
    zone:tank | inside | | 3/6/12
    place:ecu-right | inside | glovebox | 4/8/16
    place:kick-plate | inside | kick | 3/6/12`,
}

export const shielingAccess: AccessSheet = {
  body: 'pickup | 5.10 1.80 1.76 3.05 0.74',
  at: `
    rail | 1.05 0.10 1.02
    turbo | 1.15 0.34 0.90
    intake | 0.80 -0.30 0.96
    lower | 1.20 -0.24 0.54
    front | 0.36 0 0.90
    battery | 0.60 -0.62 0.98
    bulkhead | 1.62 -0.40 1.06
    cab | 2.00 -0.30 0.96
    pedals | 1.90 -0.42 0.60
    frame | 3.00 -0.50 0.56`,
  covers: `
    cover | Engine cover | 1.05 0 1.10 0.60 0.50 0.06 | | 1/2/4 | 4 pegs (rubber mounts) | | how Pull straight up.
    filter-box | Air filter box | 0.74 0.52 1.00 0.40 0.32 0.28 | | 3/6/12 | 2 screws M6x25 hex head 10 8 N·m; 1 clamp; 1 plug (airflow) | two rubber feet | run; stuff towel in the turbo pipe
    heat-shield | Heat shield | 1.15 0.36 0.98 0.34 0.24 0.12 | filter-box | 3/6/12 | 3 screws M6x16 hex head 10 9 N·m | | hot; run; ! Hot exhaust below it.
    battery-lid | Battery lid | 0.60 -0.62 1.06 0.28 0.22 0.04 | | 1/1/2 | 2 clips | |
    dash-lower | Lower dash panel | 1.98 -0.42 0.72 0.24 0.60 0.12 | | 3/5/10 | 3 screws M5x16 cross 2 2 N·m; 2 clips | two trim clips | tool trim lever
    undertray | Undertray | 0.90 0 0.36 0.90 1.00 0.04 | | 4/8/16 | 8 screws M8x20 hex head 13 18 N·m | eight washers | tool stands; hot; ! Truck on stands on firm ground.`,
  places: `
    bulkhead-top | Bulkhead above the ECU | bulkhead | flat plate, lamp forwards
    battery-side | Beside the battery | battery | on the inner wing
    pedal-side | Above the pedals | pedals | on the bracket left of the column`,
  ways: `
    zone:rail | above | cover | 2/4/8
    zone:turbo | above | filter-box heat-shield | 3/6/12
    zone:intake | above | | 2/4/8
    zone:lower | below | undertray | 3/6/12
    zone:lower | above | filter-box | 8/16/30 | Between pipe and block, by feel.
    zone:front | above | | 2/4/8
    zone:battery | above | battery-lid | 1/2/4
    zone:bulkhead | above | | 2/4/8
    zone:cab | inside | dash-lower | 3/6/12
    zone:pedals | inside | | 3/6/12
    zone:frame | below | | 3/6/12
    place:bulkhead-top | above | | 4/8/16
    place:battery-side | above | battery-lid | 3/6/12
    place:pedal-side | inside | dash-lower | 4/8/16`,
}

export const packhorseAccess: AccessSheet = {
  body: 'pickup | 5.95 2.06 1.98 3.80 0.82',
  at: `
    rail | 1.20 0.16 1.24
    turbo | 1.30 0.42 1.10
    intake | 1.00 -0.36 1.16
    front | 0.60 0 1.00
    lower | 1.40 -0.28 0.64
    battery-left | 0.55 -0.76 1.16
    battery-right | 0.55 0.76 1.16
    bulkhead | 1.86 -0.44 1.24
    cab | 2.30 -0.30 1.10
    column | 2.20 -0.46 0.86
    frame | 3.20 -0.60 0.66
    filter | 2.20 0.46 0.54`,
  covers: `
    cover | Engine cover | 1.20 0 1.32 0.90 0.56 0.06 | | 1/2/4 | 4 pegs (rubber mounts) | | how Pull straight up.
    intake-pipe | Intake pipe | 1.10 0.44 1.24 0.60 0.20 0.20 | | 3/6/12 | 2 clamps | | run; stuff towel in the open turbo; ! Nothing may fall into the open turbo.
    battery-right | Right battery with its tray | 0.55 0.76 1.18 0.32 0.26 0.30 | | 12/20/40 | 1 screw M8x40 hex head 13 18 N·m (clamp); 3 screws M8x25 hex head 13 22 N·m (tray) | clamp plate | run; ! Heavy, 27 kg: carry it low, terminals covered.
    column-cover | Lower column cover | 2.20 -0.46 0.90 0.26 0.28 0.16 | | 3/5/10 | 4 screws M5x16 six-lobe 20 2 N·m | | ! The airbag's yellow sheath runs in the column: leave it alone.
    kick | Left kick panel | 1.96 -0.88 0.66 0.34 0.05 0.40 | | 1/2/4 | 2 clips | two trim clips | tool trim lever
    dash-lower | Lower dash panel | 2.26 -0.46 0.74 0.24 0.66 0.12 | | 3/6/12 | 4 screws M5x16 six-lobe 20 2 N·m; 3 clips | three trim clips | tool trim lever
    arch-right | Right arch liner | 0.95 0.90 0.80 0.80 0.20 0.70 | | 8/14/28 | 8 screws M6x20 six-lobe 25 3 N·m; 6 pegs | six pegs | how Wheels to full left lock.`,
  places: `
    wing-left | Left inner wing | battery-left | above the ECU, lamp upwards
    bulkhead-left | Bulkhead | bulkhead | left of the brake booster
    dash-knee | Below the dash | cab | left of the column, seen from the seat
    switch-knee | Left of the column | cab | where the hand finds it, away from the knees`,
  ways: `
    zone:rail | above | cover | 8/18/45 | Blind, past the return line.
    zone:rail | right | arch-right | 4/9/20 | Through the wheel arch.
    zone:rail | front | cover battery-right | 2/4/8 | With the battery tray out.
    zone:turbo | above | intake-pipe | 3/6/12
    zone:intake | above | | 2/4/8
    plug:boost | above | intake-pipe | 2/4/8
    zone:front | above | | 3/6/12
    zone:lower | below | | 4/9/20
    zone:battery-left | above | | 1/2/4
    zone:battery-right | above | | 1/2/4
    zone:bulkhead | above | | 2/4/8
    zone:cab | inside | dash-lower | 2/4/8
    stud:cab-ground | inside | kick | 2/4/8
    plug:airbag-unit | inside | dash-lower | 2/4/8 | ! Airbag unit: its yellow sheath is left alone; only the plug beside it is meant.
    zone:column | inside | column-cover | 2/4/8
    zone:frame | below | | 3/6/12
    zone:filter | below | | 4/9/20 | ! 550 to 650 °C in regeneration.
    place:wing-left | above | | 4/8/16
    place:bulkhead-left | above | | 4/8/16
    place:dash-knee | inside | dash-lower | 4/8/16`,
}

export const longhaulAccess: AccessSheet = {
  body: 'pickup | 6.20 2.08 2.00 4.00 0.84',
  at: `
    right-head | 1.35 0.46 1.06
    left-head | 1.35 -0.46 1.06
    valley | 1.30 0 1.24
    intake | 0.90 -0.30 1.20
    lower | 1.50 -0.30 0.66
    front | 0.64 0 1.04
    battery-left | 0.56 -0.78 1.18
    battery-right | 0.56 0.78 1.18
    bulkhead | 1.92 -0.44 1.26
    cab | 2.36 -0.30 1.12
    column | 2.26 -0.46 0.88
    frame | 3.30 -0.60 0.68
    filter | 2.30 0.46 0.56`,
  covers: `
    arch | Right arch liner | 1.00 0.92 0.84 0.84 0.20 0.72 | | 8/13/26, 8/12/24 | 8 screws M6x20 six-lobe 25 3 N·m; 6 pegs | six pegs | how Wheels to full left lock, liner out downwards. ; ! Truck on firm ground, wheels chocked, on stands if the wheel comes off.
    cover | Engine cover | 1.30 0 1.34 0.90 0.70 0.06 | | 1/2/4 | 4 pegs (rubber mounts) | | how Pull straight up.
    degas | Coolant bottle aside | 1.10 0.74 1.24 0.36 0.30 0.26 | | 3/5/10 | 2 screws M6x20 hex head 10 8 N·m | | run; how Hoses stay on. ; ! Hot coolant under pressure: the cap stays shut.
    intake-pipe | Right intake pipe | 0.90 0.40 1.26 0.60 0.20 0.20 | cover | 4/7/14 | 2 clamps; 1 screw M6x20 hex head 10 8 N·m | | run; stuff towel in the open turbo
    column-cover | Lower column cover | 2.26 -0.46 0.92 0.26 0.28 0.16 | | 3/5/10 | 4 screws M5x16 six-lobe 20 2 N·m | | ! The airbag's yellow sheath runs in the column: leave it alone.
    kick | Left kick panel | 2.02 -0.88 0.68 0.34 0.05 0.40 | | 1/2/4 | 2 clips | two trim clips | tool trim lever
    dash-lower | Lower dash panel | 2.32 -0.46 0.76 0.24 0.66 0.12 | | 3/6/12 | 4 screws M5x16 six-lobe 20 2 N·m; 3 clips | three trim clips | tool trim lever`,
  places: `
    wing-left | Left inner wing | battery-left | above the ECU, lamp upwards
    bulkhead-left | Bulkhead | bulkhead | left of the brake booster
    dash-knee | Below the dash | cab | left of the column, seen from the seat
    switch-knee | Left of the column | cab | where the hand finds it, away from the knees`,
  ways: `
    zone:right-head | right | arch | 4/9/20 | Through the wheel arch: the plug stands right in front of you.
    zone:right-head | above | cover degas intake-pipe | 8/18/45 | Blind, behind the head.
    zone:left-head | above | cover | 4/9/20
    zone:valley | above | cover | 3/6/12 | ! The turbos lie in the valley: cold first.
    zone:intake | above | | 2/4/8
    plug:boost | above | cover | 2/4/8
    zone:lower | below | | 4/9/20
    zone:front | above | | 3/6/12
    zone:battery-left | above | | 1/2/4
    zone:battery-right | above | | 1/2/4
    zone:bulkhead | above | | 2/4/8
    zone:cab | inside | dash-lower | 2/4/8
    stud:cab-ground | inside | kick | 2/4/8
    plug:airbag-unit | inside | dash-lower | 2/4/8 | ! Airbag unit: its yellow sheath is left alone; only the plug beside it is meant.
    zone:column | inside | column-cover | 2/4/8
    zone:frame | below | | 3/6/12
    zone:filter | below | | 4/9/20 | ! 550 to 650 °C in regeneration.
    place:wing-left | above | | 4/8/16
    place:bulkhead-left | above | | 4/8/16
    place:dash-knee | inside | dash-lower | 4/8/16`,
}
