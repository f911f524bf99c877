import { create } from 'zustand';

interface ExactState {
  /** Whether exact numbers are read as such wherever lists of numbers stand. */
  readonly exact: boolean;
  readonly setExact: (exact: boolean) => void;
}

const key = 'bogen:exact-numbers';

/** The wish to read 1/3 and √2/2 instead of their decimals; it is kept on the device. */
export const useExact = create<ExactState>((set) => ({
  // Sheets are also prepared where there is none.
  exact: globalThis.localStorage?.getItem(key) === 'on',
  setExact: (exact) => {
    localStorage.setItem(key, exact ? 'on' : 'off');
    set({ exact });
  },
}));
