import '../text/enEditing.js';
import { newSheet, type Told } from '@bogen/core/lesson';
import clsx from 'clsx';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { useStore } from 'zustand';
import { useFigureEditing } from '../editing/useFigureEditing.js';
import { useScene } from '../figure/scene/useScene.js';
import { Rail } from '../rail/Rail.js';
import { newId } from '../saving/newId.js';
import { UndoButtons } from '../saving/SaveState.js';
import { useUndoKeys } from '../saving/useEdited.js';
import { SheetLayout } from '../sheet/SheetLayout.js';
import { LessonPick } from '../shelf/LessonPick.js';
import { useTold } from '../text/told.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { TopBar } from '../ui/TopBar.js';
import { editedFigure } from '../saving/editedFigure.js';
import type { EditedFigure } from '../saving/ending.js';
import { benchHost } from './benchHost.js';
import { keepPictureHere } from './picturesHere.js';
import { BenchSaver } from './benchSaver.js';
import { FigureList } from './FigureList.js';
import type { BenchFigure, BenchStore } from './kept.js';

interface BenchDeskProps {
  readonly bench: BenchStore;
  readonly opened: BenchFigure;
  readonly others: readonly BenchFigure[];
  readonly isInstructor: boolean;
  readonly notice: ReactNode;
  /** What was taken away just now, to bring it back. */
  readonly removed: BenchFigure | null;
  readonly onRemoved: (figure: BenchFigure | null) => void;
}

/** One figure of the bench with every tool, kept as it is changed. */
export function BenchDesk(props: BenchDeskProps) {
  const { bench, opened, others, isInstructor, notice, removed, onRemoved } = props;
  const { t } = useTranslation();
  const navigate = useNavigate();
  const refuse = useRef<(why: Told | null) => void>(() => undefined);
  const { edited, host, saver } = useMemo(() => {
    const made = editedFigure(opened.figure);
    return {
      edited: made,
      host: benchHost(
        made,
        (why) => refuse.current(why),
        // Only an instructor's pictures are kept by the server.
        isInstructor ? undefined : keepPictureHere,
      ),
      saver: new BenchSaver(bench, opened.id, opened),
    };
  }, [bench, opened, isInstructor]);
  const scene = useScene(host);
  refuse.current = (told) => {
    const { left, right, bottom, top } = scene.view;
    scene.previews.setRefused(told && { told, at: [(left + right) / 2, (bottom + top) / 2] });
  };
  useKeeping(edited, saver);
  useUndoKeys(edited);
  const editing = useFigureEditing({
    scene,
    place: opened.id,
    undo: <UndoButtons edited={edited} narrow />,
    frees: false,
  });
  const current = others.find(({ id }) => id === opened.id) ?? opened;
  return (
    <>
      <SheetLayout
        sheet={opened.id}
        wide
        bar={
          <TopBar
            place={
              <>
                <span className="hidden text-soft sm:inline">{t('bench.bench')}</span>
                <span aria-hidden className="hidden text-soft sm:inline">
                  /
                </span>
                <h1 className="sr-only">{current.name}</h1>
                <FigureList
                  bench={bench}
                  current={current}
                  figures={others}
                  removed={removed}
                  onRemoved={onRemoved}
                  figure={() => edited.store.getState().history.document}
                />
              </>
            }
            end={
              <>
                <BenchState saver={saver} place={bench.place} />
                {isInstructor && (
                  <LessonPick
                    label={t('bench.makeSheet')}
                    trigger={<Button quiet>{t('bench.makeSheet')}</Button>}
                    sheet={() =>
                      newSheet({
                        id: newId(),
                        title: current.name,
                        figure: edited.store.getState().history.document,
                      })
                    }
                    onDone={(lesson, sheet) => void navigate(`/write/${lesson}/${sheet}`)}
                  />
                )}
                <Link
                  to="/"
                  className="inline-flex h-7 items-center rounded-md px-2.5 text-[13px] font-medium hover:bg-tint"
                >
                  {t('bench.home')}
                </Link>
              </>
            }
          />
        }
        notice={
          <>
            {notice}
            <BenchTrouble bench={bench} saver={saver} edited={edited} current={current} />
          </>
        }
        text={null}
        tools={editing.tools}
        figure={editing.figure}
        rail={<Rail scene={scene} />}
      />
      {editing.panels}
    </>
  );
}

/** Keeps every change, and what waits when the page goes. */
function useKeeping(edited: EditedFigure, saver: BenchSaver): void {
  useEffect(() => {
    const stop = edited.store.subscribe(({ history }, before) => {
      if (history.document !== before.history.document) saver.changed(history.document);
    });
    const leave = (): void => {
      if (document.visibilityState === 'hidden') saver.send();
    };
    const again = (): void => saver.send();
    document.addEventListener('visibilitychange', leave);
    window.addEventListener('online', again);
    return () => {
      stop();
      saver.send();
      document.removeEventListener('visibilitychange', leave);
      window.removeEventListener('online', again);
    };
  }, [edited, saver]);
}

/** How keeping stands. */
function BenchState({ saver, place }: { saver: BenchSaver; place: BenchStore['place'] }) {
  const { t } = useTranslation();
  const status = useStore(saver.store, (state) => state.status);
  return (
    <span
      role="status"
      // A phone has no room for it as long as all is well.
      className={clsx('text-[13px] whitespace-nowrap text-soft', status === 'saved' && 'hidden sm:inline')}
      title={place === 'browser' ? t('bench.inBrowserHelp') : undefined}
      data-bench-state={status}
    >
      {status === 'saved'
        ? t(place === 'browser' ? 'bench.inBrowser' : 'save.saved')
        : status === 'saving'
          ? t('save.saving')
          : status === 'offline'
            ? t('bench.offline')
            : ''}
    </span>
  );
}

/** A strip while something about keeping has to be decided. */
function BenchTrouble({
  bench,
  saver,
  edited,
  current,
}: {
  bench: BenchStore;
  saver: BenchSaver;
  edited: EditedFigure;
  current: BenchFigure;
}) {
  const { t } = useTranslation();
  const tell = useTold();
  const client = useQueryClient();
  const navigate = useNavigate();
  const { status, error } = useStore(saver.store);
  if (status !== 'elsewhere' && status !== 'refused') return null;
  const keepBoth = async (): Promise<void> => {
    const mine = edited.store.getState().history.document;
    const id = await bench.add(t('bench.mine', { name: current.name }).slice(0, 200), mine);
    await client.invalidateQueries({ queryKey: ['bench'] });
    await navigate(`/bench/${id}`);
  };
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-4 border-b border-line bg-tint px-4 py-1 text-[13px]"
    >
      <span>
        {status === 'elsewhere'
          ? t('bench.elsewhere')
          : t('bench.refused', { why: error ? tell(error) : '' })}
      </span>
      {status === 'elsewhere' && (
        <>
          <Button quiet onClick={() => void keepBoth()}>
            {t('bench.keepBoth')}
          </Button>
          <Button quiet onClick={() => void client.resetQueries({ queryKey: ['bench-figure'] })}>
            {t('bench.takeTheirs')}
          </Button>
        </>
      )}
    </div>
  );
}
