import {
  choice,
  flag,
  list,
  nullable,
  object,
  optional,
  scalar,
  tagged,
  text,
  tree,
  unionOf,
  whole,
  type Field,
  type ValueOf,
} from '../../describe/describe.js';
import { controlDescription, type Control } from '../../figure/control/controls.js';
import { measureDescription, type Measure } from '../../figure/measure/measures.js';
import { targetDescription, type Target } from '../../figure/part/target.js';

/** Rich text as a tree: a `doc` of blocks of text with marks, and formulas in TeX notation. */
export interface Prose {
  readonly type: 'doc';
  readonly content: readonly ProseNode[];
}

export interface ProseNode {
  readonly type: ProseNodeType;
  readonly attrs?: {
    readonly [key: string]: unknown;
    readonly measure?: Measure;
    readonly control?: Control;
    readonly callout?: CalloutKind;
  };
  readonly content?: readonly ProseNode[];
  readonly text?: string;
  readonly marks?: readonly ProseMark[];
}

/** What is said of some words: how they are set, where they lead, or what of the figure they mean. */
export interface ProseMark {
  readonly type: 'bold' | 'italic' | 'link' | 'pointing';
  readonly attrs?: {
    readonly href?: string;
    readonly targets?: readonly Target[];
  };
}

const nodeType = choice(
  'paragraph',
  'heading',
  'bulletList',
  'orderedList',
  'listItem',
  'text',
  'hardBreak',
  'inlineMath',
  'blockMath',
  'liveValue',
  'liveControl',
  'callout',
  'blockquote',
  'table',
  'tableRow',
  'tableHeader',
  'tableCell',
);
type ProseNodeType = ValueOf<typeof nodeType>;

export const emptyProse: Prose = { type: 'doc', content: [{ type: 'paragraph' }] };

const calloutKind = choice('see', 'try', 'predict', 'prove');
export type CalloutKind = ValueOf<typeof calloutKind>;
export const calloutKinds = calloutKind.choices;

/** How many parts a part of a text has at most, and how many signs a piece of it. */
export const proseLimits = { parts: 2000, signs: 20_000 };
const mark = object({
  type: choice('bold', 'italic', 'link', 'pointing'),
  attrs: optional(
    object({
      href: optional(text(1, 2000)),
      targets: optional(list(targetDescription, 20, 1)),
    }),
  ),
});
const anyNode = (): Field => node;
const node: Field = object({
  type: nodeType,
  attrs: optional(
    object({
      level: optional(whole(1, 6)),
      latex: optional(text(0, 2000)),
      start: optional(whole(0, 100_000)),
      type: optional(nullable(text(0, 20))),
      measure: optional(measureDescription),
      control: optional(controlDescription),
      /** How many digits are shown after the point; as an exact form where it can be told, where it is below zero. */
      digits: optional(whole(-1, 12)),
      callout: optional(calloutKind),
      /** Over how many columns and rows a cell goes. */
      colspan: optional(whole(1, 50)),
      rowspan: optional(whole(1, 50)),
      colwidth: optional(nullable(list(whole(0, 10_000), 50))),
      align: optional(nullable(text(0, 20))),
    }),
  ),
  content: optional(list(tree<ProseNode>(anyNode), proseLimits.parts)),
  text: optional(text(0, proseLimits.signs)),
  marks: optional(list(mark, 4)),
});

export const proseDescription = object({
  type: choice('doc'),
  content: list(tree<ProseNode>(anyNode), proseLimits.parts),
});

const position = whole(0, 10_000_000);
const slice = optional(
  object({
    content: optional(list(tree<ProseNode>(anyNode), proseLimits.parts)),
    openStart: optional(whole(0, 100)),
    openEnd: optional(whole(0, 100)),
  }),
);
const from = { from: position, to: position };

/** A small change of prose, as the editor makes it: a replacement, a mark, or an attribute of one node. */
export const proseStepDescription = unionOf('stepType', {
  replace: { description: tagged('stepType', 'replace', { ...from, slice, structure: optional(flag) }) },
  replaceAround: {
    description: tagged('stepType', 'replaceAround', {
      ...from,
      gapFrom: position,
      gapTo: position,
      insert: position,
      slice,
      structure: optional(flag),
    }),
  },
  addMark: { description: tagged('stepType', 'addMark', { ...from, mark }) },
  removeMark: { description: tagged('stepType', 'removeMark', { ...from, mark }) },
  attr: {
    description: tagged('stepType', 'attr', { pos: position, attr: text(1, 40), value: scalar(2000) }),
  },
});
export type ProseStep = ValueOf<typeof proseStepDescription>;
