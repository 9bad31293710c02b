import { z } from 'zod'
import { DEFAULT_UNIT } from '../../foundation/quantity'
import { KINDS, type Kind } from '../kinds'
import { RATINGS } from './resolve/ratings'
import { sheetSchema } from './schema'

type Json = Record<string, unknown>

/** What a sheet may say of a part of one kind, so that an editor offers it. */
function fieldsOf(kind: Kind): Json {
  const params = Object.entries(kind.params).map(([name, { dimension, typical, description }]) => [
    name,
    {
      type: ['string', 'number'],
      description: [
        description,
        `a ${dimension}, in ${DEFAULT_UNIT[dimension].symbol || 'plain numbers'}`,
        typical === undefined ? 'must be given' : `usual: ${typical}`,
      ]
        .filter(Boolean)
        .join('; '),
    },
  ])
  const ratings = Object.entries(kind.rated === undefined ? {} : RATINGS[kind.rated]).map(([name, dimension]) => [
    name,
    {
      type: 'string',
      description: `a ${dimension} off the tech sheet: what follows from it is worked out and assumed`,
    },
  ])
  const choices = Object.entries(kind.choices ?? {}).map(([name, words]) => [name, { enum: words }])
  const refs = Object.entries({ ...kind.refs, ...kind.optionalRefs }).map(([name, signal]) => [
    name,
    { type: 'string', description: `a part that gives ${signal}` },
  ])
  return Object.fromEntries([...params, ...ratings, ...choices, ...refs]) as Json
}

/** The shape of a sheet as JSON Schema, with the values, words and references of every kind of part. */
export function sheetJsonSchema(): Json {
  const whole = z.toJSONSchema(sheetSchema, { io: 'input' }) as unknown as {
    properties: { parts: { additionalProperties: Json } }
  }
  const part = whole.properties.parts.additionalProperties
  const byKind = KINDS.map((kind) => ({
    if: { properties: { kind: { const: kind.id } }, required: ['kind'] },
    then: { properties: fieldsOf(kind) },
  }))
  const kinds = { properties: { kind: { enum: KINDS.map((k) => k.id) } } }
  return {
    ...whole,
    properties: {
      ...whole.properties,
      parts: { ...whole.properties.parts, additionalProperties: { ...part, allOf: [kinds, ...byKind] } },
    },
  }
}
