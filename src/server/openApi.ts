import bill from '../../docs/formats/bill.schema.json'
import comparison from '../../docs/formats/bill-comparison.schema.json'
import billRecipe from '../../docs/formats/bill-recipe.schema.json'
import estimate from '../../docs/formats/estimate.schema.json'
import market from '../../docs/formats/market.schema.json'
import plan from '../../docs/formats/plan.schema.json'
import book from '../../docs/formats/price-book.schema.json'
import { MONTH_READINGS } from '../core/calendar/billingMonth.ts'
import { asComponents } from './asComponents.ts'
import { MOST_REQUEST_BYTES, MOST_REQUEST_MACHINES } from '../files/estimate/requestLimits.ts'
import { MOST_LISTED, USUALLY_LISTED } from '../files/market/marketLimits.ts'
import { SERVICE_LIMITS } from './serviceLimits.ts'

const json = (schema: object) => ({ 'application/json': { schema } })

const refused = (description: string, headers: object = {}) => ({
  description,
  headers,
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
})

const allow = { Allow: { description: 'Methods that would do', schema: { type: 'string' } } }
const retryAfter = { 'Retry-After': { description: 'Seconds', schema: { type: 'integer' } } }

/** What every subject of the service may answer instead. */
const refusals = {
  '400': refused('Not JSON'),
  '405': refused('Another method', allow),
  '408': refused('Needs too much processor time, or came too slowly'),
  '413': refused('Too large, or needs too much memory'),
  '415': refused('Not marked as JSON'),
  '421': refused('A host name that the service is not known by'),
  '422': refused('A plan, a book, a bill or a question that will not do'),
  '500': refused('The service failed'),
  '503': refused('As many requests as are taken at a time', retryAfter),
}

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
        description: `At most ${MOST_REQUEST_BYTES / (1024 * 1024)} MiB, ${MOST_REQUEST_MACHINES} machines and ${SERVICE_LIMITS.processorMs / 1_000} seconds of processor time, ${SERVICE_LIMITS.smallProcessorMs / 1_000} for bodies up to ${SERVICE_LIMITS.smallBytes / 1024} KiB; ${SERVICE_LIMITS.running} are worked on at a time and ${SERVICE_LIMITS.waiting} wait. Nothing is kept.`,
        requestBody: { required: true, content: json({ $ref: '#/components/schemas/EstimateRequest' }) },
        responses: {
          '200': { description: 'The estimate', content: json({ $ref: '#/components/schemas/Estimate' }) },
          ...refusals,
        },
      },
    },
    '/api/bill': {
      post: {
        operationId: 'bill',
        summary: 'Read a bill, or set it beside a plan',
        description:
          'The text of a bill in FOCUS 1.0 to 1.2 as CSV, or of another shape with its recipe. With a plan and its price books the answer is the comparison, in causes that add up. Limits as for estimates.',
        requestBody: { required: true, content: json({ $ref: '#/components/schemas/BillRequest' }) },
        responses: {
          '200': {
            description: 'The bill, or the comparison',
            content: json({
              anyOf: [{ $ref: '#/components/schemas/Bill' }, { $ref: '#/components/schemas/BillComparison' }],
            }),
          },
          ...refusals,
        },
      },
    },
    '/api/market': {
      post: {
        operationId: 'market',
        summary: 'Everything that fits one machine, wherever it is sold',
        description: 'The cheapest first, under the machine’s own week. Limits as for estimates.',
        requestBody: { required: true, content: json({ $ref: '#/components/schemas/MarketRequest' }) },
        responses: {
          '200': { description: 'The market', content: json({ $ref: '#/components/schemas/Market' }) },
          ...refusals,
        },
      },
    },
    '/api/openapi.json': {
      get: {
        operationId: 'description',
        summary: 'This description',
        responses: {
          '200': { description: 'OpenAPI 3.1', content: json({ type: 'object' }) },
          '405': refused('Another method', allow),
          '421': refused('A host name that the service is not known by'),
        },
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
      MarketRequest: {
        type: 'object',
        additionalProperties: false,
        required: ['plan', 'books', 'machine'],
        properties: {
          plan: { $ref: '#/components/schemas/Plan' },
          books: {
            type: 'array',
            minItems: 1,
            maxItems: 50,
            items: { $ref: '#/components/schemas/PriceBook' },
          },
          machine: { type: 'string', minLength: 1, maxLength: 60 },
          month: { type: 'string', pattern: '^[0-9]{4}-(0[1-9]|1[0-2])$' },
          reading: { enum: [...MONTH_READINGS], default: 'calendar' },
          top: { type: 'integer', minimum: 1, maximum: MOST_LISTED, default: USUALLY_LISTED },
        },
      },
      BillRequest: {
        type: 'object',
        additionalProperties: false,
        required: ['bill'],
        properties: {
          bill: { type: 'string', minLength: 1, maxLength: MOST_REQUEST_BYTES },
          recipe: { $ref: '#/components/schemas/BillRecipe' },
          timeZone: {
            type: 'string',
            description: 'IANA zone in which days begin, without a plan.',
            default: 'Etc/UTC',
          },
          plan: { $ref: '#/components/schemas/Plan' },
          books: {
            type: 'array',
            minItems: 1,
            maxItems: 50,
            items: { $ref: '#/components/schemas/PriceBook' },
          },
          month: { type: 'string', pattern: '^[0-9]{4}-(0[1-9]|1[0-2])$' },
        },
        dependentRequired: { plan: ['books'], books: ['plan'] },
      },
      Problem: {
        type: 'object',
        description: 'Problem details of RFC 9457.',
        additionalProperties: false,
        required: ['type', 'title', 'status', 'detail', 'problems'],
        properties: {
          type: { type: 'string', description: 'A URI reference.' },
          title: { type: 'string' },
          status: { type: 'integer', minimum: 400, maximum: 599 },
          detail: { type: 'string' },
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
      ...asComponents('Market', market),
      ...asComponents('Bill', bill),
      ...asComponents('BillComparison', comparison),
      ...asComponents('BillRecipe', billRecipe),
    },
  },
} as const
