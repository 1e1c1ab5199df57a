import type { Problem } from '../shared/index.ts'
import { wireName } from './colours.ts'
import type { SpliceId } from './ids.ts'
import type { Kit, KitEnd } from './kitModel.ts'
import type { Machine, WireColour } from './model.ts'
import { isDiesel } from './fuels.ts'

/** More current than any copper carries for long, A/mm²: thin wires in the open take about 20. */
const mostAmperesPerMm2 = 30

/** As many as there may be of one machine. */
const mostVariants = 100

/** Wires that join what their circuits say is apart, and figures of an engine that cannot be together. */
export function circuitContradictions({ wires, studs, nets, engine, variants }: Machine): Problem[] {
  const problems: Problem[] = []
  const say = (code: string, path: string, message: string) => problems.push({ code, path, message })
  const names = new Map(nets.map((net) => [net.id, net.name]))
  const stands = new Map(studs.map((stud) => [stud.id, stud]))
  const spliced = new Map<SpliceId, (typeof wires)[number]>()
  wires.forEach((wire, i) => {
    for (const side of ['from', 'to'] as const) {
      const end = wire[side]
      const path = `wires.${i}.${side}`
      if ('stud' in end) {
        const stud = stands.get(end.stud)
        if (stud && stud.net !== wire.net)
          say(
            'circuits-joined',
            path,
            `Stud "${stud.id}" carries "${names.get(stud.net) ?? stud.net}", this wire "${names.get(wire.net) ?? wire.net}". One of them is wrong.`,
          )
      }
      if ('splice' in end) {
        const first = spliced.get(end.splice) ?? wire
        spliced.set(end.splice, first)
        if (first.net !== wire.net)
          say(
            'circuits-joined',
            path,
            `Splice "${end.splice}" joins "${names.get(first.net) ?? first.net}" with "${names.get(wire.net) ?? wire.net}". A splice is of one circuit.`,
          )
      }
    }
  })
  nets.forEach((net, i) => {
    if (net.cylinder !== undefined && net.cylinder > engine.cylinders)
      say(
        'cylinder',
        `nets.${i}.cylinder`,
        `"${net.name}" is of cylinder ${net.cylinder}; the engine has ${engine.cylinders}.`,
      )
  })
  if (engine.idleRpm >= engine.limiterRpm)
    say('rpm', 'engine.idleRpm', `It idles at ${engine.idleRpm} and is held at ${engine.limiterRpm} rpm.`)
  if (engine.stoichAfr === undefined && !isDiesel(engine))
    say('missing', 'engine.stoichAfr', 'The mixture at lambda 1 is missing: 14.6 for petrol without alcohol.')
  if (variants.length > mostVariants)
    say(
      'too-many-variants',
      'variants',
      `${variants.length} variants are more than anybody tells apart: at most ${mostVariants}.`,
    )
  return problems
}

/** What a kit's wires, taps, figures and closures say against each other. */
export function loomContradictions(kit: Kit): Problem[] {
  const problems: Problem[] = []
  const say = (code: string, path: string, message: string) => problems.push({ code, path, message })
  const stripe = (colour: WireColour | undefined, path: string) => {
    if (colour?.stripe !== undefined && colour.base === colour.stripe)
      say('same-stripe', path, `A ${colour.base} stripe on ${colour.base} cannot be seen. Leave the stripe out.`)
  }
  kit.ends.forEach((end, i) => {
    const at = `ends.${i}`
    if ('colour' in end) stripe(end.colour, `${at}.colour`)
    if (end.type === 'flying-lead') end.sheet.forEach((entry, j) => stripe(entry.colour, `${at}.sheet.${j}.colour`))
    if (end.type === 'inline-pair') pairLines(end, at, stripe, say)
    if (end.type !== 'flying-lead' && end.type !== 'ring') return
    const current = Math.max(end.currentA ?? 0, end.coldA ?? 0)
    if (current > mostAmperesPerMm2 * end.areaMm2)
      say(
        'too-thin',
        `${at}.areaMm2`,
        `${current} A through ${end.areaMm2} mm² of ${wireName(end.colour)} is more than copper carries. One of the two is wrong.`,
      )
  })
  kit.sockets?.forEach((socket, i) => stripe(socket.colour, `sockets.${i}.colour`))
  kit.taps.forEach((tap, i) => {
    if (tap.lowMm2 > tap.highMm2)
      say(
        'bounds',
        `taps.${i}.lowMm2`,
        `It takes wires from ${tap.lowMm2} up to ${tap.highMm2} mm²: the other way round.`,
      )
  })
  kit.settings.forEach((setting, i) => {
    if (setting.low !== undefined && setting.high !== undefined && setting.low > setting.high)
      say(
        'bounds',
        `settings.${i}.low`,
        `"${setting.name}" goes from ${setting.low} to ${setting.high}: the other way round.`,
      )
  })
  if (kit.trim && kit.trim.boundsPct[0] >= kit.trim.boundsPct[1])
    say(
      'bounds',
      'trim.boundsPct',
      `The trim goes from ${kit.trim.boundsPct[0]} to ${kit.trim.boundsPct[1]} %: it has no room.`,
    )
  lampsAndLevels(kit, say)
  const ports = kit.ends.filter((end) => end.type === 'port' && end.closedBy === 'terminator').length
  if ((kit.terminators ?? 0) > ports)
    say(
      'no-port',
      'terminators',
      `The bus wants ${kit.terminators} terminator${kit.terminators === 1 ? '' : 's'}; the loom has ${ports} port${ports === 1 ? '' : 's'} that one closes.`,
    )
  return problems
}

function lampsAndLevels({ lamps = [], levels = [] }: Kit, say: (code: string, path: string, message: string) => void) {
  lamps.forEach((lamp, i) => {
    const rhythm = lamp.state === 'rhythm'
    if (rhythm !== lamp.rhythmMs.length > 0 || lamp.rhythmMs.length % 2 === 1)
      say(
        'lamp-rhythm',
        `lamps.${i}.rhythmMs`,
        rhythm
          ? 'A rhythm is one round of on and off, on and off: times in pairs.'
          : `A lamp that is ${lamp.state} has no rhythm: leave the times out.`,
      )
  })
  levels.forEach((level, i) => {
    if (level.level !== i + 1)
      say(
        'level-order',
        `levels.${i}.level`,
        `Levels above stock count from 1 up, one by one: "${level.name}" would be ${i + 1}, and it says ${level.level}.`,
      )
    if (level.railMPa === undefined && level.boostKPa === undefined && level.fuelPct === undefined)
      say('level-empty', `levels.${i}`, `"${level.name}" adds nothing: say its rail pressure, boost or fuel.`)
  })
}

function pairLines(
  end: Extract<KitEnd, { type: 'inline-pair' }>,
  at: string,
  stripe: (colour: WireColour, path: string) => void,
  say: (code: string, path: string, message: string) => void,
): void {
  const taken = new Map<number, string>()
  end.lines.forEach((line, j) => {
    stripe(line.colour, `${at}.lines.${j}.colour`)
    const other = taken.get(line.cavity)
    if (other !== undefined)
      say(
        'cavity-taken',
        `${at}.lines.${j}.cavity`,
        `Cavity ${line.cavity} of "${end.id}" is said twice: ${other}, then ${line.does}. A wire is passed, tapped or interrupted.`,
      )
    taken.set(line.cavity, line.does)
  })
}
