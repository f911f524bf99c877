import i18next from 'i18next';
import { initReactI18next } from 'react-i18next';
import { en, type Texts } from './en.js';

declare module 'i18next' {
  interface CustomTypeOptions {
    defaultNS: 'texts';
    resources: { texts: Texts };
    enableSelector: false;
  }
}

void i18next.use(initReactI18next).init({
  lng: 'en',
  initAsync: false,
  fallbackLng: 'en',
  defaultNS: 'texts',
  resources: { en: { texts: en } },
  interpolation: { escapeValue: false },
});

export { useTranslation } from 'react-i18next';
