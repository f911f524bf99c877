import { chromium } from '@playwright/test';
import { browserArguments } from './browserArguments.mjs';
import { ensureChromium } from './packages.mjs';

/** Debian's Chromium without a screen. */
export async function startBrowser() {
  return chromium.launch({
    executablePath: await ensureChromium(),
    args: browserArguments,
  });
}
