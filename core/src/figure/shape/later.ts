import { later } from '../part/later.js';

export const mathematics = later<typeof import('./mathematics.js')>(
  'shapes',
  () => import('./mathematics.js'),
);
