import type { Point } from '../curve/curve.js';
import type { FigureItem, Looks, PointKind, Rail, Shown, View } from './document.js';

/**
 * Everything that changes a figure: plain data, applied by `applyFigureCommand`, which also finds the
 * command that takes it back.
 */
export type FigureCommand =
  SingleFigureCommand | { readonly name: 'batch'; readonly commands: readonly SingleFigureCommand[] };

/** A command that is one change; a batch of them is applied and taken back as one. */
export type SingleFigureCommand =
  | { readonly name: 'moveControlPoint'; readonly item: string; readonly index: number; readonly to: Point }
  | { readonly name: 'moveEditPoint'; readonly item: string; readonly index: number; readonly to: Point }
  | { readonly name: 'moveReferencePoint'; readonly item: string; readonly to: Point }
  | { readonly name: 'setPoints'; readonly item: string; readonly points: readonly Point[] }
  | { readonly name: 'setWeight'; readonly item: string; readonly index: number; readonly weight: number }
  | { readonly name: 'setDegree'; readonly item: string; readonly degree: number }
  | {
      readonly name: 'setLoose';
      readonly item: string;
      readonly of: PointKind;
      readonly indices: readonly number[];
    }
  | { readonly name: 'setShown'; readonly shown: Partial<Shown> }
  | { readonly name: 'setLooks'; readonly looks: Looks }
  | { readonly name: 'setRail'; readonly rail: Rail }
  | { readonly name: 'setView'; readonly view: View }
  | { readonly name: 'renameItem'; readonly item: string; readonly to: string }
  | { readonly name: 'orderItem'; readonly item: string; readonly at: number }
  | { readonly name: 'addItem'; readonly item: FigureItem; readonly at: number }
  | { readonly name: 'removeItem'; readonly item: string }
  | { readonly name: 'replaceItem'; readonly item: FigureItem };
