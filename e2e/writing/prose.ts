import type { Control, FigureDocument, Measure, Target } from '@bogen/core/figure';
import type { Prose } from '@bogen/core/lesson';
import { expect } from '../bogen.js';
import { facts } from '../../web/src/text/en/facts.js';
import { itemName, pointNameOf } from './names.js';
import type { Writing } from './writing.js';

interface Node {
  readonly type: string;
  readonly text?: string;
  readonly attrs?: Readonly<Record<string, unknown>>;
  readonly marks?: readonly { readonly type: string; readonly attrs?: Readonly<Record<string, unknown>> }[];
  readonly content?: readonly Node[];
}

/** Writes the text of a sheet from its first word to its last. */
export async function write(writing: Writing, prose: Prose, figure: FigureDocument): Promise<void> {
  const blocks = (prose as unknown as Node).content ?? [];
  await writing.text.click();
  for (const [index, block] of blocks.entries()) {
    const before = blocks[index - 1];
    // Behind a formula on a line of its own the cursor stands in a new paragraph already.
    if (before && before.type !== 'blockMath') await writing.type('\n');
    if (block.type === 'blockMath') await formula(writing, String(block.attrs!['latex']));
    else if (block.type === 'paragraph') await paragraph(writing, block, figure);
    else if (block.type === 'callout') {
      for (const [k, part] of block.content!.entries()) {
        if (k > 0) await writing.type('\n');
        await paragraph(writing, part, figure);
        if (k === 0) {
          const kind = String(block.attrs!['callout']);
          await writing.page
            .getByLabel('Callout')
            .selectOption({ label: `${kind[0]!.toUpperCase()}${kind.slice(1)}` });
          await expect(writing.text).toBeFocused();
        }
      }
    } else throw new Error(`${block.type} is not written by hand here`);
  }
}

async function paragraph(writing: Writing, { content = [] }: Node, figure: FigureDocument): Promise<void> {
  const { page } = writing;
  for (const node of content) {
    const { attrs = {} } = node;
    if (node.type === 'text') {
      const pointing = node.marks?.find(({ type }) => type === 'pointing');
      const bold = node.marks?.some(({ type }) => type === 'bold');
      if (bold) await page.keyboard.press('Control+b');
      await writing.type(node.text!);
      if (bold) await page.keyboard.press('Control+b');
      if (pointing) await point(writing, node.text!, pointing.attrs!['targets'] as Target[], figure);
    } else if (node.type === 'inlineMath') {
      await writing.press('Formula');
      await page.getByRole('textbox', { name: 'Formula' }).fill(String(attrs['latex']));
      await page.getByLabel('In the line').check();
      await writing.press('Set formula');
      await expect(writing.text).toBeFocused();
    } else if (node.type === 'liveValue') {
      await writing.press('Live value');
      await writing.pick(measureName(attrs['measure'] as Measure, figure));
      await expect(writing.text).toBeFocused();
    } else if (node.type === 'liveControl') {
      await control(writing, attrs['control'] as Control, figure);
    } else throw new Error(`${node.type} is not written by hand here`);
  }
}

/** In a paragraph of its own a formula stands on a line of its own. */
async function formula(writing: Writing, latex: string): Promise<void> {
  await writing.press('Formula');
  await writing.page.getByRole('textbox', { name: 'Formula' }).fill(latex);
  await writing.press('Set formula');
  await expect(writing.text).toBeFocused();
}

async function point(
  writing: Writing,
  words: string,
  targets: readonly Target[],
  figure: FigureDocument,
): Promise<void> {
  for (let k = 0; k < words.length; k++) await writing.page.keyboard.press('Shift+ArrowLeft');
  for (const [k, target] of targets.entries()) {
    await writing.press(k === 0 ? 'Pointing words' : 'Let these words point at something more');
    await writing.pick(targetName(target, figure));
    await expect(writing.text).toBeFocused();
  }
  await writing.page.keyboard.press('ArrowRight');
}

async function control(writing: Writing, given: Control, figure: FigureDocument): Promise<void> {
  const item = itemName(figure, given.item);
  const called = {
    cursor: `u on ${item}`,
    knot: '',
    weight: given.of === 'weight' ? `weight of ${pointNameOf(figure, given.item, given.index)}` : '',
    rho: `ρ of ${item}`,
    apart: `pieces of ${item} apart`,
    degree: `degree of ${item}`,
  }[given.of];
  await writing.press('Live control');
  await writing.pick(called);
  await expect(writing.text).toBeFocused();
  if (!('least' in given)) return;
  const fields = writing.page.locator('[data-control-field]').last();
  await fields.click();
  await writing.set(writing.page.getByLabel('from', { exact: true }), given.least);
  await writing.set(writing.page.getByLabel('to', { exact: true }), given.most);
  await writing.close();
  await writing.text.focus();
}

/** What a measure is called in a list to pick from. */
export function measureName(measure: Measure, figure: FigureDocument): string {
  const item = itemName(figure, measure.item);
  switch (measure.of) {
    case 'fact':
      return `${facts.names[measure.fact]} of ${item}`;
    case 'deviation':
      return `Deviation of ${item} from ${itemName(figure, measure.from)}`;
    case 'roundness':
      return `Out of round: distance of ${item} from its best circle`;
    case 'cursor':
      return `Parameter of the cursor on ${item}`;
    case 'curvePoint':
      return `${'xyz'[measure.axis]!} of ${item} at the cursor`;
    case 'weight':
      return `Weight of ${pointNameOf(figure, measure.item, measure.index)}, ${item}`;
    default:
      throw new Error(`${measure.of} is not picked by hand here`);
  }
}

/** What a thing of the figure is called in a list to pick from. */
export function targetName(target: Target, figure: FigureDocument): string {
  const item = itemName(figure, target.item);
  switch (target.of) {
    case 'item':
      return item;
    case 'controlPoint':
      return `${pointNameOf(figure, target.item, target.index)} of ${item}`;
    case 'knot':
      return `Knot at u = ${String(Number(target.value.toFixed(3)))} of ${item}`;
    case 'span':
      return `Span ${target.index + 1} of ${item}`;
    default:
      throw new Error(`${target.of} is not picked by hand here`);
  }
}
