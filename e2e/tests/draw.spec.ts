import {
  arcFromBulge,
  arcFromEnds,
  arcThroughPoints,
  clampedUniformKnots,
  conicFromShoulder,
  exactCircle,
  exactEllipse,
  interpolate,
  periodicCurve,
  pointAt,
  reduceDegree,
  type Curve,
  type Point,
} from '@bogen/core/curve';
import { curveOf, curveOfShape, evaluateFigure } from '@bogen/core/figure';
import type { Page } from '@playwright/test';
import { expect, placeOf, signIn, test } from '../bogen.js';
import { change, choose, click, figure, lastItem, newLesson, screenOf } from '../figure.js';

/** Puts the tool away and takes back what was drawn, so that the next curve snaps to nothing of it. */
async function takeBack(page: Page): Promise<void> {
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await figure(page)).items.length).toBe(1);
}

function expectCurve(found: Curve | undefined, expected: Curve): void {
  expect(found).toBeDefined();
  expect(found!.degree).toBe(expected.degree);
  found!.knots.forEach((knot, index) => expect(knot).toBeCloseTo(expected.knots[index]!, 12));
  found!.points.forEach((point, index) =>
    point.forEach((value, axis) => expect(value).toBeCloseTo(expected.points[index]![axis]!, 9)),
  );
}

