import { unionOf, type UnionField } from '../../describe/describe.js';
import type { ConditionResult } from '../condition/define.js';
import { notThere } from '../condition/define.js';
import { count } from './count.js';
import type { GuessMember, FigureStep } from './define.js';
import { drawn } from './drawn.js';
import { joint } from './joint.js';
import { place } from './place.js';
import { spans } from './spans.js';

/** Everything that can be expected of a change, in the order in which a list offers it. A new one is a file beside these and a line here. */
export const guesses = { spans, place, drawn, count, joint };
export type GuessKind = keyof typeof guesses;

type QuestionIn<M> = M extends GuessMember<infer Q, infer _> ? Q : never;
type GuessIn<M> = M extends GuessMember<infer _, infer G> ? G : never;

/** What a reader is asked to expect. */
export type Question = QuestionIn<(typeof guesses)[GuessKind]>;
/** What a reader expects, or what comes true. */
export type Guess = GuessIn<(typeof guesses)[GuessKind]>;
export type QuestionOf<Kind extends GuessKind> = Extract<Question, { readonly of: Kind }>;
export type GuessOf<Kind extends GuessKind> = Extract<Guess, { readonly of: Kind }>;

const memberOf = (kind: GuessKind): GuessMember<Question, Guess> =>
  guesses[kind] as unknown as GuessMember<Question, Guess>;

export const questionDescription = unionOf('of', guesses) as unknown as UnionField<Question>;
export const guessDescription = unionOf(
  'of',
  Object.fromEntries(Object.entries(guesses).map(([kind, { guess }]) => [kind, { description: guess }])),
) as unknown as UnionField<Guess>;

/** What comes true of a change; nothing where what is asked about is not there, or can't be measured. */
export const truthOf = (question: Question, step: FigureStep): Guess | undefined =>
  memberOf(question.of).truth(question, step);

/** How far a guess is from what comes true; one of another kind, or none, is not met. */
export function judgeGuess(question: Question, guess: Guess | undefined, step: FigureStep): ConditionResult {
  const truth = guess?.of === question.of ? truthOf(question, step) : undefined;
  return guess && truth ? memberOf(question.of).compare(question, guess, truth) : notThere;
}

/** Everything that can be asked of what a change does to an item. */
export const offeredQuestions = (item: string, step: FigureStep): readonly Question[] =>
  (Object.keys(guesses) as GuessKind[]).flatMap((kind) => memberOf(kind).offers(item, step));
