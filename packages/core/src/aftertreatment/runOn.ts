export interface RunOnAsked {
  /** Turbine inlet now, °C. */
  inletC?: number
  /** Minutes the unit, or the maker, has set. */
  setMin?: number
  where: 'indoors' | 'outdoors'
}

export interface RunOn {
  allowed: boolean
  minutes: number | null
  says: string
}

/** Below this a turbine may stop, °C. */
export const inletCoolC = 230
/** What an inlet comes down to at idle, °C, and how fast, min: after one such time two thirds of the way. */
const idleC = 170
const coolsIn = 1.6

/** How long an engine runs on after work until its turbine is cool: by the inlet, or the time that was set; never in a hall. */
export function runOn({ inletC, setMin, where }: RunOnAsked): RunOn {
  if (where === 'indoors')
    return {
      allowed: false,
      minutes: null,
      says: 'Not indoors: nobody is with it, and its exhaust stays in the hall. Out of doors, or idle it beside you with the gate open.',
    }
  const byInlet =
    inletC === undefined ? null : inletC <= inletCoolC ? 0 : coolsIn * Math.log((inletC - idleC) / (inletCoolC - idleC))
  const minutes = byInlet === null ? (setMin ?? null) : Math.max(byInlet, 0)
  return {
    allowed: true,
    minutes: minutes === null ? null : Math.ceil(2 * minutes) / 2,
    says:
      byInlet === null
        ? setMin === undefined
          ? `Until the turbine inlet is below ${inletCoolC} °C: read it, or take the time that is set.`
          : `${setMin} min, as set.`
        : byInlet === 0
          ? `${inletC} °C: cool, it may stop.`
          : `From ${inletC} °C about ${Math.ceil(2 * byInlet) / 2} min at idle until ${inletCoolC} °C.`,
  }
}
