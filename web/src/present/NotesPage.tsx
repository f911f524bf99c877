import '../text/enPresent.js';
import { seedFrom } from '@bogen/core/lesson';
import { useEffect, useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { useTranslation } from '../text/text.js';
import { Thumbnail } from '../thumbnail/Thumbnail.js';
import { StepButtons } from '../stage/StepButtons.js';
import { PresentChannel, type Shown } from './channel.js';

const minute = 60_000;
const clock = (time: number): string =>
  new Date(time).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

/** What only the person who presents sees: the notes to what is shown, what comes next, and the time. */
export function NotesPage() {
  const { t } = useTranslation();
  const { lesson } = useParams() as { lesson: string };
  const channel = useMemo(() => new PresentChannel(lesson), [lesson]);
  const [shown, setShown] = useState<Shown | null>(null);
  const [began] = useState(() => Date.now());
  const [now, setNow] = useState(began);
  useEffect(() => {
    const stop = channel.listen({ shown: setShown });
    channel.ask();
    return () => {
      stop();
      channel.close();
    };
  }, [channel]);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 10_000);
    return () => clearInterval(timer);
  }, []);
  useEffect(() => {
    const onKey = ({ key }: KeyboardEvent): void => {
      if (key === 'ArrowRight' || key === 'PageDown') channel.step(1);
      else if (key === 'ArrowLeft' || key === 'PageUp') channel.step(-1);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [channel]);
  if (!shown)
    return (
      <main className="grid h-full place-items-center p-8 text-center" role="status">
        <p className="max-w-[420px] font-serif text-[18px]">{t('present.waiting')}</p>
      </main>
    );
  const { title, number, count, caption, notes, next } = shown;
  return (
    <main className="flex h-full flex-col gap-4 overflow-y-auto p-6" data-notes>
      <div className="flex items-start gap-3">
        <div className="flex-1">
          <h1 className="font-mono text-[13px] text-soft">
            {t('present.stageOf', { title, number, count })}
          </h1>
          <p className="font-serif text-[22px] leading-tight">{caption}</p>
        </div>
        <p className="text-right font-mono text-[13px] text-soft">
          <span className="text-[20px] text-ink">{clock(now)}</span>
          <br />
          {t('present.began', { minutes: Math.floor((now - began) / minute), time: clock(began) })}
        </p>
      </div>
      <section
        aria-label={t('present.notesTitle')}
        className="flex-1 rounded-lg border border-line bg-sheet p-4"
      >
        <p className="text-[18px] leading-relaxed whitespace-pre-wrap" data-notes-text>
          {notes || <span className="text-soft">{t('present.noNotes')}</span>}
        </p>
      </section>
      <section aria-label={t('present.then')} className="flex items-center gap-4">
        <h2 className="text-[13px] font-semibold">{t('present.then')}</h2>
        {next ? (
          <>
            <Thumbnail
              figure={next.figure}
              of={`next ${seedFrom(JSON.stringify(next.figure))}`}
              label={next.caption}
              width={200}
              height={110}
            />
            <p className="flex-1 font-serif text-[16px]">{next.caption}</p>
          </>
        ) : (
          <p className="flex-1 text-soft">{t('present.end')}</p>
        )}
        <StepButtons index={1} count={3} onGo={(to) => channel.step(to > 1 ? 1 : -1)} />
      </section>
    </main>
  );
}
