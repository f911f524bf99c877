import {
  facetsOf,
  largestDistance,
  nearestPoint,
  periodicCurve,
  pointAt,
  type Curve,
  type Point,
} from '@bogen/core/curve';
import {
  conicHeldBy,
  curveOf,
  curveOfShape,
  evaluateFigure,
  mapPlace,
  operations,
  rotation,
  scaling,
} from '@bogen/core/figure';
import type { Page } from '@playwright/test';
import { drag, dragTo, expect, handle, placeOf, saved, signIn, test } from '../bogen.js';
import { change, choose, click, figure, lastItem, lesson, newLesson, screenOf } from '../figure.js';

const firstPoints: readonly Point[] = [
  [0, 10],
  [20, 70],
  [70, 90],
  [120, 85],
  [175, 60],
  [200, 10],
];

const curveOfFirst = async (page: Page): Promise<Curve> =>
  curveOf(evaluateFigure(await figure(page)), 'curve')!;

async function pointsOf(page: Page, id = 'curve'): Promise<readonly Point[]> {
  return curveOf(evaluateFigure(await figure(page)), id)!.points;
}

function expectPoints(found: readonly Point[], expected: readonly Point[], digits = 6): void {
  expect(found).toHaveLength(expected.length);
  found.forEach((point, k) =>
    point.forEach((value, axis) => expect(value).toBeCloseTo(expected[k]![axis]!, digits)),
  );
}

const close = (page: Page): Promise<void> => page.getByRole('button', { name: 'Close', exact: true }).click();

test('several points: boxed, dragged, turned and scaled by number, by pointer and by keyboard', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Several points');
  const at = await screenOf(page);

  await test.step('a box selects what it holds; one of them takes the others along', async () => {
    await page.keyboard.down('Shift');
    await page.mouse.move(...at([50, 100]));
    await page.mouse.down();
    await page.mouse.move(...at([190, 50]), { steps: 4 });
    await page.mouse.up();
    await page.keyboard.up('Shift');
    await expect(page.locator('[data-selection-bar]')).toContainText(/points selected/);
    await expect(handle(page, 'curve/P3')).toHaveClass(/selected/);
    await expect(handle(page, 'curve/P1')).not.toHaveClass(/selected/);
    const scale = (at([1, 0])[0] - at([0, 0])[0]) as number;
    await drag(page, 'curve/P3', { x: 0, y: 10 * scale });
    const points = await pointsOf(page);
    expect(points[1]).toEqual(firstPoints[1]);
    const moved = points[3]![1]! - 85;
    expect(moved).toBeCloseTo(-10, 0);
    for (const k of [2, 3, 4]) expect(points[k]![1]).toBeCloseTo(firstPoints[k]![1]! + moved, 9);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(() => pointsOf(page)).toEqual(firstPoints);
  });

  await test.step('turned about a typed place by an expression, previewed and applied', async () => {
    await page.keyboard.press('Escape');
    await handle(page, 'curve/P1').focus();
    await page.keyboard.press('Space');
    await handle(page, 'curve/P2').focus();
    await page.keyboard.press('Space');
    await page.keyboard.press('j');
    await page.getByLabel('How').selectOption('turn');
    await page.getByLabel('About').selectOption('typed');
    await page.getByLabel('Centre x').fill('0');
    await page.getByRole('textbox', { name: 'y', exact: true }).fill('10');
    const before = await placeOf(page, 'curve/P2');
    await page.getByLabel('Angle, °').fill('asin(1/2) * 180/pi');
    await expect.poll(async () => (await placeOf(page, 'curve/P2')).x).not.toBeCloseTo(before.x, 0);
    await page.getByRole('button', { name: 'Apply' }).click();
    const map = rotation([0, 10], 30);
    expectPoints(
      await pointsOf(page),
      firstPoints.map((point, k) => (k === 1 || k === 2 ? mapPlace(map, point) : point)),
    );
    await page.getByRole('button', { name: 'Undo' }).click();
  });

  await test.step('an exact distance in a direction; nonsense changes nothing', async () => {
    await page.getByLabel('How').selectOption('towards');
    await page.getByLabel('Distance, mm').fill('twelve');
    await expect(page.getByRole('button', { name: 'Apply' })).toBeDisabled();
    await page.getByLabel('Distance, mm').fill('10');
    await page.getByLabel('Direction, °').fill('90');
    await page.getByRole('button', { name: 'Apply' }).click();
    expectPoints(
      await pointsOf(page),
      firstPoints.map((point, k) => (k === 1 || k === 2 ? [point[0]!, point[1]! + 10] : point)),
    );
    await page.getByRole('button', { name: 'Undo' }).click();
  });

  await test.step('all of them to a width, with the proportion kept', async () => {
    await page.getByRole('button', { name: 'Select all points' }).click();
    await page.getByLabel('How').selectOption('size');
    await page.getByLabel('Width, mm').fill('100');
    await page.getByLabel('About').selectOption('origin');
    await page.getByRole('button', { name: 'Apply' }).click();
    const map = scaling([0, 0], 0.5);
    const points = await pointsOf(page);
    // Edit points are selected too, and follow their control points.
    expectPoints(
      points,
      firstPoints.map((point) => mapPlace(map, point)),
    );
    await close(page);
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.keyboard.press('Escape');
    await expect(page.locator('[data-selection-bar]')).toHaveCount(0);
  });
});

