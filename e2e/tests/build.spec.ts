import { domainOf, measureContinuity, pointAt, type Curve, type Point } from '@bogen/core/curve';
import { curveOf, evaluateFigure, handlesOfItem, jointsOf } from '@bogen/core/figure';
import type { Page } from '@playwright/test';
import { dragTo, expect, placeOf, saved, signIn, test } from '../bogen.js';
import { violations } from '../violations.js';
import { change, choose, click, figure, lastItem, newLesson, screenOf } from '../figure.js';

/** The curve that the last item comes to, as the server has it. */
const lastCurve = async (page: Page): Promise<Curve | undefined> => {
  const document = await figure(page);
  return curveOf(evaluateFigure(document), document.items.at(-1)!.id);
};

/** Pulls a handle of the last item to a place of the plane. */
async function pullHandle(page: Page, key: string, to: Point): Promise<void> {
  const { id } = await lastItem(page);
  const at = await screenOf(page);
  const box = (await page.locator(`[data-shape-handle="${id}/${key}"]`).boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(...at(to), { steps: 6 });
  await page.mouse.up();
  await expect(saved(page)).toBeVisible();
}

async function drawPieces(page: Page, places: readonly Point[]): Promise<void> {
  await choose(page, /Straight pieces/);
  await click(page, places);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Stop drawing' }).click();
}

test('a bridge between two curves: continuity and strength at each end, pulled by its handles, linked to both', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Bridges');
  await drawPieces(page, [
    [20, 95],
    [60, 95],
  ]);
  const line = await lastItem(page);
  await page.getByLabel('Curve', { exact: true }).selectOption(line.id);
  await change(page, 'bridge');
  const panel = page.locator('[data-change-panel]');
  await panel.getByRole('combobox', { name: 'Continuity', exact: true }).selectOption('G2');
  await panel.getByLabel('to the other’s').selectOption('end');
  await panel.getByLabel('Continuity there').selectOption('G2');
  await expect(panel.locator('[data-change-numbers]')).toContainText('5');
  expect(await violations(page)).toEqual([]);
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/bridge.png' });
  await panel.getByRole('button', { name: 'Add the curve' }).click();
  await expect.poll(async () => (await lastItem(page)).kind).toBe('built');
  const document = await figure(page);
  const item = document.items.at(-1)!;
  if (item.kind !== 'built' || item.operation.name !== 'bridge') throw new Error('no bridge');
  const [first] = handlesOfItem(item, evaluateFigure(document));
  await pullHandle(page, 'handle 1', [first!.at[0]! + 20, first!.at[1]!]);
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/bridge-pulled.png' });
  const pulled = await lastItem(page);
  if (pulled.kind !== 'built' || pulled.operation.name !== 'bridge') throw new Error('no bridge');
  expect(pulled.operation.strength).toBeGreaterThan(item.operation.strength);
  expect(pulled.operation.secondStrength).toBe(item.operation.secondStrength);
  const bridge = (await lastCurve(page))!;
  expect(bridge.degree).toBe(5);
  await page.keyboard.press('Control+z');
  await expect.poll(() => lastItem(page)).toEqual(item);

  // Its numbers can be typed later, and what can't be is told where it was typed.
  await page.getByRole('button', { name: 'Details …' }).click();
  await page.getByLabel('Strength there').fill('2');
  await page.keyboard.press('Enter');
  await expect
    .poll(async () => {
      const now = await lastItem(page);
      return now.kind === 'built' && now.operation.name === 'bridge' && now.operation.secondStrength;
    })
    .toBe(2);
});