test('each kind of curve is drawn with the pointer, and comes to the core’s numbers', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Every kind of curve');
  const lead = page.locator('[data-draw-lead]');
  const drawnCurve = async (): Promise<Curve | undefined> => {
    const item = await lastItem(page);
    return item.kind === 'shape' ? curveOfShape(item.shape) : item.kind === 'curve' ? item.curve : undefined;
  };

  await test.step('by control points: what is missing is said, Enter ends it', async () => {
    await choose(page, /^Curve by control points/);
    const places = [
      [40, 20],
      [60, 50],
      [80, 20],
      [110, 40],
      [150, 20],
    ];
    await click(page, places.slice(0, 2));
    await expect(lead).toHaveText('2 more points needed');
    await expect(page.getByRole('button', { name: 'Finish' })).toBeDisabled();
    await click(page, places.slice(2));
    await page.keyboard.press('Backspace');
    await expect(lead).toContainText('4 points');
    await click(page, places.slice(4));
    await page.keyboard.press('Enter');
    expectCurve(await drawnCurve(), { degree: 3, knots: clampedUniformKnots(5, 3), points: places });
    await takeBack(page);
    await expect(page.locator('[data-draw-layer]')).toHaveCount(0);
  });

  const bySteps: [string, RegExp, Point[], boolean, Curve][] = [
    [
      'through points, of which two suffice',
      /^Curve through points/,
      [
        [40, 20],
        [150, 40],
      ],
      true,
      interpolate(
        [
          [40, 20],
          [150, 40],
        ],
        3,
      ).curve,
    ],
    [
      'an arc through three points',
      /^Arc through three points/,
      [
        [60, 20],
        [120, 20],
        [90, 40],
      ],
      false,
      arcThroughPoints([60, 20], [90, 40], [120, 20]),
    ],
    [
      'an arc by its ends and radius',
      /^Arc by ends and radius/,
      [
        [60, 20],
        [120, 20],
      ],
      false,
      arcFromEnds([60, 20], [120, 20], 60),
    ],
    [
      'a circle',
      /^Circle/,
      [
        [100, 30],
        [120, 30],
      ],
      false,
      exactCircle({ centre: [100, 30], radius: 20, x: [1, 0], y: [0, 1] }, 'quadratic9'),
    ],
    [
      'an ellipse',
      /^Ellipse/,
      [
        [100, 30],
        [130, 30],
        [100, 50],
      ],
      false,
      exactEllipse([100, 30], [30, 0], [0, 20], 'quadratic9'),
    ],
    [
      'a conic by its shoulder',
      /^Conic/,
      [
        [60, 20],
        [120, 20],
        [90, 40],
      ],
      false,
      conicFromShoulder([60, 20], [90, 40], [120, 20], 0.5),
    ],
    [
      'straight pieces',
      /^Straight pieces/,
      [
        [60, 20],
        [90, 50],
        [120, 20],
      ],
      true,
      {
        degree: 1,
        knots: [0, 0, 0.5, 1, 1],
        points: [
          [60, 20],
          [90, 50],
          [120, 20],
        ],
      },
    ],
    [
      'stairs',
      /^Stairs/,
      [
        [60, 20],
        [80, 40],
        [100, 50],
      ],
      true,
      {
        degree: 1,
        knots: clampedUniformKnots(5, 1),
        points: [
          [60, 20],
          [80, 20],
          [80, 40],
          [100, 40],
          [100, 50],
        ],
      },
    ],
    [
      'a rectangle',
      /^Rectangle/,
      [
        [60, 20],
        [120, 50],
      ],
      false,
      {
        degree: 1,
        knots: clampedUniformKnots(5, 1),
        points: [
          [60, 20],
          [120, 20],
          [120, 50],
          [60, 50],
          [60, 20],
        ],
      },
    ],
    [
      'a polygon',
      /^Regular polygon/,
      [
        [100, 30],
        [120, 30],
      ],
      false,
      {
        degree: 1,
        knots: clampedUniformKnots(7, 1),
        points: Array.from({ length: 7 }, (_, k) => [
          100 + 20 * Math.cos((k * Math.PI) / 3),
          30 + 20 * Math.sin((k * Math.PI) / 3),
        ]),
      },
    ],
  ];
  for (const [name, tool, places, enter, expected] of bySteps) {
    await test.step(name, async () => {
      await choose(page, tool);
      await click(page, places);
      if (enter) await page.keyboard.press('Enter');
      expectCurve(await drawnCurve(), expected);
      await takeBack(page);
    });
  }

  await test.step('an arc by its ends and bulge', async () => {
    await choose(page, /^Arc by ends/);
    await page.getByLabel('Given by').selectOption('bulge');
    const bulge = page.getByRole('textbox', { name: 'Bulge' });
    await bulge.fill('-1/2');
    await expect(bulge).not.toHaveAttribute('aria-busy');
    await click(page, [
      [90, 20],
      [120, 20],
    ]);
    expectCurve(await drawnCurve(), arcFromBulge([90, 20], [120, 20], -0.5));
    await takeBack(page);
  });

  await test.step('closed, by coming back to the start', async () => {
    await choose(page, /^Curve by control points/);
    await click(page, [
      [60, 20],
      [120, 20],
      [120, 50],
      [60, 50],
      [60, 20],
    ]);
    await page.keyboard.press('Enter');
    expectCurve(
      await drawnCurve(),
      periodicCurve(3, [
        [60, 20],
        [120, 20],
        [120, 50],
        [60, 50],
      ]),
    );
    await takeBack(page);
  });

  await test.step('a chain with handles pulled out, and its handle moved by the keyboard', async () => {
    await choose(page, /^Bézier chain/);
    const at = await screenOf(page);
    for (const [from, to] of [
      [
        [60, 20],
        [70, 30],
      ],
      [
        [120, 40],
        [130, 30],
      ],
    ] as const) {
      await page.mouse.move(...at(from));
      await page.mouse.down();
      await page.mouse.move(...at(to), { steps: 5 });
      await page.mouse.up();
    }
    await page.keyboard.press('Enter');
    const item = await lastItem(page);
    const nodes = [
      { point: [60, 20], before: [50, 10], after: [70, 30], kind: 'equal' },
      { point: [120, 40], before: [110, 50], after: [130, 30], kind: 'equal' },
    ];
    expect(item).toMatchObject({ kind: 'shape', shape: { kind: 'chain', chain: { nodes } } });
    await page.keyboard.press('Escape');
    await page.locator(`[data-shape-handle="${item.id}/0/after"]`).focus();
    await page.keyboard.press('Shift+ArrowUp');
    // An equal handle takes the opposite one along.
    await expect
      .poll(async () => {
        const moved = await lastItem(page);
        return moved.kind === 'shape' && moved.shape.kind === 'chain' ? moved.shape.chain.nodes[0] : null;
      })
      .toEqual({ point: [60, 20], before: [50, 0], after: [70, 40], kind: 'equal' });
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
  });

  await test.step('freehand: few points for a long stroke', async () => {
    await choose(page, /^Freehand/);
    const at = await screenOf(page);
    await page.mouse.move(...at([40, 20]));
    await page.mouse.down();
    for (let k = 1; k <= 60; k++) await page.mouse.move(...at([40 + 2 * k, 20 + 15 * Math.sin(k / 12)]));
    await page.mouse.up();
    // The tolerance is chosen with the count of points in sight, before the stroke is done.
    const counted = async (): Promise<number> =>
      Number(await page.locator('[data-stroke-fit]').getAttribute('data-stroke-fit'));
    await expect.poll(counted).toBeGreaterThan(3);
    const loose = await counted();
    const tolerance = page.getByRole('slider', { name: 'Tolerance' });
    await tolerance.focus();
    for (let k = 0; k < 12; k++) await page.keyboard.press('PageDown');
    await expect.poll(counted).toBeGreaterThan(loose);
    for (let k = 0; k < 12; k++) await page.keyboard.press('PageUp');
    await expect.poll(counted).toBeLessThanOrEqual(loose);
    await page.getByRole('button', { name: 'Finish' }).click();
    const item = await lastItem(page);
    if (item.kind !== 'shape' || item.shape.kind !== 'stroke') throw new Error('no stroke');
    expect(item.shape.points.length).toBeGreaterThan(30);
    expect(curveOfShape(item.shape).points.length).toBeLessThan(12);
  });
});

