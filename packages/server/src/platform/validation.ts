import { problemsOfZod } from '@tidy-badger/core/shared'
import type { FastifySchemaCompiler } from 'fastify'
import type { z } from 'zod'
import { Refusal } from './errors.ts'

/** Checks requests by their zod schemas; what is wrong becomes problems with dotted paths. */
export const zodValidator: FastifySchemaCompiler<z.ZodType> = ({ schema }) => {
  return (data: unknown) => {
    const parsed = schema.safeParse(data)
    return parsed.success ? { value: parsed.data } : { error: new Refusal('malformed', ...problemsOfZod(parsed.error)) }
  }
}
