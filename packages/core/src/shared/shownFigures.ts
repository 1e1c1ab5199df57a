/** How a person reads figures: in which units, and with a decimal point or comma. */
export interface FigureForm {
  units: 'metric' | 'US'
  decimals: 'point' | 'comma'
}

interface Conversion {
  unit: string
  convert: (value: number) => number
  /** Digits after the point. */
  digits: (converted: number) => number
}

const inches: Conversion = { unit: 'in', convert: (mm) => mm / 25.4, digits: (value) => (Math.abs(value) < 1 ? 2 : 1) }
const none = () => 0
const small = (value: number) => (Math.abs(value) < 10 ? 1 : 0)

/** By unit as our texts have it, and by how large the largest figure beside it is. */
function conversionOf(unit: string, largest: number): Conversion | null {
  switch (unit) {
    case 'mm':
      return inches
    case 'cm':
      return { ...inches, convert: (cm) => cm / 2.54 }
    case 'm':
      return largest < 3
        ? { ...inches, convert: (m) => m / 0.0254 }
        : { unit: 'ft', convert: (m) => m / 0.3048, digits: () => 1 }
    case 'km':
      return { unit: 'mi', convert: (km) => km / 1.609344, digits: small }
    case 'km/h':
      return { unit: 'mph', convert: (speed) => speed / 1.609344, digits: none }
    case '°C':
      return { unit: '°F', convert: (celsius) => celsius * 1.8 + 32, digits: none }
    case 'N·m':
      return largest < 7
        ? { unit: 'lbf·in', convert: (torque) => torque * 8.850746, digits: none }
        : { unit: 'lbf·ft', convert: (torque) => torque * 0.7375621, digits: none }
    case 'kPa':
      return {
        unit: 'psi',
        convert: (pressure) => pressure * 0.1450377,
        digits: (psi) => (Math.abs(psi) < 100 ? 1 : 0),
      }
    case 'MPa':
      return { unit: 'psi', convert: (pressure) => Math.round(pressure * 14.50377) * 10, digits: none }
    case 'kg':
      return { unit: 'lb', convert: (mass) => mass * 2.204623, digits: small }
    default:
      return null
  }
}

/** Thicker than any wire of ours: such an area is that of a bundle, or of the room for one. */
const thickestWireMm2 = 6

/** Nearest gauge of a wire's cross-section, d = 0.127 mm · 92^((36 − n)/39); null where it is none. */
function gaugeOf(areaMm2: number): string | null {
  if (areaMm2 > thickestWireMm2) return null
  const diameterMm = Math.sqrt((4 * areaMm2) / Math.PI)
  return String(Math.round(36 - (39 * Math.log(diameterMm / 0.127)) / Math.log(92)))
}

// Figures side by side with one unit: `320 mm`, `20–30 °C`, `140 × 100 × 45 mm`, `5 to 8 N·m`. Not in a name as M6x20.
const figure = '[-−]?\\d+(?:[.,]\\d+)?'
const withUnit = new RegExp(
  `(?<![\\w.,×/])(${figure}(?: ?(?:–|×|to|or|and) ?${figure})*)( ?)(mm²|mm|cm|km/h|km|m|°C|N·m|kPa|MPa|kg)(?![\\w²³/·])`,
  'g',
)
const decimalPoint = /(?<![\w.,])([-−]?\d+)\.(\d+)(?![\w.])/g

/**
 * A text of ours as a person reads its figures. US units stand first and what was written stays in brackets, since fields and tools
 * are metric. A text that is given twice comes out the same.
 */
export function shownFigures(text: string, form: FigureForm): string {
  const converted = form.units === 'US' ? inUsUnits(text) : text
  return form.decimals === 'comma' ? converted.replace(decimalPoint, '$1,$2') : converted
}

function inUsUnits(text: string): string {
  return text.replace(withUnit, (all: string, figures: string, _gap: string, unit: string, at: number) => {
    // In brackets behind its own conversion already.
    if (text[at - 1] === '(' && /(?:in|ft|mi|mph|°F|lbf·in|lbf·ft|psi|lb|AWG [\d, ]+) $/.test(text.slice(0, at - 1)))
      return all
    const values = [...figures.matchAll(new RegExp(figure, 'g'))].map(([found]) =>
      Number(found.replace('−', '-').replace(',', '.')),
    )
    if (unit === 'mm²') {
      const gauges = values.map(gaugeOf)
      return gauges.includes(null) ? all : `AWG ${gauges.join(', ')} (${all})`
    }
    const conversion = conversionOf(unit, Math.max(...values.map(Math.abs)))
    if (!conversion) return all
    let i = 0
    const shown = figures.replace(new RegExp(figure, 'g'), () => {
      const value = conversion.convert(values[i++])
      return value.toFixed(conversion.digits(value))
    })
    return `${shown} ${conversion.unit} (${all})`
  })
}