test('points on one place are asked for by name, then the chosen one moves', async ({ newContext }) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'On one place');
  await page.getByRole('button', { name: 'Items …' }).click();
  await page.getByRole('button', { name: 'Duplicate Curve' }).click();
  await page.keyboard.press('Escape');
  const copy = (await lastItem(page)).id;
  const { x, y } = await placeOf(page, 'curve/P2');
  await page.mouse.click(x, y);
  const chooser = page.locator('[data-chooser]');
  await expect(chooser).toContainText('Which one?');
  await chooser.getByRole('button', { name: 'Control point P2 of Curve', exact: true }).click();
  await expect(chooser).toHaveCount(0);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 20, y + 40, { steps: 4 });
  await page.mouse.up();
  expect((await pointsOf(page))[2]).not.toEqual(firstPoints[2]);
  expect((await pointsOf(page, copy))[2]).toEqual(firstPoints[2]);
  // A press on a curve puts it on the rail.
  const at = await screenOf(page);
  await page.mouse.click(...at(pointAt(curveOf(evaluateFigure(await figure(page)), copy)!, 0.93)));
  await expect.poll(async () => (await figure(page)).rail.item).toBe(copy);
  // Escape puts the question away and moves nothing.
  const other = await placeOf(page, 'curve/P4');
  await page.mouse.click(other.x, other.y);
  await page.keyboard.press('Escape');
  await expect(chooser).toHaveCount(0);
  expect((await pointsOf(page))[4]).toEqual(firstPoints[4]);
});

test('a control point is deleted by hand: its menu says what that costs and shows it, and so does the Delete key', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'A point less');
  const before = await curveOfFirst(page);
  const { curve: without, deviation } = operations.removePoint.run([{ kind: 'curve', curve: before }], {
    index: 2,
  });
  const row = page.getByRole('menuitem', { name: /^Delete this point/ });
  await page.locator('[data-grip="curve/controlPoints/2"]').click({ button: 'right' });
  // The deviation that is told is not below the true one.
  await expect(row).toContainText('mm off');
  const told = Number(/([\d.]+) mm/.exec((await row.textContent())!)![1]);
  expect(told).toBeGreaterThan(0.999 * deviation!.distance);
  expect(told).toBeLessThan(1.01 * deviation!.distance);
  await row.hover();
  if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/point-less.png' });
  await row.click();
  await expect.poll(async () => (await pointsOf(page)).length).toBe(5);
  expect((await curveOfFirst(page)).points).toEqual(without.points);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await pointsOf(page)).length).toBe(6);

  await page.locator('[data-grip="curve/controlPoints/2"]').focus();
  await page.keyboard.press('Delete');
  await expect(
    page.getByText(/Control point P2 of Curve deleted: the curve moves by at most/),
  ).toBeAttached();
  await expect.poll(async () => (await pointsOf(page)).length).toBe(5);
  // As long as there are more than its degree asks for.
  await page.locator('[data-grip="curve/controlPoints/2"]').focus();
  await page.keyboard.press('Delete');
  await expect.poll(async () => (await pointsOf(page)).length).toBe(4);
  await page.locator('[data-grip="curve/controlPoints/2"]').click({ button: 'right' });
  await expect(row).toContainText('not possible');
});

test('single keys show and hide, their list is one key away, and they can be turned off', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Keys');
  await page.locator('[data-figure]').click({ position: { x: 30, y: 300 } });
  await page.keyboard.press('b');
  await page.keyboard.press('e');
  await page.keyboard.press('h');
  await expect
    .poll(async () => (await figure(page)).shown)
    .toMatchObject({ comb: true, editPoints: false, hulls: true });
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await figure(page)).shown.hulls).toBeUndefined();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await expect(page.getByText('Curvature comb')).toBeVisible();
  await page.getByLabel('Single keys are on').uncheck();
  await close(page);
  await page.locator('[data-figure]').click({ position: { x: 30, y: 300 } });
  await page.keyboard.press('b');
  expect((await figure(page)).shown.comb).toBe(true);
  // Typing into the prose never shows or hides anything.
  await page.locator('.tiptap').click();
  await page.keyboard.type('behckw');
  expect((await figure(page)).shown).toMatchObject({ comb: true, knots: true, polygon: true });
});

test('what is shown differs for one curve; comb and facets are scaled, and their numbers are the core’s', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Looks');
  await page.keyboard.press('l');
  await page.getByLabel('Control points on Curve').selectOption('no');
  await expect(handle(page, 'curve/P2')).toHaveCount(0);
  await expect(handle(page, 'curve/E2')).toBeVisible();
  await page.getByLabel('Control points on Curve').selectOption('figure');
  await expect(handle(page, 'curve/P2')).toBeVisible();
  await page.getByLabel('Convex hulls of spans', { exact: true }).check();
  await page.getByLabel('Convex hulls of spans on Curve').selectOption('no');
  await expect
    .poll(async () => [(await figure(page)).shown.hulls, (await figure(page)).items[0]!.shown])
    .toEqual([true, { hulls: false }]);
  await page.getByLabel('Facets', { exact: true }).check();
  const count = page.locator('[data-facet-count]');
  const slider = page.getByRole('slider', { name: 'Tolerance' });
  await slider.focus();
  for (const key of ['Home', 'End', 'PageDown']) {
    await slider.press(key);
    const { looks, items } = await figure(page);
    const curve = (items[0] as { curve: Curve }).curve;
    const facets = facetsOf(curve, looks?.facetTolerance ?? 1);
    await expect(count).toContainText(`${facets.points.length - 1} facet`);
  }
  await page.getByLabel('Curvature comb', { exact: true }).check();
  await page.getByRole('slider', { name: 'Length of hairs' }).press('End');
  await expect.poll(async () => (await figure(page)).looks?.combScale).toBe(10);
});

