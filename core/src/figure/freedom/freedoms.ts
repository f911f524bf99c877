import type { SingleFigureCommand } from '../command/commands.js';
import type { FigureDocument } from '../document/document.js';
import type { Freedom, FreedomKind, FreedomOf } from '../document/freedoms.js';
import { anchors } from './anchors.js';
import { degree } from './degree.js';
import type { FreedomMember } from './define.js';
import { knots } from './knots.js';
import { looks } from './looks.js';
import { operation } from './operation.js';
import { tracks } from './tracks.js';
import { values } from './values.js';
import { weights } from './weights.js';

/** Every kind of freedom. A new one is a file beside these, a line here, and what a figure says of it in `document/freedoms.ts`. */
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
