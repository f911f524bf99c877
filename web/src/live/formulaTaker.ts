import { create } from 'zustand';

/** Where a formula that is shown beside the figure can be put: into the text that is being written. */
export const useFormulaTaker = create<{ readonly take: ((latex: string) => void) | null }>(() => ({
  take: null,
}));
