import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

const css = readFileSync(new URL('../src/theme/theme.css', import.meta.url), 'utf8');

type Color = [number, number, number];

function tokens(selector: string): Record<string, Color> {
  const block = css.slice(css.indexOf(`${selector} {`));
  const body = block.slice(0, block.indexOf('}'));
  return Object.fromEntries(
    [...body.matchAll(/--([\w-]+): #([0-9a-f]{6})/g)].map(([, name, hex]) => [
      name!,
      [0, 2, 4].map((at) => parseInt(hex!.slice(at, at + 2), 16) / 255).map(linear) as Color,
    ]),
  );
}

const linear = (value: number): number =>
  value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
const luminance = ([r, g, b]: Color): number => 0.2126 * r + 0.7152 * g + 0.0722 * b;
const contrast = (a: Color, b: Color): number => {
  const [low, high] = [luminance(a), luminance(b)].sort((x, y) => x - y) as [number, number];
  return (high + 0.05) / (low + 0.05);
};

/** Linear colours as they are seen without one kind of cone (Viénot, Brettel & Mollon 1999). */
const simulations: Record<string, (color: Color) => Color> = {
  full: (color) => color,
  deuteranopia: ([r, g, b]) => [
    0.29275 * r + 0.70725 * g,
    0.29275 * r + 0.70725 * g,
    -0.02234 * r + 0.02234 * g + b,
  ],
  protanopia: ([r, g, b]) => [
    0.11238 * r + 0.88762 * g,
    0.11238 * r + 0.88762 * g,
    0.00401 * r - 0.00401 * g + b,
  ],
};

/** CIE L*a*b* of a linear colour. */
function lab([r, g, b]: Color): Color {
  const xyz = [
    (0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.9505,
    0.2126 * r + 0.7152 * g + 0.0722 * b,
    (0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.089,
  ].map((value) => (value > 0.008856 ? Math.cbrt(value) : 7.787 * value + 16 / 116)) as Color;
  return [116 * xyz[1] - 16, 500 * (xyz[0] - xyz[1]), 200 * (xyz[1] - xyz[2])];
}

describe.each([
  ['light', ':root'],
  ['dark', ":root[data-theme='dark']"],
])('the %s theme', (_, selector) => {
  const color = tokens(selector);
  const spans = [1, 2, 3, 4, 5, 6].map((number) => color[`span-${number}`]!);
  const neighbours = spans.map((span, index) => [index + 1, span, spans[(index + 1) % 6]!] as const);

  it.each(['ink', 'ink-soft', 'accent', 'good', 'bad'])('has readable %s on every ground', (name) => {
    for (const ground of ['paper', 'sheet', 'tint']) {
      expect(contrast(color[name]!, color[ground]!), `${name} on ${ground}`).toBeGreaterThanOrEqual(4.5);
    }
  });
  it('has readable text on the accent', () => {
    expect(contrast(color['on-accent']!, color['accent']!)).toBeGreaterThanOrEqual(4.5);
  });
  it('has spans that stand out from the sheet', () => {
    for (const span of spans) expect(contrast(span, color['sheet']!)).toBeGreaterThanOrEqual(3);
  });
  it.each(Object.keys(simulations))('tells neighbouring spans apart in %s vision', (kind) => {
    for (const [number, a, b] of neighbours) {
      const [p, q] = [a, b].map((value) => lab(simulations[kind]!(value))) as [Color, Color];
      expect(
        Math.hypot(p[0] - q[0], p[1] - q[1], p[2] - q[2]),
        `span ${number} and the next`,
      ).toBeGreaterThanOrEqual(20);
    }
  });
  it('tells neighbouring spans apart in grey print', () => {
    for (const [number, a, b] of neighbours) {
      expect(Math.abs(lab(a)[0] - lab(b)[0]), `span ${number} and the next`).toBeGreaterThanOrEqual(8);
    }
  });
});
