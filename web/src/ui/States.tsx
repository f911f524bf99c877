import { useTold } from '../text/told.js';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { ApiProblem, NotConnected } from '../api/call.js';
import { useTranslation } from '../text/text.js';
import { Button } from './Button.js';

/** A page that says one thing, calmly: empty, failed, offline, not found. */
function Message({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className="mx-auto flex max-w-[560px] flex-col gap-4 px-6 py-20">
      <svg aria-hidden viewBox="0 0 200 60" className="w-40 text-strong" fill="none" stroke="currentColor">
        <path d="M10 54 40 8 160 8 190 54" strokeWidth="1" strokeDasharray="3 4" />
        <path d="M10 54C40 8 160 8 190 54" strokeWidth="2.5" />
      </svg>
      <h1 className="font-serif text-[26px] leading-tight font-medium">{title}</h1>
      <div className="prose-text flex flex-col items-start gap-4">{children}</div>
    </main>
  );
}

export function Loading() {
  const { t } = useTranslation();
  return (
    <main role="status" className="px-8 py-16 font-serif text-[18px] text-soft">
      {t('app.loading')}
    </main>
  );
}

/** What stands in place of a page that could not be opened: what happened, what was kept, what to do. */
export function Failure({ error, onRetry }: { error: unknown; onRetry?: () => void }) {
  const { t } = useTranslation();
  const tell = useTold();
  const home = (
    <Link to="/" className="text-accent underline underline-offset-4">
      {t('failed.home')}
    </Link>
  );
  if (error instanceof ApiProblem && error.problem.status === 404) {
    return (
      <Message title={t('failed.notFoundTitle')}>
        <p>{tell(error)}</p>
        {home}
      </Message>
    );
  }
  const offline = error instanceof NotConnected;
  return (
    <Message title={offline ? t('failed.offlineTitle') : t('failed.title')}>
      <p role="alert">{offline ? t('failed.offline') : tell(error)}</p>
      {onRetry ? (
        <Button primary onClick={onRetry}>
          {t('app.again')}
        </Button>
      ) : (
        <Button primary onClick={() => location.reload()}>
          {t('failed.reload')}
        </Button>
      )}
      {home}
    </Message>
  );
}

export function NotFound() {
  const { t } = useTranslation();
  return (
    <Message title={t('failed.notFoundTitle')}>
      <p>{t('failed.notFound')}</p>
      <Link to="/" className="text-accent underline underline-offset-4">
        {t('failed.home')}
      </Link>
    </Message>
  );
}
