import type { Control } from '@bogen/core/figure';
import { lazy, Suspense } from 'react';
import { useFigureOfText } from './FigureOfText.js';

const LiveSlider = lazy(async () => ({ default: (await import('./LiveSlider.js')).LiveSlider }));

/** A value of the figure that is set in the text. What sets it is fetched with the first. */
export function LiveControl({ control }: { control: Control }) {
  const scene = useFigureOfText();
  if (!scene) return null;
  return (
    <Suspense fallback={<span>…</span>}>
      <LiveSlider control={control} scene={scene} />
    </Suspense>
  );
}
