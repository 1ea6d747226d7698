import type { ApiBodyOptions } from '@nestjs/swagger';
import * as z from 'zod';

type Schema = Extract<ApiBodyOptions, { schema: unknown }>['schema'];

/** The core's own schema, as OpenAPI describes bodies. */
export function apiSchema(schema: z.ZodType): Schema {
  return z.toJSONSchema(schema, { target: 'openapi-3.0', io: 'input', unrepresentable: 'any' }) as Schema;
}
