import { toldByServer } from '@bogen/contract';
import { generate, parse, walk, type CssNode } from 'css-tree';
import { SaxesParser } from 'saxes';
import { HttpProblem } from '../http/problem.js';

/** What an SVG may be made of, so that no picture takes more to read or to draw than is meant for one. */
const limits = { elements: 40_000, depth: 60, attributes: 100, drawn: 100_000, signs: 4_000_000 };

/** The elements that draw, and what they draw with. Everything else goes, with all that is in it. */
const elements = new Set(
  `svg g defs symbol use path rect circle ellipse line polyline polygon text tspan textPath title desc clipPath mask
  pattern marker linearGradient radialGradient stop image style`.split(/\s+/),
);
/** These go themselves, and what is in them stays. */
const unwrapped = new Set(['a', 'switch']);

/** Properties of drawing, as attributes and in style declarations alike. */
const properties = new Set(
  `clip-path clip-rule color color-interpolation display dominant-baseline fill fill-opacity fill-rule font-family
  font-size font-style font-variant font-weight letter-spacing marker marker-end marker-mid marker-start mask
  mix-blend-mode opacity overflow paint-order shape-rendering stop-color stop-opacity stroke stroke-dasharray
  stroke-dashoffset stroke-linecap stroke-linejoin stroke-miterlimit stroke-opacity stroke-width text-anchor
  text-decoration text-rendering transform transform-origin vector-effect visibility word-spacing`.split(
    /\s+/,
  ),
);
/** What else an element may have: where it is, how large, and its name. */
const attributes = new Set(
  `id class d x y x1 y1 x2 y2 cx cy r rx ry fx fy dx dy width height points viewBox preserveAspectRatio transform rotate
  textLength lengthAdjust pathLength startOffset method spacing offset gradientUnits gradientTransform spreadMethod
  patternUnits patternContentUnits patternTransform clipPathUnits maskUnits maskContentUnits markerUnits markerWidth
  markerHeight refX refY orient version`.split(/\s+/),
);
/** Functions in values that calculate or name a colour; `url` is looked at by itself. */
const functions = new Set(
  `rgb rgba hsl hsla translate translatex translatey scale scalex scaley rotate skewx skewy matrix`.split(
    /\s+/,
  ),
);

/** A cleaned SVG: its text, and what it says of its size. */
export interface CleanSvg {
  /** Everything inside the outermost element, and that element's attributes. */
  readonly inside: string;
  readonly attributes: Readonly<Record<string, string>>;
}

/**
 * Keeps of an SVG what draws, by lists of elements, attributes and style properties: no scripts, no events, nothing
 * from elsewhere. Values are read as a browser reads them, escapes among them, before they are judged. It is read from
 * its beginning to its end once, and never held as a tree.
 * @throws HttpProblem `refused` where it is not well-formed or takes too much to draw
 */
export function cleanSvg(text: string): CleanSvg {
  const parser = new SaxesParser();
  const out: string[] = [];
  let signs = 0;
  /** @param unread signs of it that are an image's own */
  const write = (piece: string, unread = 0): void => {
    signs += piece.length - unread;
    if (signs > limits.signs) throw tooDetailed();
    out.push(piece);
  };
  const cost = new Cost();
  let root: Record<string, string> | undefined;
  /** How deep below something that goes one is; 0 is outside. */
  let gone = 0;
  let count = 0;
  let styles: string[] | undefined;
  const open: string[] = [];
  let given: Record<string, string> = {};
  let attributeCount = 0;
  parser.on('error', () => {
    throw new HttpProblem('refused', toldByServer('pictureDamaged'));
  });
  parser.on('attribute', ({ name, value }) => {
    if (++attributeCount > limits.attributes) throw tooDetailed();
    if (gone === 0) given[name] = value;
  });
  parser.on('opentag', ({ name: full }) => {
    const own = given;
    given = {};
    attributeCount = 0;
    if (++count > limits.elements || open.length >= limits.depth) throw tooDetailed();
    const name = full.replace(/^svg:/, '');
    open.push(name);
    if (gone > 0 || (!elements.has(name) && !unwrapped.has(name)) || (open.length === 1 && name !== 'svg')) {
      gone++;
      return;
    }
    if (unwrapped.has(name)) return;
    const kept = keptAttributes(name, own);
    cost.begins(kept['id'], referencesOf(kept));
    if (open.length === 1) root = kept;
    else if (name === 'style') styles = [];
    else {
      const written = Object.entries(kept).map(([key, value]) => ` ${key}="${escaped(value)}"`);
      write(`<${name}${written.join('')}>`, name === 'image' ? kept['href']?.length : 0);
    }
  });
  parser.on('text', (inside) => {
    if (gone > 0 || open.length === 0) return;
    if (styles) styles.push(inside);
    else if (/\S/.test(inside)) write(escaped(inside));
  });
  parser.on('cdata', (inside) => styles?.push(inside));
  parser.on('closetag', () => {
    const name = open.pop()!;
    if (gone > 0) {
      gone--;
      return;
    }
    if (unwrapped.has(name)) return;
    cost.ends();
    if (open.length === 0) return;
    if (name === 'style') {
      const sheet = cleanSheet((styles ?? []).join(''));
      styles = undefined;
      if (sheet) write(`<style>${escaped(sheet)}</style>`);
    } else write(`</${name}>`);
  });
  parser.write(text.replace(/^\uFEFF/, '')).close();
  if (cost.drawn() > limits.drawn) throw tooDetailed();
  return { inside: out.join(''), attributes: root ?? {} };
}

