import type { FigureDocument } from '@bogen/core/figure';
import { useEffect, useState } from 'react';
import type { FigureScene } from '../figure/scene/scene.js';
import type { OverFigure } from '../task/answering.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { CopyMarks } from './CopyMarks.js';

interface KeepCopyProps {
  /** Names the stage of the sheet: each has a copy of its own. */
  readonly place: string;
  readonly scene: FigureScene;
  readonly onOver: (name: string, over: OverFigure | null) => void;
}

const keyOf = (place: string): string => `bogen:copy:${place}`;

function kept(place: string): FigureDocument | null {
  const text = localStorage.getItem(keyOf(place));
  return text === null ? null : (JSON.parse(text) as FigureDocument);
}

/** Keeps a faint copy of the figure as it is now, to compare with; it stays on the device and is no part of the work. */
export function KeepCopy({ place, scene, onOver }: KeepCopyProps) {
  const { t } = useTranslation();
  const [copy, setCopy] = useState(() => kept(place));
  useEffect(() => {
    onOver('copy', copy && ((projection) => <CopyMarks figure={copy} projection={projection} />));
  }, [copy, onOver]);
  useEffect(() => () => onOver('copy', null), [onOver]);
  const keep = (figure: FigureDocument | null): void => {
    setCopy(figure);
    try {
      if (figure) localStorage.setItem(keyOf(place), JSON.stringify(figure));
      else localStorage.removeItem(keyOf(place));
    } catch {
      // A device without room keeps it as long as the page is open.
    }
  };
  return (
    <Button quiet pressed={copy !== null} onClick={() => keep(copy ? null : scene.document)}>
      {t(copy ? 'stages.forgetCopy' : 'stages.keepCopy')}
    </Button>
  );
}
