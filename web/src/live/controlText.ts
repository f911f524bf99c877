import '../text/enLive.js';
import { interiorKnots } from '@bogen/core/curve';
import { itemOf, type Control, type FigureDocument } from '@bogen/core/figure';
import type { TFunction } from 'i18next';
import { nameOf, pointName } from '../figure/scene/names.js';

/** What a control sets, in a few words. */
export function controlText(control: Control, document: FigureDocument, t: TFunction<'texts'>): string {
  const item = nameOf(document, control.item);
  switch (control.of) {
    case 'weight':
      return t('live.controls.weight', {
        point: pointName(document, control.item, 'controlPoints', control.index),
      });
    case 'knot': {
      const own = itemOf(document, control.item);
      const curve = own?.kind === 'curve' ? own.curve : undefined;
      const knot = curve && interiorKnots(curve.knots, curve.degree)[control.index];
      const place = knot && curve ? curve.knots.indexOf(knot.value) : control.index;
      return t('live.controls.knot', { index: place, item });
    }
    case 'cursor':
    case 'rho':
    case 'apart':
    case 'degree':
      return t(`live.controls.${control.of}`, { item });
  }
}
