import { unionOf, type UnionField } from '../../describe/describe.js';
import type { SingleFigureCommand } from '../command/commands.js';
import type { FigureDocument } from '../document.js';
import { anchors, type AnchorsFreedom } from './anchors.js';
import { degree, type DegreeFreedom } from './degree.js';
import type { FreedomMember } from './define.js';
import { knots, type KnotsFreedom } from './knots.js';
import { looks, type LooksFreedom } from './looks.js';
import { operation, type OperationFreedom } from './operation.js';
import { tracks, type TracksFreedom } from './tracks.js';
import { values, type ValuesFreedom } from './values.js';
import { weights, type WeightsFreedom } from './weights.js';

/** What a stage lets its readers do besides moving loose points. */
export type Freedom =
  | KnotsFreedom
  | WeightsFreedom
  | ValuesFreedom
  | DegreeFreedom
  | AnchorsFreedom
  | OperationFreedom
  | LooksFreedom
  | TracksFreedom;
export type FreedomKind = Freedom['kind'];
export type FreedomOf<Kind extends FreedomKind> = Extract<Freedom, { readonly kind: Kind }>;

/** Every kind of freedom. A new one is a file beside these, and a line for its type and one for itself here. */
export const freedoms: { readonly [Kind in FreedomKind]: FreedomMember<FreedomOf<Kind>> } = {
  knots,
  weights,
  values,
  degree,
  anchors,
  operation,
  looks,
  tracks,
};

export const freedomDescription = unionOf('kind', freedoms) as UnionField<Freedom>;

/** Whether one of the freedoms that the start gives allows a command. */
export function isPermitted(
  command: SingleFigureCommand,
  now: FigureDocument,
  start: FigureDocument,
): boolean {
  return (start.readersMay ?? []).some((freedom) =>
    (freedoms[freedom.kind] as unknown as FreedomMember<Freedom>).permits(freedom, command, now, start),
  );
}
