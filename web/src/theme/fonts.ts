import { create } from 'zustand';

/**
 * How many times fonts have been loaded since the page was opened. Text on a canvas is not redrawn by itself
 * when its font arrives; whatever draws text depends on this number.
 */
export const useFonts = create<number>((set) => {
  document.fonts.addEventListener('loadingdone', () => set((count) => count + 1, true));
  return 0;
});
