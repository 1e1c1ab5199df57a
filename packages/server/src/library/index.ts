import type { Dossier, Kit, Machine } from '@tidy-badger/core/dossiers'
import { colourNames, keys, outlines } from '@tidy-badger/core/dossiers'
import { readDraft } from '@tidy-badger/core/dossier-writing'
import { plugsLike, searchLibrary, usualParts, usualSteps, type Fit } from '@tidy-badger/core/library'
import { cleanText, idText, queryInteger } from '@tidy-badger/core/shared'
import { z } from 'zod'
import { isKit, isMachine, type DossierService } from '../dossiers/index.ts'
import type { AppDeps } from '../platform/deps.ts'
import { notFound, refusal } from '../platform/errors.ts'
import type { HttpApp } from '../platform/http.ts'

/** As many of the other kind as are matched with one: those its sheet names first. */
const mostMatched = 60

const hit = z.object({
  what: z.enum(['dossier', 'plug', 'wire', 'end']),
  says: z.string(),
  connector: z.string().optional(),
  cavity: z.int().optional(),
})
const find = z.object({
  ...{ kind: z.enum(['machine', 'kit']), id: z.string(), version: z.int(), name: z.string() },
  ...{ hits: z.array(hit), count: z.int() },
})
const plugLike = z.object({
  ...{ machine: z.string(), machineName: z.string(), connector: z.string(), name: z.string(), place: z.string() },
  ...{ agrees: z.array(z.string()), differs: z.array(z.string()) },
})
const fit = z.object({
  ...{ kind: z.enum(['machine', 'kit']), id: z.string(), version: z.int(), name: z.string() },
  ...{ declared: z.boolean(), ends: z.int(), placed: z.int(), missing: z.array(z.string()) },
  ...{ margin: z.number().nullable(), weakest: z.string().nullable() },
})

export function libraryPlugin(deps: AppDeps, dossiers: DossierService) {
  return async (app: HttpApp): Promise<void> => {
    app.get(
      '/api/library/search',
      {
        config: { access: 'fitter' },
        schema: {
          summary: 'Wires, plugs and ends of every machine and kit, by colours in any language, circuit, cavity, name',
          querystring: z.object({ q: cleanText(200), limit: queryInteger(1).max(100).default(40) }),
          response: { 200: z.array(find) },
        },
      },
      async (request) => searchLibrary(await dossiers.newestOfAll(), request.query.q, request.query.limit),
    )
    app.get(
      '/api/library/plugs',
      {
        config: { access: 'fitter' },
        schema: {
          summary: 'Which plug this may be: by its cavities, rows, colour, outline and key',
          querystring: z.object({
            cavities: queryInteger(1).max(160),
            rows: queryInteger(1).max(20).optional(),
            colour: z.enum(colourNames).optional(),
            outline: z.enum(outlines).optional(),
            key: z.enum(keys).optional(),
          }),
          response: { 200: z.array(plugLike) },
        },
      },
      async (request) => plugsLike((await dossiers.newestOfAll()).filter(isMachine), request.query),
    )
    app.get(
      '/api/library/usual/:draft',
      {
        config: { access: 'fitter' },
        schema: {
          summary: 'Steps, or parts, that dossiers of its class share and a draft has not yet',
          params: z.object({ draft: idText }),
          response: {
            200: z.array(z.object({ thing: z.looseObject({ id: z.string() }), count: z.int(), of: z.int() })),
          },
        },
      },
      async (request) => {
        const document = readDraft((await dossiers.draft(request.params.draft)).document)
        const all = await dossiers.newestOfAll()
        if (!document) return []
        return document.kind === 'machine' ? usualSteps(document, all) : usualParts(document, all)
      },
    )
    app.get(
      '/api/library/fits',
      {
        config: { access: 'fitter' },
        schema: {
          summary: 'Kits that could go on a machine, or machines a kit could go on, with the margin of the match',
          querystring: z.object({ machine: idText.optional(), kit: idText.optional() }),
          response: { 200: z.array(fit) },
        },
      },
      async (request) => {
        const { machine, kit } = request.query
        if ((machine === undefined) === (kit === undefined))
          throw refusal('malformed', 'value', 'Say a machine or a kit, not both and not neither.')
        const all = await dossiers.newestOfAll()
        const machines = all.filter(isMachine)
        const kits = all.filter(isKit)
        if (machine !== undefined) {
          const asked = machines.find(({ id }) => id === machine)
          if (!asked) throw notFound('machine', machine)
          return matched(
            [asked],
            first(kits, ({ fits }) => fits.includes(asked.id)),
            (_, other) => other,
          )
        }
        const asked = kits.find(({ id }) => id === kit)
        if (!asked) throw notFound('kit', kit ?? '')
        return matched(
          first(machines, ({ id }) => asked.fits.includes(id)),
          [asked],
          (one) => one,
        )
      },
    )

    /** Best first: those the sheet names, then those with everything in place, then by what the match could lose. */
    async function matched(
      machines: readonly Machine[],
      kits: readonly Kit[],
      shown: (machine: Machine, kit: Kit) => Dossier,
    ) {
      const fits = await deps.pool.run<Fit[]>(new URL('./worker.ts', import.meta.url), 'fits', { machines, kits })
      return machines
        .flatMap((machine) => kits.map((kit) => ({ machine, kit })))
        .map(({ machine, kit }, i) => {
          const { kind, id, version, maker, model } = shown(machine, kit)
          return { kind, id, version, name: `${maker} ${model}`, ...fits[i] }
        })
        .sort(
          (a, b) =>
            Number(b.declared) - Number(a.declared) ||
            a.missing.length - b.missing.length ||
            (b.margin ?? Infinity) - (a.margin ?? Infinity) ||
            (a.name < b.name ? -1 : 1),
        )
    }
  }
}

function first<T>(all: readonly T[], named: (one: T) => boolean): T[] {
  return [...all.filter(named), ...all.filter((one) => !named(one))].slice(0, mostMatched)
}
