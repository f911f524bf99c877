import { choice, flag, number } from '../../describe/describe.js';
import type { FormatMember } from '../define.js';
import { readSvg } from './read.js';
import { writeSvg, type SvgOptions } from './write.js';

const first: SvgOptions = {
  style: 'screen',
  marks: false,
  comb: false,
  rail: false,
  tolerance: 0.01,
  scale: 1,
};

/** Drawings as SVG 1.1, at their true size or another. */
export const svg: FormatMember<'svg'> = {
  name: 'svg',
  endings: ['svg'],
  mediaType: 'image/svg+xml',
  keeps: 'shape',
  options: {
    /** The figure as it is on the screen, or black in the line widths of a drawing. */
    style: choice('screen', 'print'),
    /** What the figure shows beside the curves: control points, polygons, edit points, knots, and their names. */
    marks: flag,
    /** Curvature as teeth across the curves. */
    comb: flag,
    /** The tracks of the rail below the drawing. */
    rail: flag,
    /** How far what SVG can’t say exactly may lie off. */
    tolerance: number({ unit: 'length', least: 1e-6, most: 100 }),
    /** So many millimetres on paper are one of the drawing. */
    scale: number({ unit: 'ratio', least: 1e-3, most: 1e3 }),
  },
  first,
  write: (figure, options, reached) => writeSvg(figure, { ...first, ...options }, reached),
  read: readSvg,
};
