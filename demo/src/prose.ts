import type { Prose, ProseNode } from '@bogen/core/lesson';

/** Short ways to write prose as data. A formula is written between dollar signs, bold between stars. */
export function prose(...blocks: ProseNode[]): Prose {
  return { type: 'doc', content: blocks };
}

export function paragraph(text: string): ProseNode {
  return { type: 'paragraph', content: inline(text) };
}

export function formula(latex: string): ProseNode {
  return { type: 'blockMath', attrs: { latex } };
}

function inline(text: string): ProseNode[] {
  return text.split(/(\$[^$]+\$|\*[^*]+\*)/).flatMap((part): ProseNode[] => {
    if (part === '') return [];
    if (part.startsWith('$')) return [{ type: 'inlineMath', attrs: { latex: part.slice(1, -1) } }];
    if (part.startsWith('*')) return [{ type: 'text', text: part.slice(1, -1), marks: [{ type: 'bold' }] }];
    return [{ type: 'text', text: part }];
  });
}
