import type { Answer, EndpointName } from '@bogen/contract';
import { paths } from '@bogen/contract/paths';
import { callAt, type Input } from './call.js';

/** Calls an endpoint of the contract, as `call` does: for the pages of instructors, which ask for more. */
export const call = <Name extends EndpointName>(name: Name, input: Input<Name>): Promise<Answer<Name>> =>
  callAt<Name>(paths[name], input);
