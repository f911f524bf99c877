import { z } from 'zod';
import { paths } from '../paths.js';
import { defineEndpoint } from '../endpoint.js';

/** Whether the server is up. */
export const healthEndpoints = {
  health: defineEndpoint({
    ...paths.health,
    access: 'anyone',
    summary: 'The server process runs.',
    answer: z.object({ status: z.literal('up') }),
  }),
  ready: defineEndpoint({
    ...paths.ready,
    access: 'anyone',
    summary: 'The server can answer: its database is there.',
    answer: z.object({ status: z.literal('ready') }),
  }),
} as const;
