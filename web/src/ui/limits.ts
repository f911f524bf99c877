import type { TFunction } from 'i18next';

/** What a number must be: from `least`, to `most`, or more than `above` and less than `below`. */
export interface Limits {
  readonly least?: number;
  readonly most?: number;
  readonly above?: number;
  readonly below?: number;
}

export const aboveZero: Limits = { above: 0 };

export function isWithin(
  { least = -Infinity, most = Infinity, above = -Infinity, below = Infinity }: Limits,
  value: number,
): boolean {
  return value >= least && value <= most && value > above && value < below;
}

/** What is allowed, in words; empty where everything is. */
export function limitsInWords({ least, most, above, below }: Limits, t: TFunction<'texts'>): string {
  if (least !== undefined && most !== undefined) return t('ui.numberBetween', { least, most });
  if (least !== undefined) return t('ui.numberFrom', { least });
  if (above !== undefined && below !== undefined) return t('ui.numberInside', { above, below });
  if (above !== undefined) return t('ui.numberAbove', { above });
  return '';
}
