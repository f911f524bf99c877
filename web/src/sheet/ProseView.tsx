import {
  isAllowedAddress,
  type CalloutKind,
  type Prose,
  type ProseMark,
  type ProseNode,
} from '@bogen/core/lesson';
import { memo, useContext, type ReactNode } from 'react';
import { TermsOfText } from './TermsOfText.js';
import { LiveControl } from '../live/LiveControl.js';
import { LiveValue } from '../live/LiveValue.js';
import { PointingWords } from '../live/PointingWords.js';
import { useTranslation } from '../text/text.js';
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
      return Number(node.attrs?.['level']) > 3 ? (
        <h4>{children(node.content)}</h4>
      ) : (
        <h3>{children(node.content)}</h3>
      );
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
      let text: ReactNode = <Words node={node} />;
      for (const mark of node.marks ?? []) text = <Marked mark={mark}>{text}</Marked>;
      return text;
    }
    case 'blockquote':
      return <blockquote>{children(node.content)}</blockquote>;
    case 'table':
      return (
        <table>
          <tbody>{children(node.content)}</tbody>
        </table>
      );
    case 'tableRow':
      return <tr>{children(node.content)}</tr>;
    case 'tableHeader':
    case 'tableCell': {
      const Cell = node.type === 'tableHeader' ? 'th' : 'td';
      const [columns, rows] = [node.attrs?.['colspan'], node.attrs?.['rowspan']];
      return (
        <Cell colSpan={Number(columns ?? 1)} rowSpan={Number(rows ?? 1)}>
          {children(node.content)}
        </Cell>
      );
    }
    case 'callout': {
      const kind = node.attrs?.callout ?? 'see';
      return <Callout kind={kind}>{children(node.content)}</Callout>;
    }
    case 'liveControl':
      return node.attrs?.control ? <LiveControl control={node.attrs.control} /> : null;
    case 'liveValue': {
      const { measure, digits } = node.attrs ?? {};
      return measure ? <LiveValue measure={measure} digits={Number(digits ?? 2)} /> : null;
    }
  }
}

/** The words of a text; terms of the glossary among them can be asked. */
function Words({ node }: { node: ProseNode }): ReactNode {
  return useContext(TermsOfText)?.(node) ?? node.text;
}

function Marked({ mark, children: words }: { mark: ProseMark; children: ReactNode }): ReactNode {
  switch (mark.type) {
    case 'bold':
      return <strong>{words}</strong>;
    case 'italic':
      return <em>{words}</em>;
    case 'link': {
      const address = mark.attrs?.href ?? '';
      // What was stored was checked; what is followed is checked once more.
      return isAllowedAddress(address) ? (
        <a href={address} target="_blank" rel="noreferrer noopener" className="underline underline-offset-4">
          {words}
        </a>
      ) : (
        words
      );
    }
    case 'pointing':
      return <PointingWords targets={mark.attrs?.targets ?? []}>{words}</PointingWords>;
  }
}

/** A passage that says what is to be done with it: to look, to try, to guess, to prove. */
function Callout({ kind, children: content }: { kind: CalloutKind; children: ReactNode }) {
  const { t } = useTranslation();
  return (
    <div role="note" className="my-2 border-l-[3px] border-accent pl-3.5" data-callout={kind}>
      <p className="font-sans text-[13px] font-semibold text-accent">{t(`sheet.callouts.${kind}`)}</p>
      {content}
    </div>
  );
}
