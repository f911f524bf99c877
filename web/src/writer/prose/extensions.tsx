import { isAllowedAddress, calloutKinds, type CalloutKind } from '@bogen/core/lesson';
import { controls, measures, type Control, type Measure, type Target } from '@bogen/core/figure';
import { mergeAttributes } from '@tiptap/core';
import { Table } from '@tiptap/extension-table';
import { Mark, Node, NodeViewContent, NodeViewWrapper, ReactNodeViewRenderer } from '@tiptap/react';
import { useTranslation } from '../../text/text.js';
import { LiveControlField } from './LiveControlField.js';
import { LiveValueField } from './LiveValueField.js';

/** The parts of prose beyond plain text, as the editor types them; core's schema has the same under the same names. */

/** A value of an attribute that is kept as JSON in what is copied. Anything else that is pasted under its name is none. */
function jsonAttribute<T>(name: string, isWhole: (value: unknown) => boolean) {
  const key = `data-${name}`;
  return {
    default: null,
    parseHTML: (element: HTMLElement): T | null => {
      try {
        const value: unknown = JSON.parse(element.getAttribute(key) ?? 'null');
        return isWhole(value) ? (value as T) : null;
      } catch {
        return null;
      }
    },
    renderHTML: (attributes: Record<string, unknown>) => ({ [key]: JSON.stringify(attributes[name]) }),
  };
}

/** Whether a value is about an item, in one of the ways that there are. */
const isAbout =
  (ways: readonly string[]) =>
  (value: unknown): boolean =>
    typeof value === 'object' &&
    value !== null &&
    'of' in value &&
    ways.includes(String(value.of)) &&
    'item' in value &&
    typeof value.item === 'string';

const isMeasure = isAbout(Object.keys(measures));
const isControl = isAbout(Object.keys(controls));
const isTarget = isAbout(['item', 'controlPoint', 'editPoint', 'knot', 'span'] satisfies Target['of'][]);

/** A number of the figure, in the line. */
export const LiveValueNode = Node.create({
  name: 'liveValue',
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes: () => ({
    measure: jsonAttribute<Measure>('measure', isMeasure),
    digits: {
      default: 2,
      parseHTML: (element: HTMLElement) => Number(element.getAttribute('data-digits') ?? 2),
      renderHTML: ({ digits }: Record<string, unknown>) => ({ 'data-digits': String(digits) }),
    },
  }),
  parseHTML: () => [
    {
      tag: 'span[data-live]',
      getAttrs: (element) => {
        const attribute = jsonAttribute<Measure>('measure', isMeasure);
        return attribute.parseHTML(element) ? null : false;
      },
    },
  ],
  renderHTML: ({ HTMLAttributes }) => ['span', mergeAttributes(HTMLAttributes, { 'data-live': '' })],
  addNodeView: () => ReactNodeViewRenderer(LiveValueField, { as: 'span' }),
});

/** A value of the figure that is set in the line. */
export const LiveControlNode = Node.create({
  name: 'liveControl',
  group: 'inline',
  inline: true,
  atom: true,
  addAttributes: () => ({ control: jsonAttribute<Control>('control', isControl) }),
  parseHTML: () => [
    {
      tag: 'span[data-live-set]',
      getAttrs: (element) => (jsonAttribute<Control>('control', isControl).parseHTML(element) ? null : false),
    },
  ],
  renderHTML: ({ HTMLAttributes }) => ['span', mergeAttributes(HTMLAttributes, { 'data-live-set': '' })],
  addNodeView: () =>
    ReactNodeViewRenderer(LiveControlField, {
      as: 'span',
      // The line is pulled and not the words around it.
      stopEvent: ({ event }) => (event.target as Element).closest('input, button') !== null,
    }),
});

/** A passage that says what is to be done with it. */
export const CalloutNode = Node.create({
  name: 'callout',
  group: 'block',
  content: 'block+',
  defining: true,
  addAttributes: () => ({
    callout: {
      default: 'see',
      parseHTML: (element: HTMLElement) => {
        const kind = element.getAttribute('data-callout') ?? '';
        return (calloutKinds as readonly string[]).includes(kind) ? kind : 'see';
      },
      renderHTML: ({ callout }: Record<string, unknown>) => ({ 'data-callout': String(callout) }),
    },
  }),
  parseHTML: () => [{ tag: 'div[data-callout]' }],
  renderHTML: ({ HTMLAttributes }) => ['div', HTMLAttributes, 0],
  addNodeView: () =>
    ReactNodeViewRenderer(function CalloutView({ node }: { node: { attrs: Record<string, unknown> } }) {
      const { t } = useTranslation();
      const kind = node.attrs['callout'] as CalloutKind;
      return (
        <NodeViewWrapper role="note" className="my-2 border-l-[3px] border-accent pl-3.5" data-callout={kind}>
          <p contentEditable={false} className="font-sans text-[13px] font-semibold text-accent">
            {t(`sheet.callouts.${kind}`)}
          </p>
          <NodeViewContent />
        </NodeViewWrapper>
      );
    }),
});

/** Words that lead to an address that may be followed. */
export const LinkMark = Mark.create({
  name: 'link',
  inclusive: false,
  addAttributes: () => ({ href: { default: null } }),
  parseHTML: () => [
    {
      tag: 'a[href]',
      getAttrs: (element) => (isAllowedAddress(element.getAttribute('href') ?? '') ? null : false),
    },
  ],
  renderHTML: ({ HTMLAttributes }) => [
    'a',
    mergeAttributes(HTMLAttributes, { class: 'underline underline-offset-4' }),
    0,
  ],
});

const targetsAttribute = jsonAttribute<Target[]>(
  'targets',
  (value) => Array.isArray(value) && value.length > 0 && value.every(isTarget),
);

/** Words that mean something of the figure. */
export const PointingMark = Mark.create({
  name: 'pointing',
  inclusive: false,
  addAttributes: () => ({
    targets: targetsAttribute,
  }),
  parseHTML: () => [
    {
      tag: 'span[data-targets]',
      getAttrs: (element) => {
        return targetsAttribute.parseHTML(element) ? null : false;
      },
    },
  ],
  renderHTML: ({ HTMLAttributes }) => [
    'span',
    mergeAttributes(HTMLAttributes, {
      class: 'underline decoration-accent decoration-dotted decoration-2 underline-offset-4',
      'data-pointing': '',
    }),
    0,
  ],
});

/** A small table. Columns are as wide as what is in them, so that nothing of it is set by style. */
export const TableNode = Table.extend({
  renderHTML: ({ HTMLAttributes }) => ['table', HTMLAttributes, ['tbody', 0]],
}).configure({ resizable: false, renderWrapper: false });