test('both curves on the same reference points follow them, drawn without a pointer', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Twice on the same points');
  await page.getByRole('button', { name: 'Draw …' }).focus();
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^Reference points/ }).press('Enter');
  await expect(page.locator('[data-draw-layer]')).toBeFocused();
  for (const [right, up] of [
    [-8, 0],
    [4, 3],
    [4, -3],
    [5, 2],
  ] as const) {
    for (let k = 0; k < Math.abs(right); k++)
      await page.keyboard.press(right < 0 ? 'Shift+ArrowLeft' : 'Shift+ArrowRight');
    for (let k = 0; k < Math.abs(up); k++)
      await page.keyboard.press(up < 0 ? 'Shift+ArrowDown' : 'Shift+ArrowUp');
    await page.keyboard.press('Space');
  }
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-reference-point]')).toHaveCount(4);
  await page.getByRole('button', { name: 'Draw …' }).click();
  await page.getByRole('button', { name: /^Both curves/ }).click();
  const before = evaluateFigure(await figure(page));
  await page.locator('[data-reference-point="B"]').focus();
  await page.keyboard.press('Shift+ArrowUp');
  const document = await figure(page);
  const after = evaluateFigure(document);
  const peg = document.items.find(({ name }) => name === 'B');
  if (peg?.kind !== 'point') throw new Error('no peg');
  expect(curveOf(after, 'onReferencePoints')!.points[1]).toEqual(peg.at);
  expect(curveOf(after, 'onReferencePoints')).not.toEqual(curveOf(before, 'onReferencePoints'));
  const through = curveOf(after, 'throughReferencePoints')!;
  const nearest = Math.min(
    ...Array.from({ length: 2001 }, (_, k) => {
      const [x, y] = pointAt(through, k / 2000) as [number, number];
      return Math.hypot(x - peg.at[0]!, y - peg.at[1]!);
    }),
  );
  expect(nearest).toBeLessThan(0.1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect
    .poll(async () => curveOf(evaluateFigure(await figure(page)), 'onReferencePoints'))
    .toEqual(curveOf(before, 'onReferencePoints'));
});

test('operations are previewed with their numbers, applied, linked, and taken back', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Changing a curve');
  const given = (await figure(page)).items[0]!;
  if (given.kind !== 'curve') throw new Error('no curve');
  await change(page, 'lowerDegree');
  const expected = reduceDegree(given.curve);
  const shown = Number(await page.locator('[data-deviation]').getAttribute('data-deviation'));
  expect(shown).toBeCloseTo(expected.deviation.distance, 9);
  // Escape leaves no trace.
  await page.keyboard.press('Escape');
  expect((await figure(page)).items).toEqual([given]);
  await change(page, 'removeKnot');
  await page.getByRole('textbox', { name: 'times' }).fill('2');
  await expect(page.locator('[data-change-reason]')).toContainText('multiplicity is 1');
  await expect(page.getByRole('button', { name: 'Apply' })).toBeDisabled();
  await change(page, 'trimToBox');
  for (const [corner, value] of [
    ['Corner 1, x', '-10'],
    ['Corner 1, y', '40'],
    ['Corner 2, x', '210'],
    ['Corner 2, y', '30 + 100/2'],
  ] as const) {
    await page.getByLabel(corner, { exact: true }).fill(value);
  }
  await page.getByLabel('Part', { exact: true }).fill('7');
  await expect(page.locator('[data-change-reason]')).toContainText(
    /There is no part 7; the last one inside the box is 1/,
  );
  await change(page, 'insertKnot');
  await page.getByLabel('at u =').fill('0.5');
  await page.getByRole('button', { name: 'Add as a linked curve' }).click();
  await page.getByRole('button', { name: 'Change …' }).waitFor();
  let document = await figure(page);
  expect(document.items.at(-1)).toMatchObject({
    kind: 'built',
    operation: { name: 'insertKnot', parameter: 0.5 },
  });
  await page.getByLabel('Curve', { exact: true }).selectOption('curve');
  await change(page, 'raiseDegree');
  await page.getByRole('button', { name: 'Apply' }).click();
  document = await figure(page);
  expect(document.items[0]).toMatchObject({ kind: 'curve', curve: { degree: 4 } });
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => (await figure(page)).items[0]).toEqual(given);
});

