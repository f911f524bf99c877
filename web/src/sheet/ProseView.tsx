import type { Prose, ProseNode } from '@bogen/core/lesson';
import { memo, type ReactNode } from 'react';
import { Formula } from './Formula.js';

/** Prose as it is read. Only known kinds of nodes are drawn, and text is always text. */
export const ProseView = memo(function ProseView({ prose }: { prose: Prose }) {
  return <div className="prose-text">{children(prose.content)}</div>;
});

function children(nodes: readonly ProseNode[] | undefined): ReactNode {
  return nodes?.map((node, index) => <Node key={index} node={node} />);
}

function Node({ node }: { node: ProseNode }): ReactNode {
  const latex = String(node.attrs?.['latex'] ?? '');
  switch (node.type) {
    case 'paragraph':
      return <p>{children(node.content)}</p>;
    case 'heading':
      return <h3>{children(node.content)}</h3>;
    case 'bulletList':
      return <ul>{children(node.content)}</ul>;
    case 'orderedList':
      return <ol>{children(node.content)}</ol>;
    case 'listItem':
      return <li>{children(node.content)}</li>;
    case 'hardBreak':
      return <br />;
    case 'inlineMath':
      return <Formula latex={latex} block={false} />;
    case 'blockMath':
      return <Formula latex={latex} block />;
    case 'text': {
      let text: ReactNode = node.text;
      for (const mark of node.marks ?? [])
        text = mark.type === 'bold' ? <strong>{text}</strong> : <em>{text}</em>;
      return text;
    }
  }
}
