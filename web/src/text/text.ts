import i18next, { type TFunction } from 'i18next';
import { useSyncExternalStore } from 'react';
import type { Notation } from '@bogen/core/lesson';
import { addTexts } from './catalogue.js';
import { en, type Texts } from './en.js';
import { counted, notation, useNotation } from './notation.js';
import { shownShort } from './number.js';

declare module 'i18next' {
  interface CustomTypeOptions {
    defaultNS: 'texts';
    resources: { texts: Texts };
    enableSelector: false;
  }
}

addTexts('en', en);

type Translate = TFunction<'texts'>;

/*
 * What the notation of a lesson decides stands in the texts as:
 *
 *   {{param}}            the letter of the parameter
 *   {{index, counted}}   the number of what has this index
 *   {{degree, sized}}    “degree 3” or “order 4”
 *   {{degree, asOrder}}  the order to a degree
 *   {{value, short}}     a number in the digits of parameters, without needless zeros
 *   {{value, fine}}      the same in twice the digits
 *
 * A text that speaks of the degree can have another, with _order after its name, for lessons that speak of orders.
 */
const written = (shown: (value: number) => string | number) => (value: unknown) =>
  typeof value === 'object' || Number.isNaN(Number(value)) ? String(value) : String(shown(Number(value)));
const formats = {
  counted: written(counted),
  sized: (degree: unknown) => String(i18next.t('figure.degree', { degree, ...sizeContext() })),
  asOrder: written((degree) => degree + 1),
  short: written(shownShort),
  fine: written((value) => shownShort(value, 2 * notation().decimals + 2)),
};
Object.entries(formats).forEach(([name, format]) => i18next.services.formatter!.add(name, format));

const sizeContext = (): { context?: 'order' } => (notation().size === 'order' ? { context: 'order' } : {});
const lettersOf = ({ parameter }: Notation): Record<string, string> => ({ param: parameter });

/** The texts of the present language and notation; a text without values in it is looked up once. */
function inPresentLanguage(): Translate {
  i18next.options.interpolation!.defaultVariables = lettersOf(notation());
  const context = sizeContext();
  const plain = new Map<string, unknown>();
  const look = i18next.t as unknown as (key: string, ...values: unknown[]) => unknown;
  const translate = (key: string, ...values: unknown[]): unknown => {
    const [given] = values;
    if (typeof given === 'object' && given !== null) return look(key, { ...context, ...given });
    if (values.length > 0) return look(key, ...values);
    let text = plain.get(key);
    if (text === undefined) plain.set(key, (text = look(key, context)));
    return text;
  };
  return translate as unknown as Translate;
}

let present = inPresentLanguage();
const listeners = new Set<() => void>();
const renew = (): void => {
  present = inPresentLanguage();
  listeners.forEach((listener) => listener());
};
i18next.on('languageChanged', renew);
useNotation.subscribe(renew);

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** The texts as they are now, for what is no component. */
export const translateNow = (): Translate => present;

/** The interface's texts, following the language and the notation. A sheet asks for hundreds of them before its first picture. */
export function useTranslation(): { readonly t: Translate } {
  return { t: useSyncExternalStore(subscribe, () => present) };
}
