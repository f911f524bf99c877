import { distinctPointCount, type Curve } from '@bogen/core/curve';
import { curveOf, isShown, itemOf, labelDirection } from '@bogen/core/figure';
import { shownShort } from '../../text/number.js';
import { useFonts } from '../../theme/fonts.js';
import type { Palette } from '../../theme/theme.js';
import { editPointsOf } from '../geometry/geometry.js';
import { handlePlace, liesUnderControlPoint, ringRadius } from '../scene/handles.js';
import type { Pane } from '../scene/pane.js';
import type { Projection } from '../geometry/projection.js';
import { Sprites } from './sprites.js';
import { isMarkedLoose } from '../scene/may.js';
import { letterOf } from '../scene/names.js';
import type { FigureScene } from '../scene/scene.js';
import type { Picked } from '../scene/sceneParts.js';
import { counted } from '../../text/notation.js';

type Context = CanvasRenderingContext2D;

/** A point's name: the letter of its curve and its number. */
type Name = readonly [letter: string, index: number];

/** The names of the control points on one place. */
interface Label {
  readonly curve: Curve;
  readonly names: Name[];
  readonly index: number;
  readonly x: number;
  readonly y: number;
  readonly distance: number;
}

/**
 * Draws the marks of points: control points as open rings, edit points as solid lozenges, fixed ones
 * with a bar through them, and their names. The elements that are taken hold of lie above, unseen, so
 * that a drag moves pixels and no layout.
 */
export function drawMarks(
  context: Context,
  scene: FigureScene,
  projection: Projection,
  palette: Palette,
  handles: readonly Picked[],
): void {
  const { document, evaluation } = scene;
  const several = handles.some(({ item }) => item !== handles[0]!.item);
  const labels = new Map<string, Label>();
  for (const handle of handles) {
    const place = handlePlace(scene, handle);
    const curve = curveOf(evaluation, handle.item);
    if (!place || !curve) continue;
    const [x, y] = projection.toScreen(place);
    const loose = isMarkedLoose(scene, handle.item, handle.of, handle.index);
    const isControl = handle.of === 'controlPoints';
    const radius = isControl ? ringRadius(curve, handle.index) : 6.5;
    const weight = (isControl ? curve.weights?.[handle.index] : undefined) ?? 1;
    const mark = `${handle.of} ${loose} ${radius.toFixed(2)} ${Math.sign(weight)}`;
    sprites.add(mark, radius + 6, x, y, (own) => {
      if (isControl) drawRing(own, radius, loose, palette, Math.sign(weight));
      else drawLozenge(own, loose, palette);
      if (!loose) drawBar(own, radius, palette);
    });
    const item = itemOf(document, handle.item);
    if (isControl && curve.weights && isShown(document, 'weights', item)) {
      addWeight(curve, handle.index, x, y, radius, palette);
    }
    if (!isShown(document, 'labels', item) || liesUnderControlPoint(document, curve, handle)) continue;
    // Edit points have their names on the other side, so that both can be read.
    const distance = isControl ? radius + 12 : -16;
    const name = [letterOf(document, handle.item, handle.of), counted(handle.index)] as const;
    if (!isControl || !several) addLabel(curve, [name], handle.index, x, y, distance, palette);
    else {
      // Points of several curves on one place have their names side by side.
      const key = `${Math.round(x / 3)} ${Math.round(y / 3)}`;
      const label = labels.get(key);
      if (label) label.names.push(name);
      else labels.set(key, { curve, names: [name], index: handle.index, x, y, distance });
    }
  }
  for (const { curve, names, index, x, y, distance } of labels.values())
    addLabel(curve, names, index, x, y, distance, palette);
  sprites.draw(context, palette, projection.markScale);
}

/**
 * The control points and edit points of a curve on the rail that has none to take hold of, since it is built
 * or keeps parameters of its own: smaller and paler, to be seen and not to be moved.
 */
export function drawFollowing(
  context: Context,
  scene: FigureScene,
  projection: Projection,
  palette: Palette,
  pane: Pane,
): void {
  const { document, evaluation } = scene;
  const item = itemOf(document, document.rail.item ?? '');
  if (!item || item.hidden || !pane.shows(item.id) || (item.kind !== 'built' && item.kind !== 'shape'))
    return;
  const curve = curveOf(evaluation, item.id);
  if (!curve) return;
  const labels = isShown(document, 'labels', item);
  if (isShown(document, 'controlPoints', item)) {
    curve.points.slice(0, distinctPointCount(curve)).forEach((point, index) => {
      const [x, y] = projection.toScreen(point);
      const radius = 0.7 * ringRadius(curve, index);
      sprites.add(`following ${radius.toFixed(2)}`, radius + 3, x, y, (own) => {
        own.beginPath();
        own.arc(0, 0, radius, 0, 2 * Math.PI);
        own.fillStyle = palette.sheet;
        own.fill();
        own.strokeStyle = palette.soft;
        own.lineWidth = 1.25;
        own.stroke();
      });
      if (curve.weights && isShown(document, 'weights', item)) {
        addWeight(curve, index, x, y, radius, palette);
      }
      if (labels) {
        const name = [letterOf(document, item.id, 'controlPoints'), counted(index)] as const;
        addLabel(curve, [name], index, x, y, radius + 12, palette);
      }
    });
  }
  if (item.kind === 'built' && isShown(document, 'editPoints', item)) {
    editPointsOf(curve).forEach(({ point }) => {
      const [x, y] = projection.toScreen(point);
      sprites.add('following edit point', 8, x, y, (own) => {
        traceLozenge(own, 3.5, 4.5);
        own.fillStyle = palette.soft;
        own.fill();
      });
    });
  }
  sprites.draw(context, palette, projection.markScale);
}

