import {
  curveFromLists,
  CurveError,
  knotConventionOf,
  type Curve,
  type KnotConvention,
  type Point,
} from '@bogen/core/curve';
import { told, type Told } from '@bogen/core/lesson';
import { typedOrExact } from '../../text/exact.js';
import { readExpression } from '../../ui/expression.js';
import { readEntries, type Entry } from './listText.js';

export type ListName = 'points' | 'weights' | 'knots';
export const listNames: readonly ListName[] = ['points', 'weights', 'knots'];

/** What is wrong in one of the lists, and at which part of its text. */
export interface ListFault {
  readonly list: ListName;
  readonly from: number;
  readonly to: number;
  readonly told: Told;
}

export type Lists = Readonly<Record<ListName, string>>;

interface Numbers {
  readonly entries: readonly Entry[];
  readonly values: readonly number[];
}

/** What lists come to: a curve, or the very entry that is wrong and what would be right. */
export type ReadLists =
  | { readonly curve: Curve; readonly convention: KnotConvention }
  | { readonly faults: readonly ListFault[] };

/**
 * The curve of three lists and a degree.
 * @param signedWeights whether weights of zero and below are allowed
 * @throws ReaderAway
 */
export async function readLists(degree: number, lists: Lists, signedWeights = false): Promise<ReadLists> {
  const faults: ListFault[] = [];
  const read = async (list: ListName): Promise<Numbers> => {
    const result = await readNumbers(list, lists[list]);
    if ('told' in result) {
      faults.push(result);
      return { entries: [], values: [] };
    }
    return result;
  };
  const points = await read('points');
  const weights = await read('weights');
  const knots = await read('knots');
  if (faults.length > 0) return { faults };
  if (points.values.length % 2 !== 0) {
    const last = points.entries.at(-1)!;
    return {
      faults: [
        { list: 'points', ...last, told: told('listOddCoordinates', { count: points.values.length }) },
      ],
    };
  }
  const pairs: Point[] = [];
  for (let k = 0; k < points.values.length; k += 2) pairs.push([points.values[k]!, points.values[k + 1]!]);
  if (pairs.length < degree + 1) {
    return {
      faults: [
        {
          list: 'points',
          from: 0,
          to: lists.points.length,
          told: told('listTooFewPoints', { count: pairs.length, degree, needed: degree + 1 }),
        },
      ],
    };
  }
  try {
    const curve = curveFromLists(degree, pairs, knots.values, weights.values, signedWeights);
    return { curve, convention: knotConventionOf(knots.values.length, degree, pairs.length) };
  } catch (error) {
    if (!(error instanceof CurveError)) throw error;
    const isShort = knots.values.length === pairs.length + degree - 1;
    return { faults: [placed(error, { points, weights, knots }, isShort, lists)] };
  }
}

async function readNumbers(list: ListName, text: string): Promise<Numbers | ListFault> {
  const entries = readEntries(text);
  if ('kind' in entries) {
    const sentences = { bracket: 'listBracket', times: 'listTimes', tooMany: 'listTooMany' } as const;
    return { list, from: entries.from, to: entries.to, told: told(sentences[entries.kind]) };
  }
  const known = new Map<string, number>();
  const values: number[] = [];
  for (const [index, { text: own, from, to }] of entries.entries()) {
    const value = known.get(own) ?? (await readExpression(own));
    if (value === undefined)
      return { list, from, to, told: told('listNotANumber', { index: index + 1, text: own }) };
    known.set(own, value);
    values.push(value);
  }
  return { entries, values };
}

/** The part of the text that an error of the core is about. */
function placed(
  error: CurveError,
  numbers: Readonly<Record<ListName, Numbers>>,
  isShort: boolean,
  lists: Lists,
): ListFault {
  const { kind, index } = error;
  const list: ListName =
    kind.startsWith('knot') || kind === 'empty-domain'
      ? 'knots'
      : kind.startsWith('weight')
        ? 'weights'
        : 'points';
  // The first value of a short list of knots is the second of the full one.
  const entry =
    index === undefined || kind === 'knot-count'
      ? undefined
      : list === 'points'
        ? numbers.points.entries[2 * index]
        : numbers[list].entries[
            list === 'knots' && isShort ? index - 1 : index % Math.max(1, numbers[list].entries.length)
          ];
  return { list, from: entry?.from ?? 0, to: entry?.to ?? lists[list].length, told: error.told };
}

/**
 * A curve as three lists, to be read back.
 * @param exact whether numbers that are recognised stand as such, and not in all their digits
 */
export function listsOf(curve: Curve, convention: KnotConvention, exact = false): Lists {
  const exactly = (value: number): string => typedOrExact(value, exact);
  const { points, weights, knots } = curve;
  return {
    points: points.map((point) => `(${point.map(exactly).join(', ')})`).join('\n'),
    weights: (weights ?? []).map(exactly).join(', '),
    knots: (convention === 'short' ? knots.slice(1, -1) : knots).map(exactly).join(', '),
  };
}
