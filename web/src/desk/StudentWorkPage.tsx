import '../text/enPages.js';
import type { Answer } from '@bogen/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { call } from '../api/instructorCall.js';
import { FigureView } from '../figure/view/FigureView.js';
import { stillHost } from '../figure/scene/host.js';
import { useScene } from '../figure/scene/useScene.js';
import { Rail } from '../rail/Rail.js';
import { useSignInWhenNeeded } from '../session/useAccount.js';
import { FigureOfText } from '../live/FigureOfText.js';
import { ProseView } from '../sheet/ProseView.js';
import { ScrollingText } from '../sheet/ScrollingText.js';
import { SheetLayout } from '../sheet/SheetLayout.js';
import { useOver } from '../task/useOver.js';
import { TaskCard } from '../task/TaskCard.js';
import { useNotationOf } from '../text/notation.js';
import { useTranslation } from '../text/text.js';
import { Failure, Loading } from '../ui/States.js';
import { TopBar } from '../ui/TopBar.js';
import { ProgressMark } from './ProgressMark.js';
import { shownTime } from '../text/time.js';

/** A student's sheet as the student left it, to look at. */
export function StudentWorkPage() {
  const { class: classId, work } = useParams() as { class: string; work: string };
  const query = useQuery({
    queryKey: ['student-work', classId, work],
    queryFn: ({ signal }) => call('studentWork', { params: { class: classId, work }, signal }),
  });
  useSignInWhenNeeded(query.error, '/sign-in');
  if (!query.data)
    return query.error ? <Failure error={query.error} onRetry={() => void query.refetch()} /> : <Loading />;
  return <Left work={query.data} classId={classId} />;
}

function Left({ work, classId }: { work: Answer<'studentWork'>; classId: string }) {
  const { t } = useTranslation();
  useNotationOf(work.notation);
  const host = useMemo(() => stillHost(work.document), [work.document]);
  const scene = useScene(host);
  const { sheet } = work;
  const [over, layOver] = useOver(work.stage);
  return (
    <SheetLayout
      sheet={sheet.id}
      bar={
        <TopBar
          place={
            <>
              <Link to={`/desk/${classId}`} className="text-soft underline-offset-4 hover:underline">
                {t('desk.title')}, {work.className}
              </Link>
              <span aria-hidden className="text-soft">
                /
              </span>
              <span className="truncate font-semibold">{work.student}</span>
            </>
          }
        />
      }
      text={
        <article className="flex flex-1 flex-col px-8 pt-5 pb-4 lg:min-h-0">
          <p className="font-mono text-[12px] text-soft">
            {work.lesson} · {t('desk.edition', { number: work.edition })}
          </p>
          <h1 className="mt-1.5 font-serif text-[27px] leading-[1.15] font-medium">
            {t('desk.left', { student: work.student })}
          </h1>
          <p className="mt-2 flex items-center gap-1.5 text-[14px]">
            <ProgressMark progress={work.progress} />
            {t(`reader.state.${work.progress}`)}
            <span className="text-soft">
              {work.attempts > 0 && `· ${t('desk.tries', { count: work.attempts })} `}·{' '}
              {work.changedAt ? t('desk.changed', { when: shownTime(work.changedAt) }) : t('desk.untouched')}
            </span>
          </p>
          <h2 className="mt-5 font-serif text-[19px] font-medium">{sheet.title}</h2>
          <ScrollingText>
            <FigureOfText value={scene}>
              <ProseView prose={sheet.prose} />
            </FigureOfText>
          </ScrollingText>
          {sheet.tasks
            .filter(({ stage }) => stage === work.stage)
            .map((task) => (
              <FigureOfText key={task.id} value={scene}>
                <TaskCard
                  task={task}
                  sheet={sheet}
                  start={work.start}
                  scene={scene}
                  kept={work.answers[task.id]}
                  passed={false}
                  onOver={layOver}
                />
              </FigureOfText>
            ))}
        </article>
      }
      tools={
        <Link to={`/desk/${classId}`} className="text-[13px] font-medium underline-offset-4 hover:underline">
          ← {t('desk.back')}
        </Link>
      }
      figure={<FigureView scene={scene} over={over} />}
      rail={<Rail scene={scene} />}
    />
  );
}
