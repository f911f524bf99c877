import '../../text/enEditing.js';
import i18next from 'i18next';
import type { FigureHost } from '../../figure/scene/host.js';
import { snapMoved } from './snapMoved.js';

/** What a grip on the move snaps to, with what is said beside the hand. */
export const snapOfMove: NonNullable<FigureHost['snap']> = (...move) => {
  const { at, kind, name = '' } = snapMoved(...move);
  return kind && { at, words: i18next.t(`draw.snap.${kind}`, { name }) };
};
