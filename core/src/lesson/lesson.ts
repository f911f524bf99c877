import type { Task } from '../check/condition.js';
import type { FigureDocument } from '../figure/document.js';

/** A lesson as it is stored: a row of sheets. Every change to it is a `LessonCommand`. */
export interface LessonDocument {
  readonly version: typeof lessonVersion;
  readonly title: string;
  readonly sheets: readonly Sheet[];
}

export const lessonVersion = 1;

/** Prose beside one figure, with a task where the reader is asked something. */
export interface Sheet {
  /** Stable within the lesson and across its editions. */
  readonly id: string;
  readonly title: string;
  readonly prose: Prose;
  readonly figure: FigureDocument;
  readonly task: Task | null;
}

/** Rich text as a tree: a `doc` of blocks of text with marks, and formulas in TeX notation. */
export interface Prose {
  readonly type: 'doc';
  readonly content: readonly ProseNode[];
}

export interface ProseNode {
  readonly type: ProseNodeType;
  readonly attrs?: Readonly<Record<string, string | number | boolean | null>>;
  readonly content?: readonly ProseNode[];
  readonly text?: string;
  readonly marks?: readonly { readonly type: 'bold' | 'italic' }[];
}

export type ProseNodeType =
  | 'paragraph'
  | 'heading'
  | 'bulletList'
  | 'orderedList'
  | 'listItem'
  | 'text'
  | 'hardBreak'
  | 'inlineMath'
  | 'blockMath';

export const emptyProse: Prose = { type: 'doc', content: [{ type: 'paragraph' }] };

/** Limits on what is accepted. */
export const lessonLimits = { sheets: 60, titleLength: 200 };

/** The sheet of this id, if there is one. */
export function sheetOf(lesson: LessonDocument, id: string): Sheet | undefined {
  return lesson.sheets.find((sheet) => sheet.id === id);
}
