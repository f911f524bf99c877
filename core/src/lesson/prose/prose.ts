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
);
export type ProseNodeType = ValueOf<typeof nodeType>;

export const emptyProse: Prose = { type: 'doc', content: [{ type: 'paragraph' }] };

const most = 2000;
const mark = object({ type: choice('bold', 'italic') });
const anyNode = (): Field => node;
const node: Field = object({
  type: nodeType,
  attrs: optional(
    object({
      level: optional(whole(1, 6)),
      latex: optional(text(0, 2000)),
      start: optional(whole(0, 100_000)),
      type: optional(nullable(text(0, 20))),
    }),
  ),
  content: optional(list(tree<ProseNode>(anyNode), most)),
  text: optional(text(0, 20_000)),
  marks: optional(list(mark, 4)),
});

export const proseDescription = object({
  type: choice('doc'),
  content: list(tree<ProseNode>(anyNode), most),
});

const position = whole(0, 10_000_000);
const slice = optional(
  object({
    content: optional(list(tree<ProseNode>(anyNode), most)),
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
