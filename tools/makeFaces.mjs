// Makes the page's three faces small: the signs nearly every screen is written in, in the weights that are used. What else a name may be
// written in stays in the faces' own files, and comes when it is met. Writes packages/web/src/app/faces.
import { create } from 'fontkit'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import subsetFont from 'subset-font'

const out = new URL('../packages/web/src/app/faces/', import.meta.url)
const packages = new URL('../node_modules/@fontsource-variable/', import.meta.url)
const ascii = String.fromCodePoint(...Array.from({ length: 0x7f - 0x20 }, (_, i) => 0x20 + i))
/** Signs of the small file, as far as a face has them. */
const signs = `${ascii}\u00a0°±²³¹µ·×½¼¾–—‘’“”…−→↑↓`
/** Weights the styles ask for; the axis is cut to them. */
const weights = { min: 400, max: 700, default: 400 }

const faces = [
  ['archivo', 'Archivo Variable', '100 900'],
  ['atkinson-hyperlegible-next', 'Atkinson Hyperlegible Next Variable', '200 800'],
  ['sometype-mono', 'Sometype Mono Variable', '400 700'],
]

/** Code points as a style names them. */
function ranges(points) {
  const runs = []
  for (const point of points.toSorted((a, b) => a - b)) {
    const last = runs.at(-1)
    if (last && point === last[1] + 1) last[1] = point
    else runs.push([point, point])
  }
  const hex = (point) => point.toString(16).toUpperCase().padStart(4, '0')
  return runs.map(([from, to]) => `U+${hex(from)}${from === to ? '' : `-${hex(to)}`}`).join(', ')
}

mkdirSync(out, { recursive: true })
const rules = []
for (const [name, family, declared] of faces) {
  const whole = readFileSync(new URL(`${name}/files/${name}-latin-wght-normal.woff2`, packages))
  const has = create(whole)
  const kept = [...signs].filter((sign) => has.hasGlyphForCodePoint(sign.codePointAt(0)))
  const small = await subsetFont(whole, kept.join(''), { targetFormat: 'woff2', variationAxes: { wght: weights } })
  writeFileSync(new URL(`${name}.woff2`, out), small)
  const licence = readFileSync(new URL(`${name}/LICENSE`, packages), 'utf8')
  writeFileSync(new URL(`${name}.license.txt`, out), licence.trimEnd() + '\n')
  rules.push(`@font-face {
  font-family: '${family}';
  font-style: normal;
  font-display: swap;
  font-weight: ${declared};
  src: url('./${name}.woff2') format('woff2');
  unicode-range: ${ranges(kept.map((sign) => sign.codePointAt(0)))};
}
`)
  console.log(`${name}: ${kept.length} signs, ${small.length} bytes of ${whole.length}`)
}
writeFileSync(
  new URL('faces.css', out),
  `/* Made by \`npm run faces\`. The rules are the faces' own with fewer signs; the last that has a sign is taken. */\n${rules.join('')}`,
)
