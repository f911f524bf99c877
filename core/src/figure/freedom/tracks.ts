import type { FreedomOf } from '../document/freedoms.js';
import { union, type FreedomMember } from './define.js';

/** Some tracks of the rail may be switched on and off, and any be resized. */
export const tracks: FreedomMember<FreedomOf<'tracks'>> = {
  permits: ({ tracks: allowed }, command, now) => {
    if (command.name !== 'setRail' || command.rail.item !== now.rail.item) return false;
    const [before, after] = [now.rail.tracks, command.rail.tracks];
    const isFree = (name: (typeof before)[number]): boolean => allowed.includes(name);
    // What is not free stays, and in its order.
    const rest = (names: typeof before): string => names.filter((name) => !isFree(name)).join();
    return rest(before) === rest(after) && new Set(after).size === after.length;
  },
  from: (command, now) => {
    if (command.name !== 'setRail') return undefined;
    const [before, after] = [now.rail.tracks, command.rail.tracks];
    const switched = union(before, after).filter((name) => before.includes(name) !== after.includes(name));
    return switched.length > 0 ? { kind: 'tracks', tracks: switched } : undefined;
  },
  joined: (first, second) => ({ ...first, tracks: union(first.tracks, second.tracks) }),
};
