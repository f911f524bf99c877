import { exactForm, exactText } from '@bogen/core/curve';
import { measured, type Measure, type MeasuredValue, type MeasureUnit } from '@bogen/core/figure';
import { translateNow } from '../text/text.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { inDigits, shownScientific, shownShort, superscript } from '../text/number.js';

/** Digits below zero stand for the exact form, where there is one. */
const exactDigits = -1;

/** What a measure comes to in a figure as it is drawn now, as it stands in a text. */
export function liveText(measure: Measure, digits: number, scene: FigureScene): string {
  const { document, evaluation, cursor } = scene;
  const value = measured(measure, { document, evaluation, cursor });
  return value ? valueText(value, digits) : '–';
}

/** A measured value as it is read. */
export function valueText(value: MeasuredValue, digits: number): string {
  switch (value.kind) {
    case 'whole':
      return String(value.value);
    case 'order':
      return value.value < 0 ? '–' : `C${superscript(value.value)}`;
    case 'word':
      return translateNow()(`facts.words.${value.word}`);
    case 'list':
      return value.values.map((one) => numberText(one, digits)).join(', ');
    case 'number': {
      const unit = unitText(value.unit);
      return unit === '' ? numberText(value.value, digits) : `${numberText(value.value, digits)} ${unit}`;
    }
  }
}

function numberText(value: number, digits: number): string {
  if (digits === exactDigits) {
    const form = exactForm(value);
    return form ? exactText(form) : shownShort(value, 4);
  }
  // What would be nothing but zeros is told in powers of ten.
  return value !== 0 && Math.abs(value) < 0.5 * 10 ** -digits
    ? shownScientific(value)
    : inDigits(value, digits);
}

function unitText(unit: MeasureUnit): string {
  if (unit === 'none') return '';
  return unit === 'curvature' ? '1/mm' : translateNow()(`facts.units.${unit}`);
}
