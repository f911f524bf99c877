import type { Shown } from '@bogen/core/figure';

type Key = keyof Shown;

/** What can be shown, in the groups and the order in which it is listed. */
export const shownGroups = {
  curves: [
    'controlPoints',
    'polygon',
    'weights',
    'labels',
    'editPoints',
    'knots',
    'spans',
    'start',
    'ticks',
    'hulls',
    'comb',
    'extremes',
    'facets',
    'deviation',
  ],
  cursor: ['vectors', 'derivatives', 'osculating', 'construction', 'conic', 'hodograph'],
  beside: ['lifted'],
} as const satisfies Record<string, readonly Key[]>;

/** The single key that shows or hides each: a letter of its name. */
export const shownKeys: Readonly<Record<Key, string>> = {
  controlPoints: 'c',
  polygon: 'p',
  weights: 'w',
  labels: 'n',
  editPoints: 'e',
  knots: 'k',
  spans: 's',
  start: 'd',
  ticks: 't',
  hulls: 'h',
  comb: 'b',
  extremes: 'x',
  facets: 'f',
  deviation: 'm',
  vectors: 'v',
  derivatives: 'r',
  osculating: 'o',
  construction: 'a',
  hodograph: 'g',
  conic: 'i',
  lifted: 'u',
};