test('a corner is rounded by an arc, a conic or a bridge, with what is cut off shown before', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Corners');
  await drawPieces(page, [
    [20, 95],
    [120, 95],
    [120, 55],
  ]);
  const line = await lastItem(page);
  await page.getByLabel('Curve', { exact: true }).selectOption(line.id);
  await change(page, 'roundCorner');
  const panel = page.locator('[data-change-panel]');
  await expect(panel.locator('[data-variant]')).toHaveCount(3);
  await expect(panel.locator('[data-goes]')).toHaveText('What is crossed out in the figure is cut off.');
  await panel.getByLabel('Radius, mm').fill('60');
  await expect(panel.locator('[data-change-reason]')).toContainText('at most about 39.9');
  await panel.getByLabel('Radius, mm').fill('25');
  await expect(panel.locator('[data-change-reason]')).toHaveCount(0);
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/corner.png' });
  await panel.getByRole('button', { name: 'Add as a linked curve' }).click();
  await expect.poll(async () => (await lastItem(page)).kind).toBe('built');
  /** How far the curve is from the arc in the corner at (120, 95), beyond the arc's centre. */
  const offArc = (curve: Curve, radius: number): number => {
    const [start, end] = domainOf(curve.knots, curve.degree);
    const offs: number[] = [];
    for (let k = 0; k <= 400; k++) {
      const [x, y] = pointAt(curve, start + ((end - start) * k) / 400);
      const [right, up] = [x! - (120 - radius), y! - (95 - radius)];
      if (right > 0 && up > 0) offs.push(Math.abs(Math.hypot(right, up) - radius));
    }
    expect(offs.length).toBeGreaterThan(5);
    return Math.max(...offs);
  };
  expect(offArc((await lastCurve(page))!, 25)).toBeLessThan(1e-12);

  // Pulled where it begins, it becomes larger or smaller; the arc stays one.
  await pullHandle(page, 'rounding', [105, 95]);
  const smaller = await lastItem(page);
  if (smaller.kind !== 'built' || smaller.operation.name !== 'roundCorner') throw new Error('no corner');
  expect(smaller.operation.radius).toBeCloseTo(15, 0);
  expect(offArc((await lastCurve(page))!, smaller.operation.radius)).toBeLessThan(1e-12);
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/corner-pulled.png' });

  await page.getByRole('button', { name: 'Details …' }).click();
  const made = page.locator('[data-operation-of="roundCorner"]');
  await made.getByLabel('By').selectOption('byBridge');
  await made.getByLabel('Continuity').selectOption('G3');
  await expect
    .poll(async () =>
      Math.min(...measureContinuity((await lastCurve(page))!).map(({ geometric }) => geometric)),
    )
    .toBe(3);
  expect(await violations(page)).toEqual([]);
  await made.getByLabel('From the corner, mm').fill('70');
  await expect(made.getByRole('alert')).toContainText('at most about');
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/corner-details.png' });
});

test('a circle: its exact layouts beside each other, and an approximation with its error enlarged', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Circles');
  const draw = async (layout?: string): Promise<void> => {
    await choose(page, /^Circle/);
    if (layout) await page.getByLabel('Layout').selectOption(layout);
    await click(page, [
      [100, 50],
      [140, 50],
    ]);
    await page.getByRole('button', { name: 'Stop drawing' }).click();
  };
  await draw();
  const exact = await lastItem(page);
  await page.getByLabel('Curve', { exact: true }).selectOption(exact.id);
  await page.getByRole('button', { name: 'Details …' }).click();
  const layouts = page.locator('[data-layouts]');
  await expect(layouts.locator('[data-layout]')).toHaveCount(4);
  // √2/2 is read as such, and the quintic runs most evenly.
  await expect(layouts.locator('[data-layout="quadratic9"]')).toContainText('√2/2');
  const ratio = async (name: string): Promise<number> =>
    Number(
      await layouts.locator(`[data-layout="${name}"] [data-speed-ratio]`).getAttribute('data-speed-ratio'),
    );
  expect(await ratio('quadratic9')).toBeCloseTo(4 - 2 * Math.SQRT2, 9);
  expect(await violations(page)).toEqual([]);
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/layouts.png' });
  await layouts.locator('[data-layout="quadratic7"]').click();
  await expect
    .poll(async () => {
      const item = await lastItem(page);
      return item.kind === 'shape' && item.shape.kind === 'circle' && item.shape.layout;
    })
    .toBe('quadratic7');
  await page.keyboard.press('Escape');
  await draw('cubics');
  await page.getByLabel('Curve', { exact: true }).selectOption(exact.id);
  await page.getByRole('button', { name: 'Compare …' }).click();
  await page.getByLabel('With').selectOption({ index: 2 });
  await expect(page.locator('[data-largest-distance]')).toBeVisible();
  const slider = page.getByRole('slider', { name: 'Difference enlarged' });
  await expect(slider).toHaveAttribute('aria-valuetext', 'not shown');
  await slider.fill('35');
  await slider.blur();
  await page.getByLabel('Lines between equal parameters').check();
  await expect
    .poll(async () => {
      const { looks } = await figure(page);
      return [looks?.correspondence, (looks?.enlarged ?? 1) > 10];
    })
    .toEqual([true, true]);
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/enlarged.png' });
});

