import type { Answer } from '@bogen/contract';

/** Someone with an account, as administrators see them. */
export type Person = Answer<'people'>['people'][number];