test('points take numbers and expressions, and items are named, hidden, locked, copied and deleted', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Exact numbers');
  await page.getByRole('button', { name: 'Points …' }).click();
  await page.getByLabel('x of P2').fill('100*sqrt(2)/2');
  await page.getByLabel('x of P2').press('Enter');
  await expect(page.getByLabel('x of P2')).toHaveValue('70.710678');
  await page.getByLabel('y of P3').fill('60*cos(60 deg)');
  await page.getByLabel('y of P3').press('Enter');
  await expect(page.getByLabel('y of P3')).toHaveValue('30');
  await page.getByLabel('Weight of P1').fill('-1');
  await page.getByLabel('Weight of P1').press('Enter');
  await expect(page.getByRole('alert')).toContainText('above zero');
  await page.getByLabel('x of P0').fill('import("x")');
  await page.getByLabel('x of P0').press('Enter');
  await expect(page.getByRole('alert')).toContainText('not a number');
  const item = (await figure(page)).items[0]!;
  expect(item.kind === 'curve' && item.curve.points[2]).toEqual([50 * Math.SQRT2, 90]);
  expect(item.kind === 'curve' && item.curve.weights).toBeFalsy();
  await page.getByRole('button', { name: 'Close', exact: true }).click();

  await page.getByRole('button', { name: 'Facts' }).click();
  await expect(page.locator('[data-facts-card]')).toContainText('measured C² G²');
  await page.getByRole('button', { name: 'Close', exact: true }).click();

  await page.getByRole('button', { name: 'Items …' }).click();
  await page.getByRole('button', { name: 'Keep a faint copy of Curve' }).click();
  await page.getByRole('button', { name: 'Duplicate Curve', exact: true }).click();
  await page.getByLabel('Name of Curve (copy)').fill('Waist');
  await page.getByLabel('Name of Curve (copy)').press('Enter');
  await page.getByRole('button', { name: 'Hide Waist' }).click();
  await page.getByRole('button', { name: 'Lock Curve', exact: true }).click();
  let { items } = await figure(page);
  expect(items.map(({ name, hidden, locked }) => [name, hidden, locked])).toEqual([
    ['Curve before', undefined, undefined],
    ['Curve', undefined, true],
    ['Waist', true, undefined],
  ]);
  await page.getByRole('button', { name: 'Draw Waist earlier' }).click();
  await page.getByRole('button', { name: 'Delete Curve before' }).click();
  ({ items } = await figure(page));
  expect(items.map(({ name }) => name)).toEqual(['Waist', 'Curve']);
});

test('what is shown, the tracks of the rail, and a reload in the middle', async ({ newContext }) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Looking at a curve');
  await page.getByRole('button', { name: 'Look …' }).click();
  for (const name of ['Convex hulls of spans', 'Construction of the point at the cursor']) {
    await page.getByLabel(name, { exact: true }).check();
  }
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Tracks …' }).click();
  for (const name of ['Speed', 'Arc length']) await page.getByLabel(name, { exact: true }).check();
  await page.getByLabel('Basis', { exact: true }).uncheck();
  await page.keyboard.press('Escape');
  await expect(page.locator('[data-track]')).toHaveCount(4);
  await expect(page.getByRole('img', { name: /^Speed from 0/ })).toBeVisible();
  const { shown, rail } = await figure(page);
  expect(shown).toMatchObject({ hulls: true, construction: true });
  expect(rail.tracks).toEqual(['knots', 'curvature', 'speed', 'length']);
  await page.reload();
  await expect(page.locator('[data-track]')).toHaveCount(4);
  // The wheel zooms about the pointer: the point under it stays, the others move away.
  const before = await placeOf(page, 'curve/P2');
  const away = await placeOf(page, 'curve/P5');
  await page.mouse.move(before.x, before.y);
  await page.mouse.wheel(0, -300);
  await expect.poll(async () => (await placeOf(page, 'curve/P5')).x - away.x).toBeGreaterThan(20);
  const after = await placeOf(page, 'curve/P2');
  expect(Math.hypot(after.x - before.x, after.y - before.y)).toBeLessThan(1.5);
  await page.getByRole('button', { name: 'Whole view' }).click();
  await expect.poll(async () => (await placeOf(page, 'curve/P5')).x - away.x).toBeCloseTo(0, 0);

  // Dragging the ground moves all of it, as far as the pointer goes.
  const box = (await page.locator('[data-figure]').boundingBox())!;
  const start = await placeOf(page, 'curve/P2');
  await page.mouse.move(box.x + 40, box.y + 60);
  await page.mouse.down();
  await page.mouse.move(box.x + 100, box.y + 90, { steps: 6 });
  await page.mouse.up();
  const moved = await placeOf(page, 'curve/P2');
  expect(moved.x - start.x).toBeCloseTo(60, 0);
  expect(moved.y - start.y).toBeCloseTo(30, 0);
});

