import type { GivenKeys } from './KeySheet.js';

/** What the parts of the desk do: say what was done, say what went wrong, hand out keys. */
export interface DeskHands {
  readonly classId: string;
  readonly says: (words: string) => void;
  readonly fails: (error: unknown) => void;
  readonly givesKeys: (keys: GivenKeys) => void;
}
