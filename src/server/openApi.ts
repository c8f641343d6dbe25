import estimate from '../../docs/formats/estimate.schema.json'
import plan from '../../docs/formats/plan.schema.json'
import book from '../../docs/formats/price-book.schema.json'
import { MONTH_READINGS } from '../core/calendar/billingMonth.ts'
import { asComponents } from './asComponents.ts'
import { MOST_REQUEST_BYTES, MOST_REQUEST_MACHINES } from '../files/estimate/estimateRequest.ts'
import { LONGEST_SECONDS } from './estimateAnswer.ts'

const json = (schema: object) => ({ 'application/json': { schema } })

const refused = (description: string) => ({
  description,
  content: json({ $ref: '#/components/schemas/Problems' }),
})

/** The service's description, OpenAPI 3.1. The schemas are those of the files, their definitions as components. */
export const OPEN_API = {
  openapi: '3.1.0',
  info: {
    title: 'Notchgauge',
    version: '1',
    description:
      'Prices a plan of machines for one month, by the same calculation as the screen and the command line.',
    license: { name: 'MIT', identifier: 'MIT' },
  },
  servers: [{ url: '/' }],
  paths: {
    '/api/estimate': {
      post: {
        operationId: 'estimate',
        summary: 'Price a plan for one month',
        description: `At most ${MOST_REQUEST_BYTES / (1024 * 1024)} MiB, ${MOST_REQUEST_MACHINES} machines and ${LONGEST_SECONDS} seconds. Nothing is kept.`,
        requestBody: { required: true, content: json({ $ref: '#/components/schemas/EstimateRequest' }) },
        responses: {
          '200': { description: 'The estimate', content: json({ $ref: '#/components/schemas/Estimate' }) },
          '400': refused('Not JSON'),
          '408': refused('Took too long'),
          '413': refused('Too large'),
          '415': refused('Not marked as JSON'),
          '422': refused('A plan, a book or a question that will not do'),
        },
      },
    },
    '/api/openapi.json': {
      get: {
        operationId: 'description',
        summary: 'This description',
        responses: { '200': { description: 'OpenAPI 3.1', content: json({ type: 'object' }) } },
      },
    },
  },
  components: {
    schemas: {
      EstimateRequest: {
        type: 'object',
        additionalProperties: false,
        required: ['plan', 'books'],
        properties: {
          plan: { $ref: '#/components/schemas/Plan' },
          books: {
            type: 'array',
            minItems: 1,
            maxItems: 50,
            items: { $ref: '#/components/schemas/PriceBook' },
          },
          month: {
            type: 'string',
            pattern: '^[0-9]{4}-(0[1-9]|1[0-2])$',
            description: 'Such as 2027-03; the plan’s own where it is absent.',
          },
          reading: { enum: [...MONTH_READINGS], default: 'calendar' },
          machine: { type: 'string', minLength: 1, maxLength: 60, description: 'Only this one.' },
        },
      },
      Problems: {
        type: 'object',
        additionalProperties: false,
        required: ['problems'],
        properties: {
          problems: {
            type: 'array',
            minItems: 1,
            items: {
              type: 'object',
              additionalProperties: false,
              required: ['code', 'pointer', 'problem', 'expected'],
              properties: {
                code: { type: 'string' },
                pointer: { type: 'string', description: 'JSON Pointer (RFC 6901) into the request.' },
                problem: { type: 'string' },
                expected: { type: 'string' },
              },
            },
          },
        },
      },
      ...asComponents('Plan', plan),
      ...asComponents('PriceBook', book),
      ...asComponents('Estimate', estimate),
    },
  },
} as const
