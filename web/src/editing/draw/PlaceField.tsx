import { useEffect, useRef } from 'react';
import { useTranslation } from '../../text/text.js';
import { ReaderAway, readExpression } from '../../ui/expression.js';
import { coordinatesIn } from './coordinates.js';
import type { Drawing } from './useDrawing.js';

/**
 * A place by its coordinates, for a drawing that has to be exact: Enter sets it. What can’t be read stays and is told.
 * A digit that is typed over the figure begins here.
 */
export function PlaceField({ drawing, onDone }: { drawing: Drawing; onDone: () => void }) {
  const { t } = useTranslation();
  const ref = useRef<HTMLInputElement>(null);
  const { text, problem } = drawing.typed;
  useEffect(() => {
    if (text.length === 1) ref.current?.focus();
  }, [text]);
  const set = async (): Promise<void> => {
    const parts = coordinatesIn(text);
    try {
      const [x, y] = parts ? await Promise.all(parts.map(readExpression)) : [];
      if (x === undefined || y === undefined) drawing.type(text, t('draw.noPlace'));
      else drawing.place([x, y]);
    } catch (error) {
      if (!(error instanceof ReaderAway)) throw error;
      drawing.type(text, t('ui.readerAway'));
    }
  };
  return (
    <label className="flex items-center gap-1 text-[13px]" title={t('draw.placeHelp')}>
      <span className="text-soft">{t('draw.placeField')}</span>
      <input
        ref={ref}
        value={text}
        aria-invalid={problem !== '' || undefined}
        placeholder="0, 0"
        autoComplete="off"
        onChange={(event) => drawing.type(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'Escape') {
            drawing.type('');
            onDone();
          } else if (event.key === 'Enter') {
            if (text.trim() === '') drawing.finish();
            else void set();
          } else return;
          event.preventDefault();
          event.stopPropagation();
        }}
        className="h-7 w-28 rounded-md border border-strong bg-sheet px-1.5 font-mono text-[12.5px] placeholder:text-soft aria-invalid:border-bad aria-invalid:text-bad"
      />
    </label>
  );
}
