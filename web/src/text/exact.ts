import { exactForm, exactText } from '@bogen/core/curve';
import { shownShort } from './number.js';

/** A number as it is read: exact where it is wished for and recognised, else in some digits without needless zeros. */
export function shownOrExact(value: number, exact: boolean, digits?: number): string {
  const form = exact ? exactForm(value) : undefined;
  return form ? exactText(form) : shownShort(value, digits);
}

/** A number to be typed back: exact where it is wished for and recognised, else in all its digits. */
export function typedOrExact(value: number, exact: boolean): string {
  const form = exact ? exactForm(value) : undefined;
  return form
    ? exactText(form)
        .replaceAll('−', '-')
        .replace(/√(\d+)/g, 'sqrt($1)')
        .replace(/(\d)sqrt/, '$1*sqrt')
    : String(value);
}