const tooDetailed = (): HttpProblem => new HttpProblem('refused', toldByServer('pictureTooDetailed'));

export const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!);

function keptAttributes(element: string, given: Readonly<Record<string, string>>): Record<string, string> {
  const kept: Record<string, string> = {};
  for (const [full, value] of Object.entries(given)) {
    const name = full === 'xlink:href' ? 'href' : full;
    if (name === 'href') {
      if (isOwnReference(value) || (element === 'image' && isInlineImage(value))) kept[name] = value.trim();
    } else if (name === 'style') {
      const style = cleanDeclarations(value);
      if (style) kept[name] = style;
    } else if (name === 'id' || name === 'class') {
      if (/^[\w\s.:-]{1,200}$/.test(value)) kept[name] = value;
    } else if ((attributes.has(name) || properties.has(name)) && isHarmless(value)) kept[name] = value;
  }
  return kept;
}

const isOwnReference = (value: string): boolean => /^\s*#[\w.:-]{1,200}\s*$/.test(value);
const isInlineImage = (value: string): boolean =>
  /^\s*data:image\/(png|jpeg);base64,[A-Za-z0-9+/=\s]*$/.test(value);

/** A value as a browser reads it: comments away, and escapes such as `\75 rl(` as what they stand for. */
function readAs(value: string): string {
  return value
    .replace(/\/\*[^]*?(\*\/|$)/g, ' ')
    .replace(/\\([0-9a-f]{1,6})\s?|\\([^])/gi, (_, code: string | undefined, sign: string | undefined) => {
      const number = code === undefined ? 0 : parseInt(code, 16);
      return sign ?? (number > 0 && number <= 0x10ffff ? String.fromCodePoint(number) : '\ufffd');
    });
}

/** Whether a value only draws: known functions, and `url` of something in the same picture alone. */
function isHarmless(value: string): boolean {
  const read = readAs(value);
  if (/[\\<>{};@]/.test(read)) return false;
  for (const [, name, inside] of read.matchAll(/([\w-]*)\s*\(([^()]*)/g)) {
    const plain = name!.toLowerCase();
    if (plain === 'url') {
      if (!/^\s*['"]?#[\w.:-]{1,200}['"]?\s*$/.test(inside!)) return false;
    } else if (!functions.has(plain)) return false;
  }
  return !/javascript:|data:|expression/i.test(read);
}

/** The style declarations of an attribute that only draw. */
function cleanDeclarations(text: string): string {
  return declarationsOf(readAs(text), 'declarationList');
}

/** The rules of a style sheet with what of their declarations only draws. Rules for other media and fonts go. */
function cleanSheet(text: string): string {
  const rules: string[] = [];
  let sheet: CssNode;
  try {
    sheet = parse(readAs(text), { parseValue: false, parseCustomProperty: false });
  } catch {
    return '';
  }
  walk(sheet, {
    visit: 'Rule',
    enter(rule) {
      if (this.atrule !== null) return;
      const selectors = generate(rule.prelude);
      const declarations = declarationsOf(generate(rule.block).replace(/^\{|\}$/g, ''), 'declarationList');
      if (declarations && /^[\w\s.#,>*:+~-]{1,1000}$/.test(selectors))
        rules.push(`${selectors}{${declarations}}`);
    },
  });
  return rules.join('\n');
}

function declarationsOf(text: string, context: 'declarationList'): string {
  const kept: string[] = [];
  try {
    walk(parse(text, { context, parseValue: false }), {
      visit: 'Declaration',
      enter({ property, value }) {
        const shown = generate(value);
        if (properties.has(property.toLowerCase()) && isHarmless(shown)) kept.push(`${property}:${shown}`);
      },
    });
  } catch {
    return '';
  }
  return kept.join(';');
}

/** What attributes name in the same picture. */
const referencesOf = (kept: Readonly<Record<string, string>>): string[] =>
  Object.entries(kept).flatMap(([name, value]) =>
    name === 'href' && value.startsWith('#')
      ? [value.slice(1)]
      : [...value.matchAll(/url\(\s*['"]?#([\w.:-]+)/gi)].map(([, id]) => id!),
  );

/**
 * How many elements come to be drawn when everything that is used is drawn where it is used: a few that use each other
 * in rows can come to billions.
 */
class Cost {
  private readonly named = new Map<string, { own: number; uses: string[] }>();
  private readonly open: (string | undefined)[] = [];
  private own = 0;
  private readonly uses: string[] = [];

  begins(id: string | undefined, references: readonly string[]): void {
    if (id !== undefined && !this.named.has(id)) this.named.set(id, { own: 0, uses: [] });
    this.open.push(id);
    this.own++;
    this.uses.push(...references);
    for (const outer of this.open) {
      const part = outer === undefined ? undefined : this.named.get(outer);
      if (!part) continue;
      part.own++;
      part.uses.push(...references);
    }
  }

  ends(): void {
    this.open.pop();
  }

  drawn(): number {
    const known = new Map<string, number>();
    const costOf = (id: string): number => {
      const before = known.get(id);
      if (before !== undefined) return before;
      // What uses itself is never done.
      known.set(id, Infinity);
      const part = this.named.get(id);
      const cost = part ? this.sum(part.own, part.uses, costOf) : 1;
      known.set(id, cost);
      return cost;
    };
    return this.sum(this.own, this.uses, costOf);
  }

  private sum(own: number, uses: readonly string[], costOf: (id: string) => number): number {
    let sum = own;
    for (const id of uses) {
      sum += costOf(id);
      if (sum > limits.drawn) return Infinity;
    }
    return sum;
  }
}
