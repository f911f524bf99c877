import type { Curve, Point } from '../../curve/curve.js';
import { domainOf } from '../../curve/knotVector.js';
import { looksOf } from '../../figure/document/seen.js';
import { linearScale } from '../../figure/drawn/linearScale.js';
import type { TrackContents, TrackWords } from '../../figure/track/drawing.js';
import { drawingOf } from '../../figure/track/drawingOf.js';
import { trackOf, type TrackName } from '../../figure/track/tracks.js';
import type { Notation } from '../../notation/notation.js';
import { spanColours, type Paper, type Part } from './paper.js';
import { penColours, pixel, SvgPen } from './pen.js';

/** Sizes in pixels of the screen, as the drawings of tracks have them. */
const sizes = { left: 66, gap: 14, letter: 14 };
/** A rail is at least this wide, in millimetres on paper. */
const narrowest = 90;

const words = (notation: Notation): TrackWords => ({
  number: (value) => String(Number(value.toPrecision(4))),
  scientific: (value) => String(Number(value.toPrecision(3))),
  power: (exponent) => (exponent === 0 ? '1' : `1e${exponent}`),
  knot: (value) => String(Number(value.toPrecision(4))),
  counted: (index) => index + notation.first,
  fonts: { number: '11px sans-serif', name: '12px sans-serif', index: '9px sans-serif' },
});

/** What the values of a track are called in formulas. */
function lettersOf(name: TrackName, { parameter }: Notation): string {
  const { plots = [], letter, family } = trackOf(name);
  const signs = plots.flatMap(({ sign }) => (sign ? [sign] : []));
  if (signs.length > 0) return signs.join(' ');
  // The names of a family's functions stand in it, and the knots stand on the axis of the parameter.
  return letter ?? (family ? '' : parameter);
}

/**
 * The tracks of the rail of a curve, below one another, as the figure has them and as the screen draws them: each over the
 * same axis of the parameter.
 * @param corner the upper left corner of the whole, in the drawing's unit
 */
export function railOf(
  curve: Curve,
  compared: Curve | undefined,
  paper: Paper,
  corner: Point,
  width: number,
): Part {
  const [left, upper] = corner as [number, number];
  const unit = paper.length(pixel);
  const across = Math.max(width, paper.length(narrowest)) / unit;
  const axis = linearScale(domainOf(curve.knots, curve.degree), [sizes.left, across]);
  const contents: TrackContents = {
    curve,
    compared,
    made: undefined,
    exact: false,
    looks: looksOf(paper.document),
    words: words(paper.notation),
    lit: null,
  };
  let top = upper;
  const parts = paper.document.rail.tracks.flatMap((name): Part[] => {
    // Without another curve there is nothing to compare.
    if (trackOf(name).compares && !compared) return [];
    const { height, draw, drawGround, drawNames, drawScale } = drawingOf(name);
    const pen = new SvgPen(paper, [left, top], height);
    const input = { ...contents, pen, axis, width: across, height, colours: penColours(paper, spanColours) };
    for (const each of [drawGround, draw, drawNames, drawScale]) each?.(input);
    const bottom = top - height * unit;
    const letters = paper.text(
      [left, (top + bottom) / 2 + sizes.letter * unit],
      lettersOf(name, paper.notation),
      { height: sizes.letter * pixel, colour: '#1b2530' },
    );
    top = bottom - sizes.gap * unit;
    return [
      {
        elements: [
          `<g stroke-linecap="butt">${pen.elements.join('')}</g>`,
          ...(lettersOf(name, paper.notation) === '' ? [] : letters.elements),
        ],
        places: letters.places,
      },
    ];
  });
  return {
    elements: parts.flatMap(({ elements }) => elements),
    places: [corner, [left + (across + sizes.gap) * unit, top], ...parts.flatMap(({ places }) => places)],
  };
}