test('the construction: its triangle, step by step, with the numbers of de Boor and de Casteljau', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Construction');
  await page.locator('[data-cursor-field]').fill('1/2');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Look …' }).click();
  await page.getByLabel('Construction of the point at the cursor').check();
  await page.getByRole('button', { name: 'Numbers …' }).click();
  const { items } = await figure(page);
  const { deBoorConstruction, deCasteljauConstruction } = await import('@bogen/core/curve');
  const curve = (items[0] as { curve: Curve }).curve;
  const check = async (levels: ReturnType<typeof deBoorConstruction>['levels']): Promise<void> => {
    await expect(page.locator('[data-entry]')).toHaveCount(10);
    for (const [r, level] of levels.entries()) {
      for (const [j, { point }] of level.entries()) {
        const text = await page.locator(`[data-entry="${r}/${j}"]`).innerText();
        expect(text.replaceAll('−', '-')).toContain(`${point[0]!.toFixed(2)}, ${point[1]!.toFixed(2)}`);
      }
    }
  };
  await check(deBoorConstruction(curve, 0.5).levels);
  await page.locator('[data-entry="1/0"]').focus();
  await expect(page.locator('[data-recursion] .katex')).toBeVisible();
  await page.getByRole('combobox', { name: 'By' }).selectOption('deCasteljau');
  await check(deCasteljauConstruction(curve, 0.5).levels);
  await page.getByLabel('Name points by their blossom arguments').check();
  await expect(page.locator('[data-entry="3/0"]')).toContainText('u u u');
  await page.getByRole('slider', { name: 'Levels drawn' }).press('Home');
  await expect
    .poll(async () => (await figure(page)).looks)
    .toMatchObject({
      construction: 'deCasteljau',
      constructionLevels: 0,
      blossoms: true,
    });
});

test('tracks are added, ordered, resized and zoomed; the cursor is typed and its values are read', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Rail');
  await page.getByRole('button', { name: 'Tracks …' }).click();
  await page.getByLabel('Derivatives', { exact: true }).check();
  await page.getByRole('button', { name: 'Move Derivatives up' }).click();
  await page.getByRole('button', { name: 'Move Derivatives up' }).click();
  await page.keyboard.press('Escape');
  await expect
    .poll(async () => (await figure(page)).rail.tracks)
    .toEqual(['knots', 'derivatives', 'basis', 'curvature']);
  const edge = page.locator('[data-track-edge="knots"]');
  const box = (await edge.boundingBox())!;
  await page.mouse.move(box.x + 60, box.y + 4);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y + 34, { steps: 3 });
  await page.mouse.up();
  await expect.poll(async () => (await figure(page)).rail.heights?.knots).toBe(100);
  await edge.focus();
  await page.keyboard.press('ArrowUp');
  await expect.poll(async () => (await figure(page)).rail.heights?.knots).toBe(92);

  await page.locator('[data-cursor-field]').fill('0.5');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-track="basis"] [data-track-values]')).toHaveAttribute(
    'data-values',
    /N\d 0\.\d+/,
  );
  await page.locator('[data-cursor-field]').fill('7');
  await page.keyboard.press('Enter');
  const valid = await page
    .locator('[data-cursor-field]')
    .evaluate((field: HTMLInputElement) => field.validity.valid);
  expect(valid).toBe(false);
  await page.getByRole('button', { name: 'Zoom in along the parameter' }).click();
  await expect(page.getByRole('button', { name: 'Whole domain' })).toBeVisible();
  await page.getByRole('button', { name: 'Whole domain' }).click();
  // A basis function that is pointed at lights its support on the knots.
  const basis = (await page.locator('[data-track="basis"]').boundingBox())!;
  const knots = (): Promise<string> =>
    page
      .locator('[data-track="knots"] canvas')
      .first()
      .evaluate((canvas: HTMLCanvasElement) => canvas.toDataURL());
  await page.mouse.move(basis.x + 40, basis.y - 200);
  const unlit = await knots();
  await page.mouse.move(basis.x + 130, basis.y + 20);
  await expect.poll(knots).not.toBe(unlit);
  await page.mouse.move(basis.x + 40, basis.y - 200);
  await expect.poll(knots).toBe(unlit);
});

test('a track whose marks can not be fetched is shown without them, and the page goes on', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await page.route(/KnotMarks/, (route) => route.abort());
  await newLesson(page, 'Without marks');
  await expect(page.locator('[data-track="knots"] canvas[role="img"]').first()).toBeVisible();
  await dragTo(page, 'curve/P1', [25, 60]);
  await expect(saved(page)).toBeVisible();
  await expect(page.locator('[data-track="knots"] button')).toHaveCount(0);
});

