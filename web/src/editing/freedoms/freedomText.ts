import {
  itemOf,
  type Allowance,
  type FigureDocument,
  type Freedom,
  type OperationName,
  type PointKind,
} from '@bogen/core/figure';
import type { TFunction } from 'i18next';
import { pointName } from '../../figure/scene/names.js';

type T = TFunction<'texts'>;

const nameOf = (document: FigureDocument, id: string): string => itemOf(document, id)?.name ?? id;

/** The name of an operation as its button says it. */
export const operationName = (name: OperationName, t: T): string =>
  t(`operations.${name}` as 'operations.insertKnot');

/** What readers may do, or may be let do, as the rest of a sentence that begins "Readers may". */
export function allowanceText(allowance: Allowance, document: FigureDocument, t: T): string {
  const item = 'item' in allowance ? nameOf(document, allowance.item) : '';
  switch (allowance.kind) {
    case 'point':
      return t('freedoms.point', {
        point: pointName(document, allowance.item, allowance.of, allowance.index),
        item,
      });
    case 'weights': {
      const points = allowance.indices.map((index) =>
        pointName(document, allowance.item, 'controlPoints', index),
      );
      return t('freedoms.kinds.weights', { points: points.join(', '), item });
    }
    case 'operation': {
      const what = t('freedoms.kinds.operation', {
        operation: operationName(allowance.operation, t),
        item,
      });
      return allowance.most === undefined ? what : t('freedoms.most', { what, count: allowance.most });
    }
    case 'looks':
      return t('freedoms.kinds.looks', {
        looks: allowance.keys.map((key) => t(`writer.shown.${key}`)).join(', '),
      });
    case 'tracks':
      return t('freedoms.kinds.tracks', {
        tracks: allowance.tracks.map((track) => t(`rail.tracks.${track}.name`)).join(', '),
      });
    case 'anchors':
      return itemOf(document, allowance.item)?.kind === 'point'
        ? t('freedoms.place', { item })
        : t('freedoms.kinds.anchors', { item });
    case 'degree': {
      const { least, most } = allowance;
      return t('freedoms.kinds.degree', { item, least, most });
    }
    case 'knots':
    case 'values':
      return t(`freedoms.kinds.${allowance.kind}`, { item });
  }
}

/** One sentence of what readers may do, and the freedom that it is, or the points that are loose. */
export interface MayRow {
  readonly text: string;
  readonly freedom?: Freedom;
  readonly points?: { readonly item: string; readonly of: PointKind };
}

/** Everything that readers may do with a figure, as sentences. */
export function mayRows(document: FigureDocument, t: T): MayRow[] {
  const loose = document.items.flatMap((item): MayRow[] => {
    const points = Object.hasOwn(document.loose, item.id) ? document.loose[item.id] : undefined;
    if (!points || item.kind !== 'curve') return [];
    return (['controlPoints', 'editPoints'] as const).flatMap((of): MayRow[] => {
      const indices = points[of];
      if (indices.length === 0) return [];
      const isAll = indices.length === item.curve.points.length;
      const text = isAll
        ? t(`freedoms.allPoints_${of}`, { item: item.name })
        : t('freedoms.points', {
            points: indices.map((index) => pointName(document, item.id, of, index)).join(', '),
            item: item.name,
          });
      return [{ text, points: { item: item.id, of } }];
    });
  });
  const freedoms = (document.readersMay ?? []).map((freedom): MayRow => ({
    text: allowanceText(freedom, document, t),
    freedom,
  }));
  return [...loose, ...freedoms];
}
