import '@bogen/core/mathematics';
import '../text/enBench.js';
import '../text/enPages.js';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import { firstFigure } from '../sheet/firstFigure.js';
import { useAccount } from '../session/useAccount.js';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Failure, Loading } from '../ui/States.js';
import { TopBar } from '../ui/TopBar.js';
import { BenchDesk } from './BenchDesk.js';
import { browserBench, NotOnBench } from './browser.js';
import { withSentPictures } from './picturesHere.js';
import { benchOf } from './store.js';
import type { BenchFigure, BenchStore } from './kept.js';

/** The bench: figures without a lesson, for anyone. */
export function BenchPage() {
  const account = useAccount();
  const who = account.data?.who;
  const bench = useMemo(() => who && benchOf(who), [who]);
  if (account.error) return <Failure error={account.error} onRetry={() => void account.refetch()} />;
  return bench && who ? (
    <Bench key={bench.place} bench={bench} isInstructor={who === 'instructor'} />
  ) : (
    <Loading />
  );
}

function Bench({ bench, isInstructor }: { bench: BenchStore; isInstructor: boolean }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const client = useQueryClient();
  const { figure: id } = useParams();
  const [removed, setRemoved] = useState<BenchFigure | null>(null);
  const list = useQuery({ queryKey: ['bench', bench.place], queryFn: () => bench.list() });
  const opened = useQuery({
    queryKey: ['bench-figure', bench.place, id],
    queryFn: () => bench.read(id!),
    enabled: id !== undefined,
    staleTime: Infinity,
    gcTime: 0,
    retry: false,
    structuralSharing: false,
  });
  // An address may carry a figure: it comes onto the bench beside the others.
  const { hash } = useLocation();
  const isCarried = id === undefined && hash.startsWith('#figure=');
  const [broken, setBroken] = useState<unknown>(null);
  const taken = useRef('');
  useEffect(() => {
    if (!isCarried || taken.current === hash) return;
    taken.current = hash;
    const take = async (): Promise<void> => {
      const { figureOf } = await import('../editing/exchange/figureLink.js');
      const made = await bench.add(t('bench.carried'), await figureOf(hash));
      await client.invalidateQueries({ queryKey: ['bench', bench.place] });
      void navigate(`/bench/${made}`, { replace: true });
    };
    take().catch(setBroken);
  }, [isCarried, hash, bench, client, navigate, t]);
  // Without a figure in the address it is the last one, or a first one on an empty bench.
  useEffect(() => {
    if (id !== undefined || isCarried || !list.data) return;
    const [last] = list.data;
    const go = (to: string): void => void navigate(`/bench/${to}`, { replace: true });
    if (last) go(last.id);
    else
      void bench.add(t('bench.first'), firstFigure()).then(async (made) => {
        await client.invalidateQueries({ queryKey: ['bench', bench.place] });
        go(made);
      });
  }, [id, isCarried, list.data, bench]);
  const error = list.error ?? opened.error;
  if (opened.error instanceof NotOnBench) return <Gone />;
  if (isCarried && broken) return <Gone reason={broken} />;
  if (error)
    return <Failure error={error} onRetry={() => void Promise.all([list.refetch(), opened.refetch()])} />;
  if (!opened.data) return <Loading />;
  return (
    <BenchDesk
      key={opened.data.id}
      bench={bench}
      opened={opened.data}
      others={list.data ?? []}
      isInstructor={isInstructor}
      removed={removed}
      onRemoved={setRemoved}
      notice={bench.place === 'account' && <LeftInBrowser bench={bench} isInstructor={isInstructor} />}
    />
  );
}

function Gone({ reason }: { reason?: unknown }) {
  const { t } = useTranslation();
  const tell = useTold();
  return (
    <div className="flex min-h-full flex-col">
      <TopBar />
      <main className="grid flex-1 place-items-center gap-4 p-8 text-center">
        <div>
          <h1 className="font-serif text-[22px]">{reason === undefined ? t('bench.gone') : tell(reason)}</h1>
          <Link to="/bench" className="mt-3 inline-block text-accent underline underline-offset-4">
            {t('bench.bench')}
          </Link>
        </div>
      </main>
    </div>
  );
}

/** What was drawn in this browser before somebody signed in, to be taken into the account. */
function LeftInBrowser({ bench, isInstructor }: { bench: BenchStore; isInstructor: boolean }) {
  const { t } = useTranslation();
  const tell = useTold();
  const client = useQueryClient();
  const left = useQuery({ queryKey: ['bench', 'browser'], queryFn: () => browserBench.list() });
  const [problem, setProblem] = useState('');
  const count = left.data?.length ?? 0;
  if (count === 0) return null;
  const takeIn = async (): Promise<void> => {
    try {
      for (const { id, name, figure } of (left.data ?? []).toReversed()) {
        await bench.add(name, isInstructor ? await withSentPictures(figure) : figure);
        await browserBench.remove(id);
      }
    } catch (error) {
      setProblem(tell(error as Error));
    }
    await client.invalidateQueries({ queryKey: ['bench'] });
  };
  return (
    <div className="flex flex-wrap items-center gap-4 border-b border-line bg-tint px-4 py-1 text-[13px]">
      <span>{t('bench.left', { count })}</span>
      <Button quiet onClick={() => void takeIn()}>
        {t('bench.takeIn')}
      </Button>
      {problem && <span role="alert">{problem}</span>}
    </div>
  );
}
