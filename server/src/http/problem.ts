import { englishOf, type Problem, type ProblemType } from '@bogen/contract';
import type { Told } from '@bogen/core/lesson';

const statuses: Record<ProblemType, readonly [number, string]> = {
  'bad-request': [400, 'Bad request'],
  'too-large': [413, 'Too large'],
  'wrong-sign-in': [401, 'Wrong sign-in'],
  'wrong-code': [401, 'Wrong code'],
  'wrong-class-code': [404, 'Wrong class code'],
  'wrong-return-key': [401, 'Wrong return key'],
  'name-taken': [409, 'Name taken'],
  'not-signed-in': [401, 'Not signed in'],
  'not-allowed': [403, 'Not allowed'],
  'foreign-origin': [403, 'Foreign origin'],
  'not-found': [404, 'Not found'],
  stale: [409, 'Changed elsewhere'],
  refused: [422, 'Refused'],
  'too-many-requests': [429, 'Too many requests'],
  'too-costly': [422, 'Too costly'],
  busy: [503, 'Busy'],
  'database-unavailable': [503, 'Database unavailable'],
  internal: [500, 'Internal error'],
};

/** What a problem carries besides its sentence. */
export type ProblemExtras = Pick<Problem, 'step' | 'retryAfter' | 'current'>;

/** An error that the client is told: a stable type and one clear sentence. */
export class HttpProblem extends Error {
  override readonly name = 'HttpProblem';
  readonly problem: Problem;

  constructor(type: ProblemType, told: Told, extras: ProblemExtras = {}) {
    const detail = englishOf(told);
    super(detail);
    const [status, title] = statuses[type];
    this.problem = { type, title, status, detail, told, ...extras };
  }
}
