import '../text/enPages.js';
import type { FigureDocument } from '@bogen/core/figure';
import clsx from 'clsx';
import type { ReactNode } from 'react';
import { useTranslation } from '../text/text.js';
import { Thumbnail } from './Thumbnail.js';

interface LessonCardProps {
  readonly title: string;
  /** The figure that the lesson opens with. */
  readonly figure: FigureDocument;
  /** Names lesson and state, so that a drawing is kept as long as it is true. */
  readonly of: string;
  /** Whether the words stand beside the figure, where there is room, and not below it. */
  readonly beside?: boolean;
  readonly children: ReactNode;
}

/** A lesson as a card: the figure that it opens with, its title, and what else is to be said of it. */
export function LessonCard({ title, figure, of, beside = false, children }: LessonCardProps) {
  const { t } = useTranslation();
  const Heading = beside ? 'h2' : 'h3';
  return (
    <div
      className={clsx(
        'overflow-hidden rounded-lg border border-line bg-sheet',
        beside ? 'flex flex-col sm:flex-row' : 'transition-colors hover:border-strong',
      )}
    >
      <div className={clsx('grid place-items-center border-line p-3', beside ? 'sm:border-r' : 'border-b')}>
        <Thumbnail
          figure={figure}
          of={of}
          label={t('shelf.openingFigure', { title })}
          width={280}
          height={130}
        />
      </div>
      <div className={beside ? 'flex flex-1 flex-col px-5 py-4' : 'px-4 py-3'}>
        <Heading className={clsx('font-serif font-medium', beside ? 'text-[20px]' : 'text-[17px]')}>
          {title}
        </Heading>
        {children}
      </div>
    </div>
  );
}