/** The name of a point beside it, or the names of several, away from the polygon. */
function addLabel(
  curve: Curve,
  names: readonly Name[],
  index: number,
  x: number,
  y: number,
  distance: number,
  palette: Palette,
): void {
  const [awayX, awayY] = labelDirection(curve.points, index);
  const place = [Math.round(x + awayX * distance), Math.round(y - awayY * distance)] as const;
  const key = names.map((name) => name.join('')).join(' ');
  sprites.add(key, 8 + 9 * names.length, ...place, (own) =>
    names.forEach((name, k) => drawName(own, name, 18 * (k - (names.length - 1) / 2), palette)),
  );
}

/** A control point's weight beside its ring, on the side away from its name. */
function addWeight(
  curve: Curve,
  index: number,
  x: number,
  y: number,
  radius: number,
  palette: Palette,
): void {
  const [awayX, awayY] = labelDirection(curve.points, index);
  const text = `w ${shownShort(curve.weights![index]!)}`;
  const distance = radius + 16;
  sprites.add(text, 30, x - awayX * distance, y + awayY * distance, (own) => {
    own.font = '11px "JetBrains Mono Variable", monospace';
    own.textAlign = 'center';
    own.textBaseline = 'middle';
    own.strokeStyle = palette.sheet;
    own.lineWidth = 3;
    own.strokeText(text, 0, 0);
    own.fillStyle = palette.ink;
    own.fillText(text, 0, 0);
  });
}

const sprites = new Sprites();
// Names that were drawn before their font had come are drawn again with it.
useFonts.subscribe(() => sprites.clear());

/** A ring; that of a negative weight is dashed, that of none dotted. */
function drawRing(context: Context, radius: number, loose: boolean, palette: Palette, sign: number): void {
  context.beginPath();
  context.arc(0, 0, radius, 0, 2 * Math.PI);
  context.fillStyle = palette.sheet;
  context.fill();
  context.setLineDash(sign > 0 ? [] : sign < 0 ? [4, 2.5] : [1.5, 2]);
  context.strokeStyle = loose ? palette.accent : palette.ink;
  context.lineWidth = loose ? 2 : 1.6;
  context.stroke();
  context.setLineDash([]);
}

function traceLozenge(context: Context, across: number, up: number): void {
  context.beginPath();
  context.moveTo(0, -up);
  context.lineTo(across, 0);
  context.lineTo(0, up);
  context.lineTo(-across, 0);
  context.closePath();
}

function drawLozenge(context: Context, loose: boolean, palette: Palette): void {
  traceLozenge(context, 4.5, 6.5);
  context.strokeStyle = palette.sheet;
  context.lineWidth = 2;
  context.stroke();
  context.fillStyle = loose ? palette.accent : palette.ink;
  context.fill();
}

/** The bar through a fixed point. */
function drawBar(context: Context, radius: number, palette: Palette): void {
  context.beginPath();
  context.moveTo(-radius - 4, 0);
  context.lineTo(radius + 4, 0);
  context.strokeStyle = palette.ink;
  context.lineWidth = 1.6;
  context.stroke();
}

/** A letter with its subscript, on a clear background. */
function drawName(context: Context, [letter, index]: Name, right: number, palette: Palette): void {
  const digits = String(index);
  const parts = [
    { text: letter, font: '13px "Literata Variable", serif', dx: right - 4 - 2.5 * digits.length, dy: 4 },
    { text: digits, font: '10px "Literata Variable", serif', dx: right + 4.5 - 2.5 * digits.length, dy: 7 },
  ];
  context.textAlign = 'left';
  context.textBaseline = 'alphabetic';
  context.strokeStyle = palette.sheet;
  context.lineWidth = 3;
  context.fillStyle = palette.ink;
  for (const { text, font, dx, dy } of parts) {
    context.font = font;
    context.strokeText(text, dx, dy);
    context.fillText(text, dx, dy);
  }
}
