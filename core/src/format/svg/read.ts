import { SaxesParser } from 'saxes';
import { type PlaneMap } from '../../figure/part/plane.js';
import { told } from '../../told/told.js';
import { atLine, FormatError, type ReadFile } from '../define.js';
import { collected, type Incoming } from '../incoming.js';
import { formatLimits, refuseTooLong } from '../limits.js';
import { untold } from '../reached.js';
import { after, millimetresOf, parseTransform, unmoved } from './place.js';
import { geometryOf } from './geometry.js';
import { placed } from './placed.js';

/** What is drawn only where something else names it, or not at all. */
const notDrawn = new Set([
  'defs',
  'symbol',
  'clipPath',
  'mask',
  'pattern',
  'marker',
  'linearGradient',
  'radialGradient',
]);

const containers = new Set(['svg', 'g', 'a', 'switch']);

const descriptions = new Set(['title', 'desc', 'metadata']);

/** Signs that are read between two times that it is told how far it is. */
const piece = 16_384;

interface Open {
  readonly name: string;
  readonly map: PlaneMap;
  readonly isDrawn: boolean;
  /** How it is called: by its title, by its id, or as what it stands in. */
  called: string;
  /** What came in by it, which a title that follows gives its name. */
  readonly made: { -readonly [Key in keyof Incoming]: Incoming[Key] }[];
}

/**
 * Reads the geometry of an SVG: paths, lines, polylines, polygons, circles, ellipses and rectangles with their transformations, at their
 * true size. Nothing is fetched, and no entity is put in.
 * @throws FormatError with the line and the reason
 */
export function readSvg(text: string, reached = untold): ReadFile {
  refuseTooLong(text);
  const parser = new SaxesParser();
  const open: Open[] = [];
  const incoming: Open['made'] = [];
  const left = new Map<string, number>();
  let [elements, points, millimetres] = [0, 0, 1];
  let isSvg = false;
  let title: string | undefined;
  const leave = (what: string): void => void left.set(what, (left.get(what) ?? 0) + 1);
  parser.on('error', (error) => {
    throw atLine(parser.line, told('fileXml', { problem: error.message.replace(/^\d+:\d+: /, '') }));
  });
  parser.on('doctype', (doctype) => {
    if (doctype.includes('[')) throw atLine(parser.line, told('fileEntities'));
  });
  parser.on('opentag', ({ name: written, attributes }) => {
    if (++elements > formatLimits.entities)
      throw atLine(parser.line, told('fileTooMany', { most: formatLimits.entities, what: 'elements' }));
    if (open.length >= formatLimits.depth)
      throw atLine(parser.line, told('fileTooDeep', { most: formatLimits.depth }));
    const name = written.replace(/^svg:/, '');
    const parent = open.at(-1);
    if (!parent) {
      if (name !== 'svg') throw atLine(parser.line, told('fileNotThis', { format: 'SVG' }));
      isSvg = true;
      millimetres = millimetresOf(attributes);
    }
    // The second axis of a page points down.
    const outer: PlaneMap = parent?.map ?? { a: millimetres, b: 0, c: 0, d: -millimetres, e: 0, f: 0 };
    const transform = attributes['transform'];
    const own = transform && name !== 'svg' ? parseTransform(transform, parser.line) : unmoved;
    const isHidden =
      attributes['display'] === 'none' || /(?:^|;)\s*display\s*:\s*none/.test(attributes['style'] ?? '');
    const here: Open = {
      name,
      map: after(outer, own),
      isDrawn: (parent?.isDrawn ?? true) && !notDrawn.has(name) && !isHidden,
      called: attributes['id'] ?? parent?.called ?? '',
      made: [],
    };
    open.push(here);
    if (name === 'title') title = '';
    if (descriptions.has(name) || containers.has(name) || notDrawn.has(name)) return;
    if (!here.isDrawn) {
      leave(name);
      return;
    }
    const drawn = geometryOf(name, attributes, parser.line);
    if (!drawn) {
      leave(name);
      return;
    }
    for (const one of drawn) {
      const item = placed(one, here.map, parser.line);
      points += 'pieces' in one ? one.pieces.length : 1;
      if (points > formatLimits.points)
        throw atLine(parser.line, told('fileTooMany', { most: formatLimits.points, what: 'points' }));
      if (item === 'large') leave('paths of more than 2000 nodes');
      else if (item) here.made.push({ ...item, name: here.called });
    }
  });
  parser.on('text', (words) => {
    if (title !== undefined) title += words;
  });
  parser.on('closetag', () => {
    const closed = open.pop()!;
    const parent = open.at(-1);
    if (closed.name === 'title' && title !== undefined) {
      // A title names what it stands in: an element, or a group with what is drawn in it.
      if (parent) {
        const name = title.trim().slice(0, 200);
        for (const one of parent.made) if (one.name === parent.called) one.name = name;
        parent.called = name;
      }
      title = undefined;
    }
    const target = parent ? parent.made : incoming;
    for (const one of closed.made) target.push(one);
  });
  try {
    for (let at = 0; at < text.length; at += piece) {
      reached(at / text.length);
      parser.write(text.slice(at, at + piece));
    }
    parser.close();
  } catch (error) {
    if (error instanceof FormatError) throw error;
    throw atLine(parser.line, told('fileEnds'));
  }
  if (!isSvg) throw new FormatError(told('fileNotThis', { format: 'SVG' }));
  return collected(incoming, left, millimetres);
}
