import { findUnclean, largestInteger } from '@tidy-badger/core/shared'
import type {
  FastifyBaseLogger,
  FastifyInstance,
  FastifySchemaCompiler,
  FastifySerializerCompiler,
  FastifyTypeProvider,
  RawServerDefault,
} from 'fastify'
import type { IncomingMessage, ServerResponse } from 'node:http'
import { z } from 'zod'
import { problemsOfZod } from '@tidy-badger/core/shared'
import { Refusal, refusal } from './errors.ts'
import { isProblemCode } from './problemCodes.ts'

/**
 * Who may ask: anybody on the network (*open*), a paired device or this machine (*fitter*), this machine alone (*keeper*).
 * Every route names one; a route without does not start the server.
 */
export type AccessClass = 'open' | 'fitter' | 'keeper'
export const accessClasses: readonly AccessClass[] = ['open', 'fitter', 'keeper']

/** Who asks. On the machine itself several people may write; a device is one person's. */
export type Sender = { role: 'keeper' } | { role: 'fitter'; device: string; name: string; person: string | null }

declare module 'fastify' {
  interface FastifyContextConfig {
    access?: AccessClass
  }
  interface FastifyRequest {
    sender: Sender | null
  }
}

/** Requests have the types of their zod schemas; answers are checked against theirs when tests run. */
interface ZodRequests extends FastifyTypeProvider {
  validator: this['schema'] extends z.ZodType ? z.output<this['schema']> : unknown
  serializer: unknown
}

export type HttpApp = FastifyInstance<
  RawServerDefault,
  IncomingMessage,
  ServerResponse<IncomingMessage>,
  FastifyBaseLogger,
  ZodRequests
>

/** Checks requests by their zod schemas; what is wrong becomes problems with dotted paths. */
export const zodValidator: FastifySchemaCompiler<z.ZodType> = ({ schema }) => {
  return (data: unknown) => {
    const parsed = schema.safeParse(data)
    return parsed.success ? { value: parsed.data } : { error: new Refusal('malformed', ...problemsOfZod(parsed.error)) }
  }
}

/** @param check whether an answer that breaks its own schema is an error, as it is in tests */
export function zodSerializer(check: boolean): FastifySerializerCompiler<z.ZodType> {
  return ({ schema, url }) =>
    (data: unknown) => {
      const text = JSON.stringify(data)
      if (check) {
        const parsed = schema.safeParse(JSON.parse(text))
        if (!parsed.success) throw new Error(`The answer of ${url} breaks its schema: ${parsed.error.message}`)
      }
      return text
    }
}

/** What every refusal looks like. */
export const problemsSchema = z.array(
  z.looseObject({
    code: z.string().refine(isProblemCode, 'stands in no catalogue').describe('One of the catalogue above.'),
    path: z.string().describe('Dotted path of the value, empty for the whole.'),
    message: z.string().describe('A sentence a fitter can act on.'),
    line: z.int().optional(),
    column: z.int().optional(),
  }),
)

/** Reads JSON bodies; what no table and no screen could take is refused here, once for all routes. */
export function readJson(text: string): unknown {
  if (text === '') throw refusal('malformed', 'body-empty', 'The request has no body, but one is needed.')
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    throw refusal('malformed', 'not-json', 'The body is not JSON. Look for a missing bracket, comma or quote.')
  }
  const unclean = findUnclean(value)
  if (unclean) throw new Refusal('malformed', unclean)
  return value
}

const sha256 = /^[0-9a-f]{64}$/
export const hashText = z.string().regex(sha256, 'must be a SHA-256 in 64 hex digits')

/** A version of a dossier in a query. */
export const versionQuery = z.coerce.number<string>().int().min(1).max(largestInteger).optional()

/** Answers that are no JSON, for the description of the interface. */
export function fileAnswer(type: string): { produces: string[]; response: { 200: z.ZodType } } {
  return { produces: [type], response: { 200: z.unknown().describe(type) } }
}
