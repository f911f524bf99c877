import { drag, expect, handle, joinClass, saved, signIn, test } from '../bogen.js';
import { lesson, newLesson } from '../figure.js';
import { violations } from '../violations.js';

const shot = process.env['SHOTS'];

test('numbers of the figure stand in the text and follow it, and words of the text light up what they mean', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Words and numbers');
  const text = page.getByRole('textbox', { name: 'Text of the sheet' });
  const prose = async () => JSON.stringify((await lesson(page)).sheets[0]!.prose);
  await text.click();
  await page.keyboard.type('This curve has ');
  const list = page.locator('[data-pick-list]');

  await test.step('a fact is found by typing', async () => {
    await page.getByRole('button', { name: 'Live value' }).click();
    await list.getByLabel('Find').fill('spans of');
    await page.keyboard.press('Enter');
    await expect(text.locator('[data-live-value="fact"]')).toHaveText('3');
    await page.keyboard.type(' spans, and its second point stands at ');
  });

  await test.step('a coordinate is picked by pointing at its point in the figure', async () => {
    await page.getByRole('button', { name: 'Live value' }).click();
    await handle(page, 'curve/P1').hover();
    await expect(list.locator('li').first()).toContainText('P1');
    await list.getByRole('button', { name: 'y of P1, Curve' }).click();
    const value = text.locator('[data-live-value="coordinate"]');
    await expect(value).toHaveText('70.00 mm');
    await drag(page, 'curve/P1', { x: 0, y: 30 }, false);
    // It follows while the hand still holds the point.
    await expect(value).not.toHaveText('70.00 mm');
    await page.mouse.up();
  });

  await test.step('its digits are chosen', async () => {
    await text.locator('[data-live-field]').nth(1).click();
    await page.getByLabel('Digits').selectOption('0');
    await page.keyboard.press('Escape');
    await expect(text.locator('[data-live-value="coordinate"]')).toHaveText(/^\d\d mm$/);
  });

  await test.step('a knot is picked on the rail, and a fact below the figure', async () => {
    await text.focus();
    await page.keyboard.press('Control+End');
    await page.getByRole('button', { name: 'Live value' }).click();
    const knot = (await page.locator('[data-knot="1"]').boundingBox())!;
    await page.mouse.move(knot.x + knot.width / 2 + 3, knot.y + 20, { steps: 2 });
    await expect(page.locator('[data-picked-measure]')).toHaveText('Knot u4 of Curve: 0.333');
    if (shot) await page.screenshot({ path: '/tmp/pick-on-screen.png' });
    await page.mouse.down();
    await page.mouse.up();
    await expect(list).toHaveCount(0);
    await expect(text.locator('[data-live-value="knot"]')).toHaveText('0.333');
    await page.getByRole('button', { name: 'Live value' }).click();
    const length = (await page.locator('[data-fact="length"]').boundingBox())!;
    await page.mouse.click(length.x + length.width / 2, length.y + length.height / 2);
    await expect(text.locator('[data-live-value="fact"]')).toHaveCount(2);
    await expect(text).toBeFocused();
  });

  await test.step('words are selected and point at a span; others lead to an address that may be followed', async () => {
    await text.click();
    await page.keyboard.press('Control+End');
    await page.keyboard.type('. Look at the middle');
    for (let k = 0; k < 6; k++) await page.keyboard.press('Shift+ArrowLeft');
    await page.getByRole('button', { name: 'Pointing words' }).click();
    await list.getByLabel('Find').fill('span 2');
    await list.getByRole('button', { name: 'Span 2 of Curve' }).click();
    await expect(text.locator('[data-pointing]')).toHaveText('middle');
    // The list has closed and given the focus back.
    await expect(text).toBeFocused();
    // The same words mean something more, and no longer, and again; the same thing counts once.
    const more = page.getByRole('button', { name: 'Let these words point at something more' });
    for (const what of ['P3 of Curve', 'P3 of Curve']) {
      await more.click();
      await list.getByLabel('Find').fill(what);
      await list.getByRole('button', { name: what }).click();
      await expect(text).toBeFocused();
    }
    await expect
      .poll(async () => JSON.stringify((await lesson(page)).sheets[0]!.prose))
      .toMatch(/"targets":\[\{[^\]]*"span"[^\]]*\},\{[^\]]*"controlPoint"[^\]]*\}\]/);
    await page.keyboard.press('Control+End');
    await page.keyboard.type(' or elsewhere');
    for (let k = 0; k < 9; k++) await page.keyboard.press('Shift+ArrowLeft');
    await page.getByRole('button', { name: 'Link' }).click();
    await page.getByLabel('Address').fill('javascript:alert(1)');
    await page.getByRole('button', { name: 'Set link' }).click();
    await expect(page.getByRole('alert')).toContainText('can’t be followed');
    await page.getByLabel('Address').fill('https://ellerbrook.example/viol');
    await page.getByRole('button', { name: 'Set link' }).click();
    await expect(text.locator('a')).toHaveText('elsewhere');
    await page.getByLabel('Callout').selectOption({ label: 'Try' });
    await expect(text.locator('[data-callout="try"]')).toBeVisible();
    // The list of callouts has given the focus back; what is pressed before that would leave the words selected.
    await expect(text).toBeFocused();
  });
  if (shot) await page.screenshot({ path: '/tmp/prose-writer.png' });
  expect(await violations(page)).toEqual([]);

  await test.step('what is pasted from elsewhere is cleaned to what prose allows', async () => {
    await page.keyboard.press('Control+End');
    await text.evaluate((element) => {
      const data = new DataTransfer();
      data.setData(
        'text/html',
        `<p class="MsoNormal" style="color:red" onclick="alert(1)">Pasted <b>bold</b>
         <a href="javascript:alert(2)">bad</a> <a href="https://ellerbrook.example/">good</a>
         <img src="https://evil.example/x.png" onerror="alert(3)"><script>alert(4)</script>
         <span data-live data-measure='{"of":"__proto__"}'>x</span><iframe src="https://evil.example"></iframe></p>`,
      );
      element.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    });
    await expect(text).toContainText('Pasted bold');
    const html = await text.innerHTML();
    expect(html).not.toMatch(
      /javascript:|onclick|onerror|<script|<iframe|<img [^>]*evil|MsoNormal|color:\s*red/,
    );
    await expect.poll(prose).toContain('Pasted');
    expect(await prose()).not.toMatch(/javascript|evil/);
  });

  await page.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
  await expect(page.getByText('Edition 1 is out.')).toBeVisible();
  const { page: student } = await joinClass(await newContext());
  await student
    .getByRole('listitem')
    .filter({ hasText: 'Words and numbers' })
    .getByRole('link')
    .first()
    .click();
  await test.step('a student reads it: numbers follow their own figure, and words light it up', async () => {
    const value = student.locator('[data-live-value="coordinate"]');
    await expect(value).toHaveText(/^\d\d mm$/);
    const before = await value.innerText();
    await expect(student.getByRole('button', { name: 'Undo' })).toBeVisible();
    await drag(student, 'curve/P1', { x: 0, y: -50 });
    await expect(value).not.toHaveText(before);
    await expect(saved(student)).toBeVisible();
    await student.locator('[data-pointing]').hover();
    if (shot) await student.screenshot({ path: '/tmp/prose-reader.png' });
    await expect(student.getByRole('link', { name: 'elsewhere' })).toHaveAttribute('rel', /noopener/);
    expect(await violations(student)).toEqual([]);
  });
});

