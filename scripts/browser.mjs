import { chromium } from '@playwright/test';
import { ensureChromium } from './packages.mjs';

/** Debian's Chromium without a screen, started so that it asks nothing of the outside. */
export async function startBrowser() {
  return chromium.launch({
    executablePath: await ensureChromium(),
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  });
}
