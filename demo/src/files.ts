import type { LessonDocument } from '@bogen/core/lesson';
import twoCurvesFile from '../lessons/1-two-curves-six-pegs.json' with { type: 'json' };
import nearAndFarFile from '../lessons/2-near-and-far.json' with { type: 'json' };
import degreeOrSpansFile from '../lessons/3-degree-or-spans.json' with { type: 'json' };
import knotsOnTheRailFile from '../lessons/4-knots-on-the-rail.json' with { type: 'json' };
import takenApartFile from '../lessons/5-taking-the-outline-apart.json' with { type: 'json' };
import trueRoundFile from '../lessons/6-a-true-round.json' with { type: 'json' };
import archOfBridgeFile from '../lessons/7-the-arch-of-the-bridge.json' with { type: 'json' };
import sectionFile from '../lessons/8-the-section.json' with { type: 'json' };

/** A lesson as the writer gives it out: the file in demo/lessons, and the document in it. */
export interface DemoFile {
  /** Of the file, without its ending. */
  readonly name: string;
  readonly file: unknown;
  readonly document: LessonDocument;
}

/** The files are of today's version: a test takes each in as any other lesson file, and finds it unchanged. */
const given = (name: string, file: { readonly lesson: unknown }): DemoFile => ({
  name,
  file,
  document: file.lesson as LessonDocument,
});

export const twoCurves = given('1-two-curves-six-pegs', twoCurvesFile);
export const nearAndFar = given('2-near-and-far', nearAndFarFile);
export const degreeOrSpans = given('3-degree-or-spans', degreeOrSpansFile);
export const knotsOnTheRail = given('4-knots-on-the-rail', knotsOnTheRailFile);
export const takenApart = given('5-taking-the-outline-apart', takenApartFile);
export const trueRound = given('6-a-true-round', trueRoundFile);
export const archOfBridge = given('7-the-arch-of-the-bridge', archOfBridgeFile);
export const section = given('8-the-section', sectionFile);
