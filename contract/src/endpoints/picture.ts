import { z } from 'zod';
import { paths } from '../paths.js';
import { defineEndpoint } from '../endpoint.js';
import { bodyLimits } from '../limits.js';
import { id } from './parts.js';

/** Pictures to draw over. */
export const pictureEndpoints = {
  addPicture: defineEndpoint({
    ...paths.addPicture,
    access: 'instructor',
    summary:
      'Keeps a PNG, JPEG or SVG picture to draw over, checked and cleaned; it is fetched at /pictures/{id}.',
    body: z.strictObject({
      /** The file, in base 64. */
      data: z.string().min(1).max(11_000_000),
    }),
    bodyLimit: bodyLimits.picture,
    answer: z.object({
      id,
      mediaType: z.enum(['image/png', 'image/jpeg', 'image/svg+xml']),
      width: z.int(),
      height: z.int(),
    }),
  }),
} as const;
