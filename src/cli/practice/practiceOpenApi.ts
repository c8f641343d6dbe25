import { SWITCH_ACTIONS } from '../../core/machine/switchActions.ts'
import { POWER_STATES } from '../../core/off/powerState.ts'
import { jsonSchemaOf } from '../../files/formats/jsonSchemaOf.ts'
import { BILL_GRAINS } from '../../practice/practiceBill.ts'
import { orderSchema } from './orderSchema.ts'

const json = (schema: object) => ({ 'application/json': { schema } })
const ref = (name: string) => ({ $ref: `#/components/schemas/${name}` })
const done = (description: string, name: string) => ({ description, content: json(ref(name)) })
const refused = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: ref('Problem') } },
})
const text = { type: 'string' }
const inPath = (name: string) => ({ name, in: 'path', required: true, schema: text })
const MACHINE = [inPath('region'), inPath('name')]
const NOT_THERE = { '404': refused('There is no such machine') }
const NOT_SAID = { '400': refused('Not JSON'), '422': refused('Something that will not do') }

/** The practice provider's description, OpenAPI 3.1. */
export const PRACTICE_OPEN_API = {
  openapi: '3.1.0',
  info: {
    title: 'Notchgauge practice provider',
    version: '1',
    description:
      'A stand-in that sells by a price book, carries out what it is told, and meters by its own log. For this machine alone.',
    license: { name: 'MIT', identifier: 'MIT' },
  },
  servers: [{ url: '/' }],
  paths: {
    '/machines': {
      get: {
        operationId: 'machines',
        summary: 'All machines and their states',
        responses: {
          '200': {
            description: 'All machines',
            content: json({ type: 'array', items: ref('Machine') }),
          },
        },
      },
      post: {
        operationId: 'create',
        summary: 'Make a machine',
        requestBody: { required: true, content: json(ref('Order')) },
        responses: {
          '201': done('Made', 'Machine'),
          ...NOT_SAID,
          '409': refused('There is one of that name'),
        },
      },
    },
    '/machines/{region}/{name}': {
      parameters: MACHINE,
      get: {
        operationId: 'machine',
        summary: 'One machine, and how it was ordered',
        responses: { '200': done('The machine', 'Machine'), ...NOT_THERE },
      },
      delete: {
        operationId: 'remove',
        summary: 'Delete a machine for good; what was not to go with it stays',
        responses: { '200': done('Deleted', 'Machine'), ...NOT_THERE },
      },
    },
    '/machines/{region}/{name}/power': {
      parameters: MACHINE,
      post: {
        operationId: 'power',
        summary: 'Start a machine, or switch it off in one of the ways that the book has',
        description:
          'A change that has begun is finished first. What is off already stays as it is until it is started.',
        requestBody: {
          required: true,
          content: json({
            type: 'object',
            required: ['action'],
            properties: { action: { enum: SWITCH_ACTIONS } },
          }),
        },
        responses: { '200': done('Told', 'Machine'), ...NOT_SAID, ...NOT_THERE },
      },
    },
    '/clock': {
      get: {
        operationId: 'clock',
        summary: 'What time it is there',
        responses: { '200': done('The time', 'Clock') },
      },
      put: {
        operationId: 'setClock',
        summary: 'Set the clock forward, or let it run faster',
        requestBody: { required: true, content: json(ref('Clock')) },
        responses: { '200': done('The time', 'Clock'), ...NOT_SAID, '409': refused('It would go back') },
      },
    },
    '/events': {
      get: {
        operationId: 'events',
        summary: 'What it was told, in order',
        responses: {
          '200': { description: 'The log', content: json({ type: 'array', items: ref('Event') }) },
        },
      },
    },
    '/bill': {
      get: {
        operationId: 'bill',
        summary: 'The bill of a month, until now where it is not over',
        parameters: [
          { name: 'month', in: 'query', schema: { type: 'string', pattern: '^[0-9]{4}-(0[1-9]|1[0-2])$' } },
          { name: 'by', in: 'query', schema: { enum: BILL_GRAINS } },
        ],
        responses: {
          '200': { description: 'FOCUS 1.2', content: { 'text/csv': { schema: text } } },
          '409': refused('The month has not begun'),
          '422': refused('Something that will not do'),
        },
      },
    },
    '/openapi.json': {
      get: {
        operationId: 'description',
        summary: 'This description',
        responses: { '200': { description: 'OpenAPI 3.1', content: json({ type: 'object' }) } },
      },
    },
  },
  components: {
    schemas: {
      Order: jsonSchemaOf(orderSchema),
      Machine: {
        type: 'object',
        required: ['name', 'region', 'size', 'state'],
        properties: {
          name: text,
          region: text,
          size: text,
          state: { enum: POWER_STATES, description: 'Going off and coming back are metered as running.' },
          order: ref('Order'),
        },
      },
      Clock: {
        type: 'object',
        properties: {
          at: { type: 'string', format: 'date-time' },
          speed: {
            type: 'number',
            minimum: 0,
            description: 'Seconds that pass there in one; 0 stands still.',
          },
        },
      },
      Event: {
        type: 'object',
        required: ['at', 'region', 'machine', 'action'],
        properties: {
          at: { type: 'string', format: 'date-time' },
          region: text,
          machine: text,
          action: text,
        },
      },
      Problem: {
        type: 'object',
        required: ['type', 'title', 'status', 'detail', 'expected'],
        properties: { type: text, title: text, status: { type: 'integer' }, detail: text, expected: text },
      },
    },
  },
}
