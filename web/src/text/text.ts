import i18next, { type TFunction } from 'i18next';
import { useSyncExternalStore } from 'react';
import { en, type Texts } from './en.js';

declare module 'i18next' {
  interface CustomTypeOptions {
    defaultNS: 'texts';
    resources: { texts: Texts };
    enableSelector: false;
  }
}

void i18next.init({
  lng: 'en',
  initAsync: false,
  fallbackLng: 'en',
  defaultNS: 'texts',
  resources: { en: { texts: en } },
  interpolation: { escapeValue: false },
});

type Translate = TFunction<'texts'>;

/** The texts of the present language; a text without values in it is looked up once. */
function inPresentLanguage(): Translate {
  const plain = new Map<string, unknown>();
  const look = i18next.t as unknown as (key: string, ...values: unknown[]) => unknown;
  const translate = (key: string, ...values: unknown[]): unknown => {
    if (values.length > 0) return look(key, ...values);
    let text = plain.get(key);
    if (text === undefined) plain.set(key, (text = look(key)));
    return text;
  };
  return translate as unknown as Translate;
}

let present = inPresentLanguage();
const listeners = new Set<() => void>();
i18next.on('languageChanged', () => {
  present = inPresentLanguage();
  listeners.forEach((listener) => listener());
});

/** Takes in texts that come after the first ones. */
export function addTexts(language: string, texts: object): void {
  i18next.addResourceBundle(language, 'texts', texts, true);
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** The interface's texts, following the language. A sheet asks for hundreds of them before its first picture. */
export function useTranslation(): { readonly t: Translate } {
  return { t: useSyncExternalStore(subscribe, () => present) };
}
