import { create } from 'zustand';

const storageKey = 'bogen:single-keys';

interface SingleKeys {
  readonly on: boolean;
  readonly set: (on: boolean) => void;
}

/** Whether single letters act; who speaks to the computer or types with a tremor can turn that off. */
export const useSingleKeys = create<SingleKeys>((set) => ({
  on: localStorage.getItem(storageKey) !== 'off',
  set: (on) => {
    localStorage.setItem(storageKey, on ? 'on' : 'off');
    set({ on });
  },
}));