test('a knot is pulled along the rail, onto its neighbour and off again; Escape leaves no trace', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Knots');
  const knots = async (): Promise<readonly number[]> => {
    const item = (await figure(page)).items.find(({ id }) => id === 'curve')!;
    return item.kind === 'curve' ? item.curve.knots : [];
  };
  const marks = page.getByRole('slider', { name: /^Knot of/ });
  const first = await knots();
  const inner = first.filter((u) => u > first[0]! && u < first.at(-1)!);
  expect(inner.length).toBe(2);
  await expect(marks).toHaveCount(4);
  const x = async (index: number): Promise<number> => {
    const box = (await marks.nth(index).boundingBox())!;
    return box.x + box.width / 2;
  };
  const y = (await marks.nth(1).boundingBox())!.y + 30;
  const perUnit = ((await x(3)) - (await x(0))) / (first.at(-1)! - first[0]!);
  const pull = async (index: number, to: number): Promise<void> => {
    const from = await x(index);
    await page.mouse.move(from, y);
    await page.mouse.down();
    await page.mouse.move(from + (to - inner[index - 1]!) * perUnit, y, { steps: 6 });
  };

  await test.step('what is in the hand is not yet done, and Escape puts it back', async () => {
    await pull(1, inner[0]! / 2);
    await expect
      .poll(async () => Math.abs((await x(1)) - (await x(0)) - (inner[0]! / 2) * perUnit))
      .toBeLessThan(2);
    await page.keyboard.press('Escape');
    await page.mouse.up();
    expect(await knots()).toEqual(first);
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
  });
  await test.step('let go, it is one step', async () => {
    await pull(1, inner[0]! / 2);
    await page.mouse.up();
    await expect.poll(async () => Math.abs((await knots())[4]! - inner[0]! / 2)).toBeLessThan(0.01);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(knots).toEqual(first);
  });
  await test.step('near its neighbour it becomes one with it', async () => {
    await pull(1, inner[1]! - 3 / perUnit);
    await page.mouse.up();
    await expect.poll(async () => (await knots()).slice(4, 6)).toEqual([inner[1], inner[1]]);
    await expect(marks).toHaveCount(3);
    await expect(marks.nth(1)).toHaveAttribute('aria-valuetext', /multiplicity 2/);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(marks).toHaveCount(4);
  });
  await test.step('by the keys it goes in steps, and an end of the domain stays', async () => {
    await marks.nth(2).focus();
    await page.keyboard.press('ArrowLeft');
    const step = (first.at(-1)! - first[0]!) / 100;
    await expect.poll(async () => Math.abs((await knots())[5]! - (inner[1]! - step))).toBeLessThan(0.001);
    const before = await knots();
    await marks.nth(0).focus();
    await page.keyboard.press('ArrowRight');
    await marks.nth(2).focus();
    await page.keyboard.press('ArrowRight');
    await expect.poll(async () => (await knots())[5]! - before[5]!).toBeGreaterThan(step / 2);
    expect((await knots())[3]).toBe(first[3]);
  });
});

test('a knot is inserted by pointing, pulled off the rail, and raised and lowered by the keys', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Knots in and out');
  const curve = async (): Promise<Curve> => {
    const item = (await figure(page)).items.find(({ id }) => id === 'curve')!;
    if (item.kind !== 'curve') throw new Error('no curve');
    return item.curve;
  };
  const marks = page.getByRole('slider', { name: /^Knot of/ });
  const said = page.locator('[data-track="knots"] [data-said]');
  const first = await curve();
  const box = async (index: number) => (await marks.nth(index).boundingBox())!;
  const [left, right] = [await box(0), await box(3)];
  const x = (share: number): number => left.x + left.width / 2 + share * (right.x - left.x);
  const y = left.y + 30;

  await test.step('the press shows the new polygon, Escape takes it away, letting go inserts', async () => {
    await page.mouse.move(x(0.5), y);
    await page.mouse.down();
    await expect(said).toHaveText(/multiplicity 1, C²\./);
    await expect(handle(page, 'curve/P6')).toHaveCount(1);
    await page.keyboard.press('Escape');
    await page.mouse.up();
    await expect(handle(page, 'curve/P6')).toHaveCount(0);
    await page.mouse.move(x(0.4), y);
    await page.mouse.down();
    await page.mouse.move(x(0.5), y, { steps: 4 });
    await page.mouse.up();
    await expect.poll(async () => (await curve()).points.length).toBe(first.points.length + 1);
    expect(largestDistance(first, await curve()).distance).toBeLessThan(1e-9);
    await expect(marks).toHaveCount(5);
  });
  await test.step('pulled off the rail it is gone; that it was not needed is told as no distance', async () => {
    const knot = await box(2);
    await page.mouse.move(knot.x + knot.width / 2, y);
    await page.mouse.down();
    await page.mouse.move(knot.x + knot.width / 2, y - 60, { steps: 4 });
    await expect(said).toHaveText(/no knot\. The curve moves by at most (0|\d\.\d × 10⁻¹\S) mm/);
    await page.mouse.up();
    await expect.poll(async () => (await curve()).points.length).toBe(first.points.length);
  });
  await test.step('plus and minus raise and lower its multiplicity, to the degree and no further', async () => {
    await marks.nth(1).focus();
    await page.keyboard.press('+');
    await expect(marks.nth(1)).toHaveAttribute('aria-valuetext', /multiplicity 2/);
    await page.keyboard.press('+');
    await expect(marks.nth(1)).toHaveAttribute('aria-valuetext', /multiplicity 3/);
    await page.keyboard.press('+');
    await expect(said).toHaveText(/at most 3 is allowed for degree 3/);
    await page.keyboard.press('-');
    await expect(marks.nth(1)).toHaveAttribute('aria-valuetext', /multiplicity 2/);
    await page.keyboard.press('Delete');
    await expect(marks).toHaveCount(3);
    for (let k = 0; k < 4; k++) await page.keyboard.press('Control+z');
    await expect(marks).toHaveCount(4);
  });
});

