import { expect, handle, joinClass, drag, saved, signIn, test } from '../bogen.js';
import { change, lesson, newLesson } from '../figure.js';
import { violations } from '../violations.js';

const shot = process.env['SHOTS'];

test('stages are captured while one works, follow an earlier one, are mended, and a student steps through them', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Step by step');
  const sheet = async () => (await lesson(page)).sheets[0]!;
  const editor = page.locator('[data-stage-editor]');
  const cards = editor.locator('[data-stage]');

  await test.step('capture makes a stage of every change of shape, with a caption of what was measured', async () => {
    await editor.getByRole('button', { name: 'Capture' }).click();
    await change(page, 'insertKnot');
    await page.getByRole('button', { name: 'Apply' }).click();
    await expect(cards).toHaveCount(2);
    await page.keyboard.press('Escape');
    await expect(editor.getByLabel('Caption of this stage')).toHaveValue(
      /^Knot inserted at u = 0\.\d\d: one span more, shape unchanged$/,
    );
    await drag(page, 'curve/P1', { x: 20, y: -60 });
    await expect(cards).toHaveCount(3);
    await expect(editor.getByLabel('Caption of this stage')).toHaveValue(/moved by .* mm: 2 of 4 spans move/);
    await expect(editor.getByText('Stage 3 of 3')).toBeVisible();
    // How it is shown is no change of shape, and stays with the stage that is seen.
    await page.keyboard.press('k');
    await editor.getByRole('button', { name: 'Capture' }).click();
    await expect
      .poll(async () => (await sheet()).stages.map(({ commands }) => commands.length))
      .toEqual([0, 1, 2]);
  });
  if (shot) await page.screenshot({ path: '/tmp/stages-writer.png' });
  expect(await violations(page)).toEqual([]);

  await test.step('an earlier stage is changed, and the later ones follow', async () => {
    await editor.getByRole('button', { name: 'Stage 1:' }).click();
    await expect(editor.getByText('Stage 1 of 3')).toBeVisible();
    await expect(handle(page, 'curve/P6')).toHaveCount(0);
    await drag(page, 'curve/P5', { x: 0, y: -80 });
    await expect
      .poll(
        async () =>
          ((await sheet()).figure.items[0] as never as { curve: { points: number[][] } }).curve.points[5]![1],
      )
      .toBeGreaterThan(10);
    await editor.getByRole('button', { name: 'Next stage' }).click();
    await expect(handle(page, 'curve/P6')).toBeVisible();
    const { stages } = await sheet();
    expect(stages.every(({ kept }) => kept === undefined)).toBe(true);
  });

  await test.step('one that can’t follow says so, keeps what it showed, and is mended', async () => {
    await editor.getByRole('button', { name: 'Stage 1:' }).click();
    await expect(handle(page, 'curve/P6')).toHaveCount(0);
    await page.getByRole('button', { name: 'Items …' }).click();
    await page.getByRole('button', { name: 'Delete Curve', exact: true }).click();
    await page.keyboard.press('Escape');
    await expect(cards.nth(1)).toContainText('does not follow');
    await editor.getByRole('button', { name: 'Stage 2:' }).click();
    await expect(handle(page, 'curve/P6')).toBeVisible();
    await expect(editor.locator('[data-broken-stage]')).toContainText('no longer follows');
    if (shot) await page.screenshot({ path: '/tmp/stages-broken.png' });
    await editor.getByRole('button', { name: 'Keep what it shows' }).click();
    await expect(editor.locator('[data-broken-stage]')).toHaveCount(0);
    await expect(cards.nth(1)).not.toContainText('does not follow');
    for (let k = 0; k < 2; k++) await page.getByRole('button', { name: 'Undo' }).click();
    await expect(cards.nth(1)).not.toContainText('does not follow');
    await editor.getByRole('button', { name: 'Stage 1:' }).click();
    await expect(handle(page, 'curve/P5')).toBeVisible();
  });

  await test.step('merged, split, and moved, by keyboard too', async () => {
    await editor.getByRole('button', { name: 'Stage 2:' }).click();
    await editor.getByRole('button', { name: 'Change this stage' }).click();
    await page.getByRole('button', { name: 'Merge with the next stage' }).click();
    await expect(cards).toHaveCount(2);
    await editor.getByRole('button', { name: 'Change this stage' }).click();
    const menu = page.locator('[data-stage-menu]');
    await expect(menu.getByRole('listitem')).toHaveCount(3);
    if (shot) await page.screenshot({ path: '/tmp/stages-menu.png' });
    await menu.getByRole('button', { name: 'Begin a new stage with this' }).first().click();
    await page.keyboard.press('Escape');
    await expect(cards).toHaveCount(3);
    await editor.getByLabel('Caption of this stage').fill('A knot comes in');
    await page.keyboard.press('Tab');
    await expect.poll(async () => (await sheet()).stages[1]!.caption).toBe('A knot comes in');
  });

  await page.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
  await expect(page.getByText('Edition 1 is out.')).toBeVisible();

  const { page: student } = await joinClass(await newContext());
  await student.getByRole('link', { name: 'First sheet' }).last().click();
  const strip = student.locator('[data-stages]');
  await test.step('a student steps through, with captions, by keyboard too', async () => {
    await expect(strip).toContainText('Stage 1 of 3');
    await expect(handle(student, 'curve/P5')).toBeVisible();
    await strip.getByRole('button', { name: 'Next stage' }).click();
    await expect(strip).toContainText('A knot comes in');
    await expect(handle(student, 'curve/P6')).toBeVisible();
    await student.keyboard.press('ArrowRight');
    await expect(strip).toContainText('Stage 3 of 3');
    if (shot) await student.screenshot({ path: '/tmp/stages-reader.png' });
    expect(await violations(student)).toEqual([]);
  });

  await test.step('what they do is kept for each stage, and found again', async () => {
    const moved = async () => (await handle(student, 'curve/P1').getAttribute('aria-label'))!;
    // The work on this stage is open.
    await expect(student.getByRole('button', { name: 'Undo' })).toBeVisible();
    const before = await moved();
    await drag(student, 'curve/P1', { x: 0, y: 40 });
    await expect(saved(student)).toBeVisible();
    const after = await moved();
    expect(after).not.toBe(before);
    await strip.getByRole('button', { name: 'Previous stage' }).click();
    await expect(strip).toContainText('Stage 2 of 3');
    await expect.poll(moved).not.toBe(after);
    await strip.getByRole('button', { name: 'Next stage' }).click();
    await expect.poll(moved).toBe(after);
    await student.reload();
    await expect(strip).toContainText('Stage 3 of 3');
    await expect.poll(moved).toBe(after);
    await student.getByRole('button', { name: 'Start over' }).click();
    await expect.poll(moved).toBe(before);
    await student.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(moved).toBe(after);
  });

  await test.step('the way from stage to stage is seen by who wants motion, and by nobody else', async () => {
    const states = async (reducedMotion: 'reduce' | 'no-preference'): Promise<number> => {
      const { page: other } = await joinClass(await newContext({ reducedMotion }));
      await other.getByRole('link', { name: 'First sheet' }).last().click();
      const steps = other.locator('[data-stages]');
      // Each stage's work is opened first, so that none comes while the figure is on its way.
      for (const [step, name] of [
        [1, undefined],
        [2, 'Next stage'],
        [3, 'Next stage'],
        [2, 'Previous stage'],
      ] as const) {
        if (name) await steps.getByRole('button', { name }).click();
        await expect(steps).toContainText(`Stage ${step} of 3`);
        await expect(other.getByRole('button', { name: 'Start over' })).toBeVisible();
      }
      // Every picture of the figure while it goes on to the last stage, frame by frame.
      return other.evaluate(
        (button) =>
          new Promise<number>((resolve) => {
            const pictures = new Set<string>();
            let still = 0;
            const look = (): void => {
              const count = pictures.size;
              const canvases = [...document.querySelectorAll<HTMLCanvasElement>('[data-figure] canvas')];
              pictures.add(canvases.map((canvas) => canvas.toDataURL()).join());
              still = pictures.size > count ? 0 : still + 1;
              if (pictures.size > 1 && still > 30) resolve(pictures.size);
              else requestAnimationFrame(look);
            };
            look();
            (button as HTMLButtonElement).click();
          }),
        await steps.getByRole('button', { name: 'Next stage' }).elementHandle(),
      );
    };
    const [without, withMotion] = [await states('reduce'), await states('no-preference')];
    expect(withMotion).toBeGreaterThan(without);
  });
});
