/** How Debian's Chromium is started without a screen, so that it asks nothing of the outside. */
export const browserArguments = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
