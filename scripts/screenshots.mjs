import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { buildWeb } from './build.mjs';
import { freePort, startThrowAwayCluster } from './cluster.mjs';
import { ensureNodePackages, ensurePostgres, root } from './packages.mjs';
import { run } from './say.mjs';
import { startServer } from './server.mjs';

/** Takes a picture of every main view, from the demo data, into docs/screenshots or the folder given. */
await run(async () => {
  await ensureNodePackages();
  const { startBrowser } = await import('./browser.mjs');
  await buildWeb();
  const folder = process.argv[2] ?? join(root, 'docs', 'screenshots');
  mkdirSync(folder, { recursive: true });
  const cluster = await startThrowAwayCluster(await ensurePostgres());
  const port = await freePort();
  const server = await startServer({ url: cluster.url, port, demo: true });
  const browser = await startBrowser();
  try {
    const address = `http://localhost:${port}`;
    const open = async (colorScheme = 'light') => {
      const context = await browser.newContext({
        viewport: { width: 1280, height: 800 },
        baseURL: address,
        colorScheme,
      });
      const page = await context.newPage();
      page.on(
        'console',
        (message) => message.type() === 'error' && console.log(`console: ${message.text()}`),
      );
      page.on('pageerror', (error) => console.log(`page error: ${error.message}`));
      return page;
    };
    const shoot = async (page, name) => {
      await page.waitForTimeout(500);
      await page.screenshot({ path: join(folder, `${name}.png`) });
      console.log(name);
    };

    const teacher = await open();
    await teacher.goto('/sign-in');
    // The first drawing of a new browser takes longer.
    await teacher.waitForTimeout(1500);
    await teacher.getByLabel('Address').fill('mirela@ellerbrook.example');
    await teacher.getByLabel('Password').fill('peg-rib-and-purfling');
    await teacher.getByRole('button', { name: 'Sign in' }).click();
    await teacher.getByRole('heading', { name: 'Shelf' }).waitFor();
    await shoot(teacher, 'shelf');
    await teacher.getByRole('link', { name: 'Class desk' }).click();
    await teacher
      .locator('label', { hasText: /^Lesson/ })
      .locator('select')
      .selectOption({ label: 'Near and far' });
    await teacher.getByRole('table').first().waitFor();
    await shoot(teacher, 'desk');
    await teacher.getByRole('link', { name: /Catrin Vale, An edit point/ }).click();
    await teacher.locator('[data-rail]').waitFor();
    await shoot(teacher, 'student-work');
    await teacher.goto('/shelf');
    await teacher.getByRole('link', { name: /Open Near and far/ }).click();
    await teacher.locator('.tiptap').waitFor();
    await teacher.getByRole('link', { name: /The same points/ }).click();
    await teacher.locator('.tiptap').waitFor();
    await shoot(teacher, 'writer');
    await teacher.getByRole('button', { name: 'Change …' }).click();
    await teacher.locator('[data-choose="lowerDegree"]').click();
    await shoot(teacher, 'writer-change');
    await teacher.getByRole('button', { name: 'All changes' }).click();
    await teacher.locator('[data-choose="insertKnot"]').click();
    await teacher.locator('[data-change-panel] [data-unfold]').click();
    const lines = teacher.locator('[data-calculation] [data-step="newPoint"]');
    await lines.first().locator('.katex').waitFor();
    await lines.first().hover();
    await shoot(teacher, 'writer-unfolded');
    await teacher.getByRole('button', { name: 'Close', exact: true }).click();
    await teacher.getByRole('button', { name: 'Take apart …' }).click();
    await teacher.locator('[data-apart-slider]').fill('80');
    await shoot(teacher, 'writer-apart');
    await teacher.getByRole('button', { name: 'Close', exact: true }).click();
    await teacher.getByRole('button', { name: 'Compare …' }).click();
    await teacher.getByLabel('With').selectOption({ index: 1 });
    await teacher.getByLabel('Show the deviation along the curve').check();
    await teacher.getByLabel('Deviation as a track on the rail').check();
    await teacher.locator('[data-largest-distance]').waitFor();
    await shoot(teacher, 'writer-compare');
    await teacher.getByRole('button', { name: 'Close', exact: true }).click();
    await teacher.keyboard.press('m');
    await teacher.keyboard.press('Control+a');
    await teacher.getByRole('button', { name: 'Move, scale, turn …' }).click();
    await teacher.getByLabel('How').selectOption('turn');
    await teacher.getByLabel('Angle, °').fill('12');
    await teacher.getByRole('button', { name: 'Close', exact: true }).click();
    await teacher.keyboard.press('Escape');
    await teacher.getByRole('button', { name: 'Draw …' }).click();
    await teacher.getByRole('button', { name: /^Curve through points/ }).click();
    const layer = await teacher.locator('[data-draw-layer]').boundingBox();
    for (const [x, y] of [
      [0.15, 0.25],
      [0.35, 0.12],
      [0.6, 0.3],
    ]) {
      await teacher.mouse.click(layer.x + layer.width * x, layer.y + layer.height * y);
    }
    await teacher.mouse.move(layer.x + layer.width * 0.82, layer.y + layer.height * 0.16);
    await shoot(teacher, 'writer-draw');
    await teacher.keyboard.press('Escape');
    await teacher.keyboard.press('Escape');
    await teacher.getByRole('button', { name: 'Add sheet' }).click();
    await teacher.locator('[data-start="takingApart"]').click();
    await teacher.locator('[data-stage]').nth(2).getByRole('button').click();
    await teacher.locator('[data-tried]').waitFor();
    await teacher.waitForTimeout(800);
    await shoot(teacher, 'writer-stages');

    // A stage in which a control point is higher, to be predicted, presented, and taken to the bench.
    await teacher.getByRole('link', { name: /A control point acts near/ }).click();
    await teacher.locator('[data-handle="waist/P4"]').waitFor();
    const dragOf = async (page, name, by) => {
      const at = await page.locator(`[data-handle="${name}"]`).evaluate((element) => {
        const matrix = element.getScreenCTM();
        return { x: matrix.e, y: matrix.f };
      });
      await page.mouse.move(at.x, at.y);
      await page.mouse.down();
      await page.mouse.move(at.x + by.x, at.y + by.y, { steps: 8 });
      await page.mouse.up();
    };
    await teacher.getByRole('button', { name: 'Capture' }).click();
    await dragOf(teacher, 'waist/P4', { x: 20, y: -70 });
    await teacher.getByRole('button', { name: 'Capture' }).click();
    await teacher.getByRole('button', { name: 'Change this stage' }).click();
    await teacher.getByRole('button', { name: 'Let students predict this change' }).click();
    const editor = teacher.locator('[data-task-editor="prediction"]');
    await editor.getByLabel('What the reader is asked').fill('P4 goes up. What else moves?');
    await editor.getByRole('button', { name: 'Ask for something more' }).click();
    await teacher.locator('[data-pick-list]').getByRole('button', { name: 'Where will Waist run?' }).click();
    await teacher.getByRole('link', { name: 'See as a student' }).click();
    const task = teacher.locator('[data-task]').filter({ hasText: 'P4 goes up' });
    await task.getByRole('button', { name: '0.286 to 0.429' }).click();
    await task.getByRole('button', { name: '0.429 to 0.571' }).click();
    await task.getByRole('button', { name: 'Draw', exact: true }).click();
    const paper = await teacher.locator('[data-drawing]').boundingBox();
    const along = [0.03, 0.1, 0.18, 0.26, 0.36, 0.46, 0.56, 0.66, 0.78, 0.94];
    const height = [0.5, 0.42, 0.46, 0.6, 0.66, 0.6, 0.62, 0.5, 0.34, 0.32];
    await teacher.mouse.move(paper.x + paper.width * along[0], paper.y + paper.height * height[0]);
    await teacher.mouse.down();
    for (const [k, x] of along.entries())
      await teacher.mouse.move(paper.x + paper.width * x, paper.y + paper.height * height[k], { steps: 6 });
    await teacher.mouse.up();
    await task.getByRole('button', { name: 'Show what happens' }).click();
    await teacher.waitForTimeout(700);
    await shoot(teacher, 'reader-prediction');
    await teacher.getByRole('link', { name: /Back to writing/ }).click();
    await teacher.getByRole('link', { name: 'Present', exact: true }).click();
    await teacher.locator('[data-present] [data-handle="waist/P4"]').waitFor();
    await teacher.keyboard.press('ArrowRight');
    await teacher.waitForTimeout(700);
    await shoot(teacher, 'present');
    await teacher.keyboard.press('Escape');
    await teacher.getByRole('button', { name: 'To the bench' }).click();
    await teacher.getByRole('button', { name: 'Make a sheet of it' }).waitFor();
    await teacher.locator('[data-handle="waist/P4"]').waitFor();
    await shoot(teacher, 'bench');

    const student = await open();
    await student.goto('/join');
    await student.getByLabel('Class code').fill('BOUT-7K4M');
    await student.getByLabel('Your name').fill('Mattis Roe');
    await student.getByRole('button', { name: 'Join the class' }).click();
    await student.getByRole('button', { name: 'Go to the lessons' }).click();
    await student.getByRole('heading', { name: 'Lessons' }).waitFor();
    await shoot(student, 'class');
    await student.getByRole('link', { name: 'A control point acts near' }).click();
    await student.getByRole('link', { name: /Next sheet/ }).click();
    await student.locator('[data-handle="waist/E4"]').waitFor();
    const place = await student.locator('[data-handle="waist/E4"]').evaluate((element) => {
      const matrix = element.getScreenCTM();
      return { x: matrix.e, y: matrix.f };
    });
    await student.mouse.move(place.x, place.y);
    await student.mouse.down();
    await student.mouse.move(place.x + 18, place.y + 22, { steps: 8 });
    await student.mouse.up();
    await shoot(student, 'reader-far');
    // The strongest sheets of the course: one drawn over a picture, one in the dark.
    await student.goto('/class');
    await student.getByRole('link', { name: 'Draw it over' }).click();
    await student.locator('[data-handle="half/P1"]').waitFor();
    await dragOf(student, 'half/P1', { x: 98, y: 70 });
    await dragOf(student, 'half/P2', { x: 132, y: 84 });
    await student.getByRole('button', { name: 'Check' }).click();
    await shoot(student, 'course-section');
    await student.goto('/class');
    await student.getByRole('link', { name: 'What a circle takes' }).click();
    await student.locator('[data-rail]').waitFor();
    await student.getByText('Go to stage 3').click();
    await shoot(student, 'course-round');
    await student.goto('/class');
    await student.getByRole('link', { name: 'One stroke, too many points' }).click();
    await student.locator('[data-rail]').waitFor();
    await student.getByRole('button', { name: 'Numbers of Stroke …' }).click();
    await student.getByRole('slider', { name: 'Tolerance' }).fill('100');
    await student.keyboard.press('Tab');
    await student.waitForTimeout(800);
    await shoot(student, 'course-stroke');
    await student.goto('/class');
    await student.getByRole('link', { name: 'A point by halves' }).click();
    await student.locator('[data-rail]').waitFor();
    await student.getByRole('button', { name: 'Dark theme' }).click();
    await shoot(student, 'course-halves-dark');
  } finally {
    await browser.close();
    await server.stop();
    await cluster.discard();
  }
});
