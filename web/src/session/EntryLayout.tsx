import '../text/enPages.js';
import { clampedUniformKnots } from '@bogen/core/curve';
import { emptyFigure, type FigureDocument } from '@bogen/core/figure';
import type { ReactNode } from 'react';
import { Thumbnail } from '../thumbnail/Thumbnail.js';
import { TopBar } from '../ui/TopBar.js';
import { useTranslation } from '../text/text.js';

/** A cubic on seven control points, drawn by the same means as every figure. */
const points = [
  [0, 0],
  [0, 66],
  [38, 94],
  [92, 98],
  [136, 80],
  [172, 30],
  [165, 0],
];
const drawing: FigureDocument = {
  ...emptyFigure(),
  items: [
    { id: 'arc', name: 'Arc', kind: 'curve', curve: { degree: 3, knots: clampedUniformKnots(7, 3), points } },
  ],
  rail: { item: 'arc', tracks: [] },
};

/** A page with a form to come in by, beside a drawing of what awaits. */
export function EntryLayout({ title, lead, children }: { title: string; lead: string; children: ReactNode }) {
  const { t } = useTranslation();
  return (
    <div className="flex min-h-full flex-col">
      <TopBar />
      <main className="mx-auto grid w-full max-w-[1020px] flex-1 items-center gap-16 px-8 py-12 md:grid-cols-[minmax(0,360px)_1fr]">
        <div>
          <h1 className="font-serif text-[32px] leading-tight font-medium">{title}</h1>
          <p className="mt-2 mb-6 text-[15px] text-soft">{lead}</p>
          {children}
        </div>
        <figure className="hidden md:block">
          <Thumbnail figure={drawing} of="door" label={t('session.drawing')} width={520} height={320} />
          <figcaption className="mt-3 text-center font-serif text-[15px] text-soft italic">
            {t('app.tagline')}
          </figcaption>
        </figure>
      </main>
    </div>
  );
}
