import '../text/enPages.js';
import { useInfiniteQuery } from '@tanstack/react-query';
import { InstructorBar } from '../account/InstructorBar.js';
import { call } from '../api/instructorCall.js';
import { useSignInWhenNeeded } from '../session/useAccount.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Failure, Loading } from '../ui/States.js';

const moment = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** The log of who did what to whom, the newest first. */
export function AuditPage() {
  const { t } = useTranslation();
  const log = useInfiniteQuery({
    queryKey: ['audit'],
    queryFn: ({ pageParam, signal }) => call('audit', { query: { before: pageParam }, signal }),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: ({ entries, isMore }) => (isMore ? entries.at(-1)?.number : undefined),
    staleTime: 0,
  });
  useSignInWhenNeeded(log.error, '/sign-in');
  if (log.error) return <Failure error={log.error} onRetry={() => void log.refetch()} />;
  if (!log.data) return <Loading />;
  const entries = log.data.pages.flatMap((page) => page.entries);
  return (
    <div className="flex min-h-full flex-col">
      <InstructorBar here={t('people.audit')} under={{ to: '/people', title: t('people.title') }} />
      <main className="mx-auto w-full max-w-[980px] flex-1 px-4 py-9 sm:px-8">
        <h1 className="font-serif text-[30px] font-medium">{t('people.auditTitle')}</h1>
        <p className="mt-1 mb-4 text-[14px] text-soft">{t('people.auditLead')}</p>
        {entries.length === 0 && <p className="prose-text">{t('people.auditEmpty')}</p>}
        <div className="overflow-x-auto">
          <table className="w-full border-collapse text-left text-[14px]" data-audit>
            <thead>
              <tr className="border-y border-line text-[13px]">
                {(['when', 'by', 'what', 'whom'] as const).map((key) => (
                  <th key={key} scope="col" className="py-2 pr-4 font-semibold">
                    {t(`people.${key}`)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {entries.map((entry) => (
                <tr key={entry.number} className="border-b border-line">
                  <td className="py-1.5 pr-4 font-mono text-[13px] whitespace-nowrap text-soft">
                    {moment.format(new Date(entry.at))}
                  </td>
                  <td className="py-1.5 pr-4">{entry.by ?? t('people.erasedName')}</td>
                  <td className="py-1.5 pr-4">{t(`people.action.${entry.action}`)}</td>
                  <td className="py-1.5 pr-4">
                    {entry.to !== entry.by && entry.to}
                    {entry.with && (
                      <span className="text-soft">
                        {entry.to !== entry.by && entry.to && ', '}
                        {entry.with}
                      </span>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        {log.hasNextPage && (
          <Button className="mt-4" disabled={log.isFetchingNextPage} onClick={() => void log.fetchNextPage()}>
            {t('people.more')}
          </Button>
        )}
      </main>
    </div>
  );
}
