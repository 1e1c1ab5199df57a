/** What stops a loaded run at once, whatever its level. Source: general practice; exhaust before the turbine. */
export const abortRules = [
  'exhaust before the turbine 700 °C and still rising',
  'coolant 102 °C',
  'gearbox oil 115 °C',
  'rail 10 MPa off what is wanted for two seconds',
  'any lamp, smoke or knock',
] as const
