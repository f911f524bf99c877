import { told } from '../../told/told.js';
import { Node, Schema } from 'prosemirror-model';
import { Step } from 'prosemirror-transform';
import { CommandError } from '../../history/history.js';
import { isAllowedAddress } from './address.js';
import type { Prose, ProseStep } from './prose.js';

const cell = {
  content: 'block+',
  attrs: {
    colspan: { default: 1 },
    rowspan: { default: 1 },
    colwidth: { default: null },
    align: { default: null },
  },
  isolating: true,
};

/**
 * What prose may consist of. The editor has the same kinds of nodes under the same names, so that its steps can
 * be applied here, where there is no screen.
 */
const schema = new Schema({
  nodes: {
    doc: { content: 'block+' },
    paragraph: { content: 'inline*', group: 'block' },
    heading: { content: 'inline*', group: 'block', attrs: { level: { default: 1 } }, defining: true },
    bulletList: { content: 'listItem+', group: 'block list' },
    orderedList: {
      content: 'listItem+',
      group: 'block list',
      attrs: { start: { default: 1 }, type: { default: null } },
    },
    listItem: { content: 'paragraph block*', defining: true },
    blockMath: { group: 'block', atom: true, attrs: { latex: { default: '' } } },
    callout: { content: 'block+', group: 'block', attrs: { callout: { default: 'see' } }, defining: true },
    blockquote: { content: 'block+', group: 'block', defining: true },
    table: { content: 'tableRow+', group: 'block', isolating: true },
    tableRow: { content: '(tableCell | tableHeader)*' },
    tableHeader: cell,
    tableCell: cell,
    liveValue: {
      group: 'inline',
      inline: true,
      atom: true,
      attrs: { measure: {}, digits: { default: 2 } },
    },
    liveControl: { group: 'inline', inline: true, atom: true, attrs: { control: {} } },
    text: { group: 'inline' },
    hardBreak: { group: 'inline', inline: true },
    inlineMath: { group: 'inline', inline: true, atom: true, attrs: { latex: { default: '' } } },
  },
  marks: {
    bold: {},
    italic: {},
    link: { attrs: { href: {} }, inclusive: false },
    pointing: { attrs: { targets: {} }, inclusive: false },
  },
});

function read(prose: Prose): Node {
  try {
    const node = Node.fromJSON(schema, prose);
    node.check();
    refuseAddresses(node);
    return node;
  } catch (error) {
    if (error instanceof CommandError) throw error;
    throw new CommandError(told('textStructure'));
  }
}

/** @throws CommandError where words lead to an address that nobody should follow, such as a script */
function refuseAddresses(node: Node): void {
  node.descendants(({ marks }) => {
    for (const { type, attrs } of marks) {
      const address = String(attrs['href']);
      if (type.name === 'link' && !isAllowedAddress(address))
        throw new CommandError(told('addressNotAllowed', { address: address.slice(0, 60) }));
    }
  });
}

/** @throws CommandError where the tree is none that can be read and written */
export function validateProse(prose: Prose): void {
  read(prose);
}

/**
 * Applies steps of the editor to prose.
 * @returns the new prose and the steps that lead back
 * @throws CommandError where they do not fit
 */
export function editedProse(
  prose: Prose,
  steps: readonly ProseStep[],
): { prose: Prose; inverse: readonly ProseStep[] } {
  let node = read(prose);
  const inverse: ProseStep[] = [];
  for (const json of steps) {
    try {
      const step = Step.fromJSON(schema, json);
      const { doc, failed } = step.apply(node);
      if (!doc) throw new Error(failed ?? 'no document');
      doc.check();
      refuseAddresses(doc);
      inverse.unshift(step.invert(node).toJSON() as ProseStep);
      node = doc;
    } catch (error) {
      if (error instanceof CommandError) throw error;
      throw new CommandError(told('textChanged'));
    }
  }
  return { prose: node.toJSON() as Prose, inverse };
}
