import i18next from 'i18next';

/** Where the texts of the languages are looked up: a file of them brings its own when it is loaded. */
void i18next.init({
  lng: 'en',
  initAsync: false,
  fallbackLng: 'en',
  defaultNS: 'texts',
  resources: { en: { texts: {} } },
  interpolation: { escapeValue: false },
});

/** Takes in texts, beside those that are there. */
export function addTexts(language: string, texts: object): void {
  i18next.addResourceBundle(language, 'texts', texts, true);
}
