import type { Measure, Target } from '@bogen/core/figure';
import type { CalloutKind, Prose, ProseNode } from '@bogen/core/lesson';

type Control = NonNullable<NonNullable<ProseNode['attrs']>['control']>;

/** Short ways to write prose as data. A formula is written between dollar signs, bold between stars. */
export function prose(...blocks: ProseNode[]): Prose {
  return { type: 'doc', content: blocks };
}

/** A paragraph of text, with values, controls and words that point in between. */
export function paragraph(...parts: (string | ProseNode)[]): ProseNode {
  return {
    type: 'paragraph',
    content: parts.flatMap((part) => (typeof part === 'string' ? inline(part) : [part])),
  };
}

export function formula(latex: string): ProseNode {
  return { type: 'blockMath', attrs: { latex } };
}

/** A paragraph that says what kind of thing is to be done: to see, try, predict or prove. */
export function callout(kind: CalloutKind, ...parts: (string | ProseNode)[]): ProseNode {
  return { type: 'callout', attrs: { callout: kind }, content: [paragraph(...parts)] };
}

/** A number that follows the figure. */
export const live = (measure: Measure, digits = 0): ProseNode => ({
  type: 'liveValue',
  attrs: { measure, digits },
});

/** A value of the figure that is set from the text. */
export const control = (of: Control): ProseNode => ({ type: 'liveControl', attrs: { control: of } });

/** Words that mean something in the figure, which lights up with them. */
export const pointing = (text: string, ...targets: Target[]): ProseNode => ({
  type: 'text',
  text,
  marks: [{ type: 'pointing', attrs: { targets } }],
});

function inline(text: string): ProseNode[] {
  return text.split(/(\$[^$]+\$|\*[^*]+\*)/).flatMap((part): ProseNode[] => {
    if (part === '') return [];
    if (part.startsWith('$')) return [{ type: 'inlineMath', attrs: { latex: part.slice(1, -1) } }];
    if (part.startsWith('*')) return [{ type: 'text', text: part.slice(1, -1), marks: [{ type: 'bold' }] }];
    return [{ type: 'text', text: part }];
  });
}
