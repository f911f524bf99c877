import { choice, list, tagged, type ValueOf } from '../../describe/describe.js';
import { trackNames } from '../track/tracks.js';
import type { FreedomMember } from './define.js';

const description = tagged('kind', 'tracks', { tracks: list(choice(...trackNames), trackNames.length, 1) });
export type TracksFreedom = ValueOf<typeof description>;

/** Some tracks of the rail may be switched on and off, and any be resized. */
export const tracks: FreedomMember<TracksFreedom> = {
  description,
  permits: ({ tracks: allowed }, command, now) => {
    if (command.name !== 'setRail' || command.rail.item !== now.rail.item) return false;
    const [before, after] = [now.rail.tracks, command.rail.tracks];
    const isFree = (name: (typeof before)[number]): boolean => allowed.includes(name);
    // What is not free stays, and in its order.
    const rest = (names: typeof before): string => names.filter((name) => !isFree(name)).join();
    return rest(before) === rest(after) && new Set(after).size === after.length;
  },
};