test('a knot is inserted by pulling it along the curve in the figure, or by a key, and refused where it is too many', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Knots on the curve');
  const curve = async (): Promise<Curve> => {
    const item = (await figure(page)).items.find(({ id }) => id === 'curve')!;
    if (item.kind !== 'curve') throw new Error('no curve');
    return item.curve;
  };
  const first = await curve();
  const inner = first.knots[first.degree + 1]!;
  const adder = page.getByRole('button', { name: /^Insert a knot in/ });
  const at = await screenOf(page);
  const box = (await adder.boundingBox())!;
  const centre = [box.x + box.width / 2, box.y + box.height / 2] as const;

  await test.step('held, it shows the new points; Escape leaves no trace; let go, it is inserted', async () => {
    const cursor = await page.getByLabel('Parameter of the cursor').inputValue();
    await page.mouse.move(...centre);
    await page.mouse.down();
    await expect(handle(page, 'curve/P6')).toHaveCount(1);
    await page.mouse.move(centre[0] + 60, centre[1] + 10, { steps: 4 });
    if (process.env['SHOTS']) await page.screenshot({ path: '/tmp/knot-on-curve.png' });
    await page.keyboard.press('Escape');
    await page.mouse.up();
    await expect(handle(page, 'curve/P6')).toHaveCount(0);
    await expect(page.getByLabel('Parameter of the cursor')).toHaveValue(cursor);
    await page.mouse.move(...centre);
    await page.mouse.down();
    await page.mouse.move(centre[0] + 60, centre[1] + 10, { steps: 4 });
    await page.mouse.up();
    await expect.poll(async () => (await curve()).points.length).toBe(first.points.length + 1);
    expect(largestDistance(first, await curve()).distance).toBeLessThan(1e-9);
  });
  await test.step('next to a knot it is that knot, up to the degree; more is refused where the hand is', async () => {
    const onto = at(pointAt(first, inner));
    for (let times = 2; times <= first.degree; times++) {
      const { x, y, width, height } = (await adder.boundingBox())!;
      const from = await placeOf(page, 'cursor');
      await page.mouse.move(x + width / 2, y + height / 2);
      await page.mouse.down();
      await page.mouse.move(x + width / 2 + onto[0] - from.x + 2, y + height / 2 + onto[1] - from.y, {
        steps: 5,
      });
      await page.mouse.up();
      await expect
        .poll(async () => (await curve()).knots.filter((knot) => knot === inner).length)
        .toBe(times);
    }
    await adder.focus();
    await page.keyboard.press('Enter');
    await expect(page.getByText(/at most 3 is allowed for degree 3/)).toBeVisible();
    expect((await curve()).knots.filter((knot) => knot === inner)).toHaveLength(first.degree);
    await page.keyboard.press('ArrowRight');
    await expect(page.getByText(/at most 3 is allowed/)).toHaveCount(0);
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await curve()).knots.length).toBe(first.knots.length + first.degree + 1);
    expect(largestDistance(first, await curve()).distance).toBeLessThan(1e-9);
  });
  for (let k = 0; k < first.degree + 1; k++) await page.keyboard.press('Control+z');
  await expect.poll(curve).toEqual(first);
});

test('a weight is pulled on its track, nudged by the keys, and put back with Delete', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Weights');
  await page.getByRole('button', { name: 'Tracks …' }).click();
  await page.getByLabel('Weights', { exact: true }).check();
  await page.keyboard.press('Escape');
  const curve = async (): Promise<Curve> => {
    const item = (await figure(page)).items.find(({ id }) => id === 'curve')!;
    if (item.kind !== 'curve') throw new Error('no curve');
    return item.curve;
  };
  const weight = page.getByRole('slider', { name: 'Weight of P2 of Curve' });
  await weight.scrollIntoViewIfNeeded();
  const before = await curve();
  const box = (await weight.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 20, { steps: 4 });
  await expect(page.locator('[data-track="weights"] [data-said]')).toHaveText(/^w2 = \d/);
  await page.keyboard.press('Escape');
  await page.mouse.up();
  expect(await curve()).toEqual(before);

  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y - 20, { steps: 4 });
  await page.mouse.up();
  await expect.poll(async () => (await curve()).weights?.[2] ?? 1).toBeGreaterThan(1.5);
  const heavy = await curve();
  expect(heavy.points).toEqual(before.points);
  // The heavier point draws the curve towards it.
  const distance = (of: Curve): number => nearestPoint(of, before.points[2]!).distance;
  expect(distance(heavy)).toBeLessThan(distance(before));
  await weight.focus();
  await page.keyboard.press('ArrowDown');
  await expect.poll(async () => (await curve()).weights![2]!).toBeLessThan(heavy.weights![2]!);
  await page.keyboard.press('Delete');
  await expect.poll(async () => (await curve()).weights![2]).toBe(1);
  expect(largestDistance(before, await curve()).distance).toBeLessThan(1e-9);
});