test('a small table is made and changed, pasted and read; symbols are pressed by those who know no TeX', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'Rows and symbols');
  const text = page.getByRole('textbox', { name: 'Text of the sheet' });
  await text.click();
  await page.getByRole('button', { name: 'Table', exact: true }).click();
  await expect(text.locator('table tr')).toHaveCount(3);
  await page.keyboard.type('degree');
  await page.keyboard.press('Tab');
  await page.keyboard.type('points');
  await page.keyboard.press('Tab');
  await page.keyboard.type('knots');
  const change = async (what: string): Promise<void> => {
    await page.getByRole('button', { name: 'Change the table' }).click();
    await page.locator('[data-table-tools]').getByRole('button', { name: what }).click();
  };
  await change('Row below');
  await expect(text.locator('table tr')).toHaveCount(4);
  await change('Take this column away');
  await expect(text.locator('table th')).toHaveCount(2);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(text.locator('table th')).toHaveCount(3);
  expect(await violations(page)).toEqual([]);

  await test.step('from elsewhere it comes without what it was dressed in', async () => {
    await text.click();
    await page.keyboard.press('Control+End');
    await text.evaluate((element) => {
      const data = new DataTransfer();
      data.setData(
        'text/html',
        '<table style="color:red" onclick="alert(1)"><tr><td colspan="2" bgcolor="red">wide</td></tr><tr><td colspan="9999">a<script>alert(2)</script></td><td>b</td></tr></table>',
      );
      element.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    });
    await expect(text.locator('table')).toHaveCount(2);
    await expect(text.locator('td[colspan="2"]')).toHaveText('wide');
    await expect(text.locator('[style*="red"], [onclick], script')).toHaveCount(0);
  });

  await test.step('a formula of pressed symbols', async () => {
    await text.click();
    await page.keyboard.press('Control+End');
    await page.getByRole('button', { name: 'Formula', exact: true }).click();
    const palette = page.locator('[data-symbols]');
    await palette.getByRole('button', { name: 'C(u)', exact: true }).click();
    await page.keyboard.type(' = ');
    await palette.getByRole('button', { name: '\\sum_{i=0}^{n}' }).click();
    await palette.getByRole('button', { name: 'N_{i,p}(u)' }).click();
    await palette.getByRole('button', { name: 'P_i' }).click();
    const field = page.getByRole('textbox', { name: 'Formula' });
    await expect(field).toHaveValue('C(u) = \\sum_{i=0}^{n}N_{i,p}(u)P_i');
    if (shot) await page.screenshot({ path: '/tmp/formula.png' });
    expect(await violations(page)).toEqual([]);
    await page.getByRole('button', { name: 'Set formula' }).click();
    await expect(text.locator('.katex').first()).toBeVisible();
  });
  if (shot) await page.screenshot({ path: '/tmp/table.png' });
  await expect(saved(page)).toBeVisible();
  await page.getByRole('link', { name: 'See as a student' }).click();
  await expect(page.locator('.prose-text table')).toHaveCount(2);
  await expect(page.locator('.prose-text th').first()).toHaveText('degree');
});

