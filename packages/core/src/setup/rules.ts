import { defineRules, fix, neverLifted, stop } from '../findings/index.ts'

/** What may be wrong with what was set up. */
export const setupRules = defineRules({
  'cylinders-wrong': fix('The number of cylinders that is set is not the machine’s.'),
  'setting-wrong': fix('A setting is not what machine, kits and wiring make it.'),
  'capture-failed': fix('A throttle was captured and the capture failed.'),
  'level-not-agreed': fix('Another level is left set than was agreed with the owner.'),
  'pedal-failed': neverLifted('A pedal module does not keep the relation of the two tracks; it is never lifted.'),
  'speed-off': fix('The speed at the diagnostic socket and by satellite differ.'),
  'level-disagrees': fix('Module, dash and phone link do not show one level.'),
  'selector-differs': fix('A click of the selector and the level the module shows differ.'),
  'knob-rubs': fix('The knob of a selector has too little room.'),
  'wrong-unit': stop('The number on a unit says that it is made for another machine.'),
  'no-pairing': fix('A phone does not pair with the unit where it sits.'),
  'tyre-wrong': fix('The speed that is shown is off by the height of the wheels.'),
})
export type SetupRule = keyof typeof setupRules