test('comparing: a copy is kept, the distance is the core’s, and two panes move together', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Comparing');
  await page.getByRole('button', { name: 'Compare …' }).click();
  await page.getByRole('button', { name: 'Keep a copy' }).click();
  await expect(page.getByText('Both have the same shape.')).toBeVisible();
  await drag(page, 'curve/P2', { x: 0, y: 60 });
  const largest = page.locator('[data-largest-distance]');
  const curves = async (): Promise<[Curve, Curve]> => {
    const evaluation = evaluateFigure(await figure(page));
    const { items } = await figure(page);
    return [curveOf(evaluation, 'curve')!, curveOf(evaluation, items[0]!.id)!];
  };
  const expected = largestDistance(...(await curves())).distance;
  await expect
    .poll(async () => Number(await largest.getAttribute('data-largest-distance')))
    .toBeCloseTo(expected, 9);
  await page.getByLabel('Show the deviation along the curve').check();
  await page.getByLabel('Deviation as a track on the rail').check();
  await expect(page.getByRole('img', { name: /^Distance from the other curve from 0/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await page.getByRole('button', { name: 'Undo' }).click();
  await close(page);

  // The same curve twice, of which one has a knot more: the same point moves in both.
  await page.getByRole('button', { name: 'Items …' }).click();
  await page.getByRole('button', { name: 'Duplicate Curve', exact: true }).click();
  await page.keyboard.press('Escape');
  const other = (await figure(page)).items.find(({ name }) => name === 'Curve (copy)')!.id;
  await page.getByRole('button', { name: 'Compare …' }).click();
  await page.getByLabel('With').selectOption({ label: 'Curve (copy)' });
  await page.getByLabel('Side by side').check();
  await expect(page.locator('[data-pane]')).toHaveCount(2);
  const before = [await pointsOf(page), await pointsOf(page, other)];
  await drag(page, 'curve/P3', { x: 10, y: 25 });
  const after = [await pointsOf(page), await pointsOf(page, other)];
  for (const k of [0, 1]) {
    expect(after[k]![3]![1]).toBeLessThan(before[k]![3]![1]! - 5);
    expect(after[k]![2]).toEqual(before[k]![2]);
  }
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => pointsOf(page, other)).toEqual(before[1]);
});

test('details: colour, line, width, and the parameters of a conic, a circle and a chain', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Details');
  await page.getByRole('button', { name: 'Details …' }).click();
  await page.getByLabel('plum').check();
  await page.getByLabel('Line').selectOption('bold');
  await page.getByLabel('Width, mm').fill('100');
  await expect
    .poll(async () => (await figure(page)).items[0])
    .toMatchObject({ color: 'plum', lineWeight: 'bold' });
  const points = await pointsOf(page);
  const xs = points.map(([x]) => x!);
  expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(100, 9);
  await close(page);
  for (let k = 0; k < 3; k++) await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => pointsOf(page)).toEqual(firstPoints);

  await choose(page, /^Conic/);
  await click(page, [
    [40, 20],
    [100, 20],
    [70, 45],
  ]);
  await page.keyboard.press('Escape');
  const drawn = await lastItem(page);
  if (drawn.kind !== 'shape' || drawn.shape.kind !== 'conic') throw new Error('no conic');
  await page.getByRole('button', { name: 'Details …' }).click();
  await page.getByRole('textbox', { name: 'ρ' }).fill('0.7');
  await page.getByLabel('Held').selectOption('tangentIntersection');
  const shape = { ...drawn.shape, rho: 0.7 };
  const expected = conicHeldBy(shape, 'tangentIntersection', curveOfShape(shape));
  await expect
    .poll(async () => (await lastItem(page)) as { shape?: unknown })
    .toMatchObject({ shape: expected });
  await close(page);

  await choose(page, /^Bézier chain/);
  await click(page, [
    [20, 20],
    [50, 35],
    [90, 20],
  ]);
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  const chain = await lastItem(page);
  // The menu of the second button has the kinds of a node.
  const at = await screenOf(page);
  await page.mouse.click(...at([50, 35]), { button: 'right' });
  await page.getByRole('menuitemradio', { name: 'equal' }).click();
  await expect
    .poll(async () => {
      const item = await lastItem(page);
      return item.kind === 'shape' && item.shape.kind === 'chain' ? item.shape.chain.nodes[1]!.kind : '';
    })
    .toBe('equal');
  await page.locator(`[data-shape-handle="${chain.id}/1"]`).focus();
  await page.keyboard.press('Shift+F10');
  await expect(page.getByRole('menuitemradio', { name: 'corner' })).toBeVisible();
  await page.keyboard.press('Escape');
});

test('closing is asked for, and a mirror image is drawn along and follows', async ({ newContext }) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Closing and mirroring');
  const square: Point[] = [
    [60, 20],
    [120, 20],
    [120, 50],
    [60, 50],
  ];
  await choose(page, /^Curve by control points/);
  await click(page, [...square, square[0]!]);
  await page.getByRole('button', { name: /^Ends meet/ }).click();
  let item = await lastItem(page);
  expect(item).toMatchObject({ kind: 'curve', curve: { points: [...square, square[0]] } });
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();

  await choose(page, /^Curve by control points/);
  await click(page, [...square, square[0]!]);
  await page.getByRole('button', { name: /^Smooth all round/ }).click();
  item = await lastItem(page);
  expect(item).toMatchObject({ kind: 'curve', curve: periodicCurve(3, square) });
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();

  await choose(page, /^Curve by control points/);
  await page.getByLabel('Mirrored').selectOption('vertical');
  await page.getByLabel('at, mm').fill('100');
  await click(page, [
    [20, 20],
    [30, 40],
    [60, 40],
    [100, 30],
  ]);
  await page.keyboard.press('Enter');
  const image = await lastItem(page);
  expect(image.kind).toBe('built');
  const half = (await figure(page)).items.at(-2)!;
  expectPoints(
    await pointsOf(page, image.id),
    (await pointsOf(page, half.id)).map(([x, y]) => [200 - x!, y!]),
    9,
  );
});