test('the figure stays where it is when the first place is set, whatever is drawn', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'A steady hand');
  const heights = (): Promise<number> =>
    page.locator('[data-draw-bar]').evaluate((bar) => (bar as HTMLElement).offsetHeight);
  for (const tool of [/^Curve through points/, /^Arc by ends/, /^Bézier chain/, /^Conic/]) {
    await choose(page, tool);
    const before = await heights();
    await click(page, [[60, 20]]);
    await expect(page.getByRole('button', { name: 'Start again' })).toBeVisible();
    expect(await heights()).toBe(before);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await expect(page.locator('[data-draw-layer]')).toHaveCount(0);
  }
});

test('what is outside its limits is told, and an expression is taken for a radius and a knot', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Limits');
  await choose(page, /^Arc by ends/);
  const radius = page.getByRole('textbox', { name: 'Radius' });
  await radius.fill('-3');
  await expect(radius).toHaveAttribute('aria-invalid', 'true');
  await expect(radius).toHaveAttribute('title', 'A number above 0');
  await radius.fill('30*sqrt(2)');
  await expect(radius).not.toHaveAttribute('aria-busy');
  await expect(radius).not.toHaveAttribute('aria-invalid');
  await click(page, [
    [60, 20],
    [120, 20],
  ]);
  const arc = await lastItem(page);
  expect(arc).toMatchObject({ kind: 'shape', shape: { kind: 'arcRadius', radius: 30 * Math.SQRT2 } });
  await page.getByRole('button', { name: 'Stop drawing' }).click();
  await change(page, 'insertKnot');
  const parameter = page.getByRole('textbox', { name: 'at u =' });
  await parameter.fill('1/');
  await expect(parameter).toHaveAttribute('title', /is not a number or an expression/);
  await page.getByRole('button', { name: 'From the cursor' }).click();
  await expect(parameter).not.toHaveAttribute('aria-invalid');
  await expect(parameter).toHaveValue(/^0\.\d+$/);
  await parameter.fill('1/3');
  await expect(parameter).not.toHaveAttribute('aria-busy');
  await page.getByRole('button', { name: 'Apply' }).click();
  await expect.poll(async () => JSON.stringify((await figure(page)).items)).toContain(String(1 / 3));
});

test('an expression that is still being read when its field is left counts all the same', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Slow to read');
  await page.route('**/assets/*.js', (route) => route.abort());
  await choose(page, /^Arc by ends/);
  await page.getByLabel('Given by').selectOption('bulge');
  const bulge = page.getByRole('textbox', { name: 'Bulge' });
  await bulge.fill('-1/3');
  await expect(bulge).toHaveAttribute('title', /while the server is away; type the number itself/);
  await bulge.fill('-0.25');
  await expect(bulge).not.toHaveAttribute('aria-invalid');
  await page.unroute('**/assets/*.js');
  // What reads expressions comes only after the field was left.
  let comes: () => void = () => undefined;
  const left = new Promise<void>((resolve) => (comes = resolve));
  await page.route('**/assets/*.js', async (route) => {
    await left;
    await route.continue();
  });
  await bulge.fill('-sqrt(4)/4');
  await bulge.blur();
  comes();
  await expect(bulge).toHaveValue('-0.5');
  await bulge.fill('-sqrt(');
  await bulge.blur();
  await expect(bulge).toHaveAttribute('aria-invalid', 'true');
  await expect(bulge).toHaveValue('-sqrt(');
});
