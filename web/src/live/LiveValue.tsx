import type { Measure } from '@bogen/core/figure';
import { useEffect, useRef } from 'react';
import { useFigureOfText } from './FigureOfText.js';

interface LiveValueProps {
  readonly measure: Measure;
  readonly digits: number;
}

/** A number of the figure in the text: it follows the figure in the same frame. What measures is fetched with the first. */
export function LiveValue({ measure, digits }: LiveValueProps) {
  const scene = useFigureOfText();
  const place = useRef<HTMLSpanElement>(null);
  useEffect(() => {
    if (!scene) return;
    let stop: (() => void) | undefined;
    let isGone = false;
    import('./liveText.js').then(
      ({ liveText }) => {
        if (isGone) return;
        let seen: unknown[] = [];
        stop = scene.addPainter(() => {
          const now = [scene.evaluation, scene.cursor];
          if (!place.current || now.every((part, index) => part === seen[index])) return;
          seen = now;
          const text = liveText(measure, digits, scene);
          if (place.current.textContent !== text) place.current.textContent = text;
        });
      },
      // Without a connection the number is not there yet; the text can be read without it.
      () => undefined,
    );
    return () => {
      isGone = true;
      stop?.();
    };
  }, [scene, measure, digits]);
  return (
    <span
      ref={place}
      className="rounded-sm bg-tint px-1 font-mono text-[0.82em] whitespace-nowrap"
      data-live-value={measure.of}
    >
      …
    </span>
  );
}