test('a point that is dragged with Ctrl is drawn to what lies near, and without it stays where it was put', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Near');
  const at = await screenOf(page);
  const move = async (name: string, to: Point): Promise<void> => {
    const from = await placeOf(page, `curve/${name}`);
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(...at(to), { steps: 6 });
    await page.mouse.up();
  };
  // A crossing of the grid, and then the control point that lies on it.
  await page.keyboard.down('Control');
  await move('P2', [90.7, 49.4]);
  await move('P3', [90.6, 50.5]);
  await page.keyboard.up('Control');
  const points = await pointsOf(page);
  expect(points[2]).toEqual([90, 50]);
  expect(points[3]).toEqual([90, 50]);
  await move('P1', [30.7, 59.4]);
  const [x, y] = (await pointsOf(page))[1]!;
  expect([x, y]).not.toEqual([30, 60]);
  expect(Math.hypot(x! - 30.7, y! - 59.4)).toBeLessThan(0.5);

  // The figure is zoomed with the point in the hand: it stays under the pointer.
  const from = await placeOf(page, 'curve/P4');
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x - 60, from.y - 30, { steps: 4 });
  await page.mouse.wheel(0, -300);
  // Until it is drawn zoomed.
  await page.evaluate(
    () => new Promise<unknown>((done) => requestAnimationFrame(() => requestAnimationFrame(done))),
  );
  await page.mouse.move(from.x - 100, from.y - 50, { steps: 4 });
  await page.mouse.up();
  const after = await placeOf(page, 'curve/P4');
  expect(Math.hypot(after.x - from.x + 100, after.y - from.y + 50)).toBeLessThan(1);
  expect((await pointsOf(page))[4]).not.toEqual([175, 60]);
});

test('what is copied is pasted on another sheet and in another lesson', async ({ newContext }) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'From here');
  await choose(page, /^Circle/);
  await click(page, [
    [60, 30],
    [80, 30],
  ]);
  await page.keyboard.press('Escape');
  const circle = await lastItem(page);
  await page.locator('[data-figure]').click({ position: { x: 20, y: 200 } });
  await page.keyboard.press('Control+c');
  await page.getByRole('button', { name: 'Add sheet' }).click();
  await page.locator('[data-start="oneCurve"]').click();
  await expect.poll(async () => (await lesson(page)).sheets.length).toBe(2);
  await page.locator('[data-figure]').click({ position: { x: 20, y: 200 } });
  await page.keyboard.press('Control+v');
  await expect
    .poll(async () => (await lesson(page)).sheets[1]!.figure.items.at(-1))
    .toMatchObject({ kind: 'shape', shape: (circle as { shape: object }).shape });
  await page.goto('/shelf');
  await newLesson(page, 'To there');
  await page.getByRole('button', { name: 'Items …' }).click();
  await page.getByRole('button', { name: 'Paste what was copied' }).click();
  await expect.poll(async () => (await lastItem(page)).name).toBe('Circle');
});

test('a picture lies behind the drawing: sent, scaled by two points, faded, locked; what is no picture is refused', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Drawing over a picture');
  const send = async (name: string, mimeType: string, buffer: Buffer): Promise<void> => {
    await page.locator('input[type=file]').setInputFiles({ name, mimeType, buffer });
  };
  await page.getByRole('button', { name: 'Draw …' }).click();
  await send('neck.png', 'image/png', Buffer.from('not a picture at all'));
  await expect(page.getByRole('alert')).toContainText('PNG, JPEG or SVG');
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100"><script>alert(1)</script><path d="M0 50H200" stroke="#333"/></svg>';
  await send('neck.svg', 'image/svg+xml', Buffer.from(svg));
  await expect(page.getByRole('heading', { name: 'Details of Picture' })).toBeVisible();
  const picture = async () => {
    const item = (await figure(page)).items.find(({ kind }) => kind === 'picture');
    if (item?.kind !== 'picture') throw new Error('no picture');
    return item;
  };
  expect((await picture()).size).toEqual([1200, 600]);
  await page.getByRole('button', { name: 'Press both points' }).click();
  const at = await screenOf(page);
  await page.mouse.click(...at([50, 60]));
  await page.mouse.click(...at([100, 60]));
  const before = await picture();
  await page.getByLabel('Distance between them, mm').fill('100');
  await page.getByRole('button', { name: 'Scale' }).click();
  await expect.poll(async () => (await picture()).width / before.width).toBeCloseTo(2, 1);
  await page.getByLabel('flipped left to right').check();
  await page.getByRole('slider', { name: 'Fade' }).press('End');
  await page.getByLabel('locked to the drawing').check();
  await expect.poll(picture).toMatchObject({ flipped: true, fade: 1, locked: true });
  // Locked it can't be taken hold of any more.
  await expect(page.locator(`[data-shape-handle="${before.id}/centre"]`)).toHaveCount(0);
});

