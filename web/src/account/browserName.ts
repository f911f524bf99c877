/** Parts of what browsers say of themselves, the more particular first: most name others besides themselves. */
const browsers: readonly (readonly [RegExp, string])[] = [
  [/\bEdg(e|A|iOS)?\//, 'Edge'],
  [/\bOPR\//, 'Opera'],
  [/\bSamsungBrowser\//, 'Samsung Internet'],
  [/\b(Firefox|FxiOS)\//, 'Firefox'],
  [/(Chrome|Chromium|CriOS)\//, 'Chrome'],
  [/\bSafari\//, 'Safari'],
];
const systems: readonly (readonly [RegExp, string])[] = [
  [/\bAndroid\b/, 'Android'],
  [/\b(iPhone|iPad)\b/, 'iOS'],
  [/\bCrOS\b/, 'ChromeOS'],
  [/\bWindows\b/, 'Windows'],
  [/\bMac OS X\b/, 'macOS'],
  [/\bLinux\b/, 'Linux'],
];

/** Which browser and system it is, as far as it says; enough to know one's own. */
export function browserName(said: string): { browser: string; system: string } | undefined {
  const first = (list: typeof browsers): string | undefined => list.find(([sign]) => sign.test(said))?.[1];
  const [browser, system] = [first(browsers), first(systems)];
  return browser && system ? { browser, system } : undefined;
}
