import type { ItemColor } from '@bogen/core/figure';
import { create } from 'zustand';

export type Theme = 'light' | 'dark';

const storageKey = 'bogen:theme';

function preferred(): Theme {
  try {
    const stored = localStorage.getItem(storageKey);
    if (stored === 'light' || stored === 'dark') return stored;
  } catch {
    // Within another page a browser may keep nothing for this one.
  }
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
}

/** The colours that drawings on a canvas use, read from the style sheet. */
export interface Palette {
  readonly sheet: string;
  readonly ink: string;
  readonly soft: string;
  readonly line: string;
  readonly strong: string;
  readonly tint: string;
  readonly accent: string;
  readonly spans: readonly string[];
  readonly items: Readonly<Record<ItemColor, string>>;
}

function readPalette(): Palette {
  const style = getComputedStyle(document.documentElement);
  const color = (name: string): string => style.getPropertyValue(name).trim();
  return {
    sheet: color('--sheet'),
    ink: color('--ink'),
    soft: color('--ink-soft'),
    line: color('--line'),
    strong: color('--line-strong'),
    tint: color('--tint'),
    accent: color('--accent'),
    items: {
      ink: color('--ink'),
      teal: color('--span-1'),
      ochre: color('--span-2'),
      plum: color('--span-3'),
      moss: color('--span-4'),
      indigo: color('--span-5'),
      coral: color('--span-6'),
    },
    spans: [1, 2, 3, 4, 5, 6].map((number) => color(`--span-${number}`)),
  };
}

interface ThemeState {
  readonly theme: Theme;
  readonly palette: Palette;
  readonly toggle: () => void;
  /** Shows a theme for a while, without choosing it; `null` goes back to what is chosen. */
  readonly showFor: (theme: Theme | null) => void;
}

function show(theme: Theme): { theme: Theme; palette: Palette } {
  document.documentElement.dataset['theme'] = theme;
  return { theme, palette: readPalette() };
}

/** The theme, light or dark; the reader's choice is kept on the device. */
export const useTheme = create<ThemeState>((set, get) => ({
  ...show(preferred()),
  toggle: () => {
    const theme = get().theme === 'light' ? 'dark' : 'light';
    localStorage.setItem(storageKey, theme);
    set(show(theme));
  },
  showFor: (theme) => set(show(theme ?? preferred())),
}));
