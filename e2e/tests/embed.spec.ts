import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, signIn, test } from '../bogen.js';

test('a sheet that is opened for it is shown within another page, and no other', async ({
  newContext,
  bogen,
}) => {
  const page = await signIn(await newContext());
  await page.getByRole('button', { name: 'What to do with the lesson Near and far', exact: true }).click();
  await page.getByRole('button', { name: 'Show sheets within other pages' }).click();
  const row = page.locator('[data-embedding]', { hasText: 'A control point acts near' });
  await row.getByRole('checkbox').click();
  const code = row.getByRole('textbox');
  await expect(code).toHaveValue(/^<iframe src="/);
  await row.getByRole('button', { name: 'Copy' }).click();
  await expect(row.getByRole('button', { name: 'Copied' })).toBeVisible();
  const frameCode = await code.inputValue();
  const address = /src="([^"]+)"/.exec(frameCode)![1]!;

  // The page of somebody else, in dark.
  const host = createServer((_request, response) => {
    response.setHeader('Content-Type', 'text/html');
    response.end(
      `<!doctype html><html><head><style>:root { color-scheme: dark }</style></head><body><h1>Our viols</h1>${frameCode}</body></html>`,
    );
  });
  await new Promise<void>((go) => host.listen(0, '127.0.0.1', go));
  const guests = await newContext();
  // As a private window refuses every page within another one to keep something.
  await guests.addInitScript(() => {
    if (window.parent === window) return;
    for (const name of ['localStorage', 'indexedDB'])
      Object.defineProperty(window, name, {
        configurable: true,
        get: () => {
          throw new DOMException('Access is denied for this document.', 'SecurityError');
        },
      });
  });
  const guest = await guests.newPage();
  await guest.goto(`http://127.0.0.1:${(host.address() as AddressInfo).port}/`);
  const frame = guest.frameLocator('iframe');
  await expect(frame.getByRole('heading', { name: 'A control point acts near' })).toBeVisible();
  // The test's browser prefers something itself, whatever the page around a frame shows.
  await guest.emulateMedia({ colorScheme: 'dark' });
  await expect(frame.locator('html')).toHaveAttribute('data-theme', 'dark');
  await guest.emulateMedia({ colorScheme: 'light' });
  await expect(frame.locator('html')).toHaveAttribute('data-theme', 'light');
  const point = frame.locator('[data-handle="waist/P4"]');
  const label = await point.getAttribute('aria-label');
  await point.focus();
  await guest.keyboard.press('ArrowUp');
  await expect(point).not.toHaveAttribute('aria-label', label!);
  await expect(frame.locator('[data-save="saved"]')).toBeVisible();
  await expect(frame.getByRole('link', { name: 'Lines of a viol' })).toHaveCount(0);

  // A browser in a private window keeps nothing for the pages within others, which is told.
  await expect(frame.locator('[data-not-kept]')).toContainText('only until this page is closed');
  const alone = await guests.newPage();
  await alone.goto(address);
  await expect(alone.locator('[data-handle="waist/P4"]')).toBeVisible();
  await expect(alone.locator('[data-not-kept]')).toHaveCount(0);

  // A browser that prefers nothing itself shows a frame in what the page around it is in.
  const follower = await (await newContext({ colorScheme: null })).newPage();
  await follower.goto(guest.url());
  await expect(follower.frameLocator('iframe').locator('html')).toHaveAttribute('data-theme', 'dark');

  // Nothing else lets itself be shown there.
  const policyOf = async (path: string): Promise<string> =>
    (await page.request.get(path)).headers()['content-security-policy']!;
  expect(await policyOf(address)).toContain('frame-ancestors *');
  expect(await policyOf(`${bogen.url}/shelf`)).toContain("frame-ancestors 'none'");
  expect(await policyOf(`${bogen.url}/embed/00000000-0000-4000-8000-000000000000`)).toContain(
    "frame-ancestors 'none'",
  );

  await row.getByRole('checkbox').click();
  await expect(code).toHaveCount(0);
  expect(await policyOf(address)).toContain("frame-ancestors 'none'");
  const later = await guests.newPage();
  await later.goto(address);
  await expect(later.getByText('This sheet is not open for other pages, or not any more.')).toBeVisible();
  host.close();
});