test('a value is set in the text: the figure follows in the hand, and readers may do it', async ({
  newContext,
}) => {
  const page = await signIn(await newContext());
  await newLesson(page, 'To be pulled');
  const text = page.getByRole('textbox', { name: 'Text of the sheet' });
  await text.click();
  await page.keyboard.type('Pull the weight: ');
  const list = page.locator('[data-pick-list]');
  const control = async (find: string): Promise<void> => {
    await page.getByRole('button', { name: 'Live control', exact: true }).first().click();
    await list.getByLabel('Find').fill(find);
    await page.keyboard.press('Enter');
  };
  await control('weight of P2');
  await expect(text.locator('[data-live-control="weight"] output')).toHaveText('1.000');
  await expect(text).toBeFocused();
  await page.keyboard.type(' and the degree ');
  await control('degree of');
  await expect(text.locator('[data-live-control="degree"] output')).toHaveText('3');
  await expect(page.locator('[data-stage-editor]')).toContainText('set the weights of P2 of Curve');
  await expect(page.locator('[data-stage-editor]')).toContainText('set the degree of Curve from 1 to 5');
  const slider = (kind: string, of = page) => of.locator(`[data-live-control="${kind}"] input`);
  await slider('weight').focus();
  for (let k = 0; k < 20; k++) await page.keyboard.press('ArrowRight');
  const weights = async () =>
    ((await lesson(page)).sheets[0]!.figure.items[0] as never as { curve: { weights?: number[] } }).curve
      .weights;
  await expect.poll(async () => (await weights())?.[2] ?? 1).toBeGreaterThan(1.1);
  expect(await violations(page)).toEqual([]);
  if (shot) await page.screenshot({ path: '/tmp/live-control.png' });
  await expect(saved(page)).toBeVisible();
  await page.getByRole('button', { name: 'Publish' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click();
  await expect(page.getByText('Edition 1 is out.')).toBeVisible();

  const { page: student } = await joinClass(await newContext());
  await student.getByRole('link', { name: 'First sheet' }).last().click();
  await expect(student.locator('[data-live-control="degree"] output')).toHaveText('3');
  await slider('degree', student).focus();
  await student.keyboard.press('ArrowRight');
  await expect(student.locator('[data-live-control="degree"] output')).toHaveText('4');
  await expect(saved(student)).toBeVisible();
  await expect(student.locator('[data-facts]')).toContainText('degree 4');
  await student.getByRole('button', { name: 'Undo' }).click();
  await expect(student.locator('[data-live-control="degree"] output')).toHaveText('3');
});