test('a knot of full multiplicity is locked at a continuity, and later drags keep it', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'A locked knot');
  const curve = async (): Promise<Curve> => {
    const [item] = (await figure(page)).items;
    if (item?.kind !== 'curve') throw new Error('no curve');
    return item.curve;
  };
  await change(page, 'continuityAtKnot');
  await page.getByLabel('Continuity').selectOption('G0');
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect.poll(async () => (await curve()).points.length).toBe(8);
  const mark = page.locator('[data-joint]');
  await mark.click();
  await page.locator('[data-lock] select').selectOption('G1');
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-joint][data-locked="G1"]')).toHaveCount(1);
  const before = await curve();
  const [x, y] = before.points[2]!;
  await dragTo(page, 'curve/P2', [x! + 6, y! - 14]);
  await expect(saved(page)).toBeVisible();
  await expect.poll(async () => (await curve()).points[2]).not.toEqual(before.points[2]);
  const after = await curve();
  expect(after.points[4]).not.toEqual(before.points[4]);
  expect(measureContinuity(after)[0]!.geometric).toBeGreaterThanOrEqual(1);
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/locked-knot.png' });
  await page.keyboard.press('Control+z');
  await expect.poll(curve).toEqual(before);
});

test('a joint with a shape is brought to G1 and locked: the curve follows the shape, and its own end stays', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'A joint with an arc');
  await choose(page, /^Arc through three points/);
  await click(page, [
    [200, 10],
    [190, 60],
    [150, 90],
  ]);
  await page.getByRole('button', { name: 'Stop drawing' }).click();
  await expect(page.locator('[data-draw-layer]')).toHaveCount(0);
  const joint = async () => {
    const document = await figure(page);
    return jointsOf(document, evaluateFigure(document))[0];
  };
  const curve = async (): Promise<Curve> => {
    const item = (await figure(page)).items.find(({ id }) => id === 'curve');
    if (item?.kind !== 'curve') throw new Error('no curve');
    return item.curve;
  };
  await expect.poll(async () => (await joint())?.measured.parametric).toBe(0);
  const mark = page.locator('[data-joint]').first();
  await mark.click();
  // The arc can't move, so there is no choice of which curve does.
  await expect(page.getByLabel('Which curve moves').locator('option')).toHaveCount(1);
  await page.locator('[data-bring="G1"]').click();
  await expect.poll(async () => (await joint())?.measured.geometric).toBeGreaterThanOrEqual(1);
  await page.locator('[data-lock] select').selectOption('G1');
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-joint][data-locked="G1"]')).toHaveCount(1);

  await test.step('the shape leads', async () => {
    const before = await curve();
    // Its start lies under the curve's end; its other end turns it there.
    await pullHandle(page, 'end', [120, 70]);
    await expect.poll(async () => (await curve()).points.at(-2)).not.toEqual(before.points.at(-2));
    expect((await joint())!.measured.geometric).toBeGreaterThanOrEqual(1);
    if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/locked-shape.png' });
    await page.keyboard.press('Control+z');
    await expect.poll(curve).toEqual(before);
  });

  await test.step('its own end does not leave it, and the hand is told why', async () => {
    const before = await curve();
    const from = await placeOf(page, 'curve/P5');
    // The arc's start lies there too, so it is asked which of both is meant.
    await page.mouse.click(from.x, from.y);
    await page
      .locator('[data-chooser]')
      .getByRole('button', { name: /P5 of Curve/ })
      .click();
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x - 30, from.y - 40, { steps: 4 });
    await expect(page.locator('[data-hand-words]')).toContainText('can’t follow');
    await page.mouse.up();
    expect(await curve()).toEqual(before);
  });
});