test('while a long picture is sent, it is told how much of it; without the server nothing is changed', async ({
  newContext,
  bogen,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'A long picture');
  const network = await page.context().newCDPSession(page);
  await network.send('Network.enable');
  const slow = { offline: false, latency: 0, downloadThroughput: -1, uploadThroughput: 300_000 };
  await network.send('Network.emulateNetworkConditions', slow);
  const long = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100"><path d="M0 50H200" stroke="#333"/><!--${'-x'.repeat(300_000)}--></svg>`;
  const file = { name: 'scroll.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(long) };
  await page.getByRole('button', { name: 'Draw …' }).click();
  const button = page.getByRole('button', { name: /^Sending the picture/ });
  await page.locator('input[type=file]').setInputFiles(file);
  await expect(button).toHaveText(/Sending the picture: [1-9]\d* %/);
  await expect(button).toBeDisabled();
  await expect(page.getByRole('heading', { name: 'Details of Picture' })).toBeVisible();
  await expect(saved(page)).toBeVisible();

  await bogen.killServer();
  await page.getByRole('button', { name: 'Draw …' }).click();
  await page.locator('input[type=file]').setInputFiles(file);
  await expect(page.getByRole('alert').filter({ hasText: 'picture' })).toContainText(
    'The picture could not be sent: The server can’t be reached. Nothing was changed.',
  );
  await expect(page.getByRole('button', { name: /^Picture to draw over/ })).toBeEnabled();
  await bogen.startServer();
});

test('a finger that rests opens the menu, two fingers zoom, and the handles are large enough', async ({
  browser,
  bogen,
}) => {
  const context = await browser.newContext({
    baseURL: bogen.url,
    viewport: { width: 1280, height: 800 },
    hasTouch: true,
  });
  const page = await signIn(context);
  await newLesson(page, 'Fingers');
  const sizes = await page
    .locator('.mark')
    .evaluateAll((elements) => elements.map((element) => element.getBoundingClientRect().width));
  // A hair less is how the browser rounds.
  expect(Math.min(...sizes)).toBeGreaterThan(23.99);
  const touch = await context.newCDPSession(page);
  const send = (type: 'touchStart' | 'touchMove' | 'touchEnd', ...points: { x: number; y: number }[]) =>
    touch.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: points.map((point, id) => ({ ...point, id })),
    });
  const { x, y } = await placeOf(page, 'curve/P2');
  await send('touchStart', { x, y });
  // A finger trembles.
  await send('touchMove', { x: x + 2, y: y + 1 });
  await expect(page.getByRole('menuitem', { name: 'Select', exact: true })).toBeVisible();
  await send('touchEnd');
  expect((await pointsOf(page))[2]).toEqual(firstPoints[2]);
  await page.keyboard.press('Escape');
  await expect(page.getByRole('menu')).toHaveCount(0);

  const before = await placeOf(page, 'curve/P5');
  const first = await placeOf(page, 'curve/P0');
  const middle = { x: x + 40, y: y + 120 };
  await send('touchStart', { x: middle.x - 40, y: middle.y }, { x: middle.x + 40, y: middle.y });
  for (const spread of [50, 60, 70, 80]) {
    await send('touchMove', { x: middle.x - spread, y: middle.y }, { x: middle.x + spread, y: middle.y });
  }
  await send('touchEnd');
  await expect
    .poll(async () => (await placeOf(page, 'curve/P5')).x - (await placeOf(page, 'curve/P0')).x)
    .toBeGreaterThan((before.x - first.x) * 1.5);
  await context.close();
});

test('a finger pulls every mark that there is: knots, weights, the weight pull, the cursor, a knot from its mark, a pin', async ({
  browser,
  bogen,
}) => {
  const context = await browser.newContext({
    baseURL: bogen.url,
    viewport: { width: 1280, height: 800 },
    hasTouch: true,
  });
  const page = await signIn(context);
  await newLesson(page, 'Marks for fingers');
  const finger = await context.newCDPSession(page);
  const pull = async (mark: string, by: Readonly<{ x: number; y: number }>): Promise<void> => {
    // A finger goes to where the mark stands still.
    await (await page.locator(mark).first().elementHandle())!.waitForElementState('stable');
    const box = (await page.locator(mark).first().boundingBox())!;
    expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(20);
    const from = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', at?: { x: number; y: number }) =>
      finger.send('Input.dispatchTouchEvent', { type, touchPoints: at ? [at] : [] });
    // A finger does not wait for the page between its moves: it would rest, and ask for the menu.
    await Promise.all([
      touch('touchStart', from),
      ...[1, 2, 3, 4, 5, 6].map((k) =>
        touch('touchMove', { x: from.x + (by.x * k) / 6, y: from.y + (by.y * k) / 6 }),
      ),
      touch('touchEnd'),
    ]);
    await expect(saved(page)).toBeVisible();
  };
  const before = await curveOfFirst(page);
  await page.getByRole('button', { name: 'Tracks …' }).click();
  await page.getByLabel('Weights', { exact: true }).check();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Look …' }).click();
  await page.getByLabel('Weights', { exact: true }).check();
  await page.keyboard.press('Escape');

  await pull('[data-knot="1"]', { x: 60, y: 0 });
  await expect.poll(async () => (await curveOfFirst(page)).knots).not.toEqual(before.knots);
  await pull('[data-weight="2"]', { x: 0, y: -14 });
  await expect.poll(async () => (await curveOfFirst(page)).weights?.[2] ?? 1).toBeGreaterThan(1);
  const weight = (await curveOfFirst(page)).weights![3]!;
  await pull('[data-weight-pull="3"]', { x: 12, y: -16 });
  await expect.poll(async () => (await curveOfFirst(page)).weights![3]).not.toBe(weight);
  const field = page.locator('[data-cursor-field]');
  // Away from the marks of the points.
  await field.fill('0.52');
  await page.keyboard.press('Enter');
  const cursor = await field.inputValue();
  await pull('[data-handle="cursor"]', { x: 60, y: 0 });
  await expect(field).not.toHaveValue(cursor);
  const count = (await curveOfFirst(page)).points.length;
  await pull('[data-add-knot]', { x: 20, y: 5 });
  await expect.poll(async () => (await curveOfFirst(page)).points.length).toBe(count + 1);

  await test.step('a pin of the parameter', async () => {
    await change(page, 'evenOut');
    await page.getByRole('button', { name: 'Hold the cursor’s place' }).click();
    const pin = page.locator('[data-pin]').first();
    // It is put in its place with the next frame, and the figure stays as large as it is once the form tells what comes of it.
    await expect(pin).toHaveAttribute('style', /rotate/);
    await expect(page.locator('[data-deviation]')).toBeVisible();
    const place = await pin.boundingBox();
    await pull('[data-pin]', { x: 40, y: 0 });
    await expect.poll(async () => (await pin.boundingBox())!.x).not.toBe(place!.x);
    await page.keyboard.press('Escape');
  });
  await context.close();
});
