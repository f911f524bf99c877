import '../text/enPresent.js';
import type { FigureDocument } from '@bogen/core/figure';
import { figureOfStage, steppedStages, type Notation, type Sheet } from '@bogen/core/lesson';
import clsx from 'clsx';
import {
  ChevronLeft,
  ChevronRight,
  Eraser,
  Moon,
  NotebookText,
  PanelBottom,
  Pencil,
  Pointer as PointerIcon,
  RotateCcw,
  X,
} from 'lucide-react';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { benchHost } from '../bench/benchHost.js';
import { editedFigure } from '../saving/editedFigure.js';
import type { FigureHost } from '../figure/scene/host.js';
import { FigureView } from '../figure/view/FigureView.js';
import { Rail } from '../rail/Rail.js';
import type { PresentState } from '../stage/presentState.js';
import { useStageInAddress } from '../stage/useStageInAddress.js';
import { useStagedScene } from '../stage/useStagedScene.js';
import { useNotationOf } from '../text/notation.js';
import { useTranslation } from '../text/text.js';
import { useTheme } from '../theme/theme.js';
import { useStateOf } from '../ui/useStateOf.js';
import { PresentChannel } from './channel.js';
import { Pen, type Stroke } from './Pen.js';
import { Pointer } from './Pointer.js';

interface PresentedProps {
  readonly lesson: string;
  readonly sheets: readonly Sheet[];
  readonly notation: Notation | undefined;
  /** The sheet at which it begins, the first where it is not there. */
  readonly wanted: string | undefined;
  /** Where a sheet of the lesson is presented, and where one goes from there. */
  readonly addressOf: (sheet: string) => string;
  readonly backTo: (sheet: string) => string;
  /** Notes can be shown in a window of their own; readers have none. */
  readonly hasNotes: boolean;
}

/** How much larger marks and type are than on a desk. */
const scales = [1, 1.3, 1.6, 2, 2.5] as const;

/** A lesson on the wall: one stage after the other, large, with what a person in front of a class needs. */
export function Presented({ lesson, sheets, notation, wanted, addressOf, backTo, hasNotes }: PresentedProps) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const state = useLocation().state as PresentState | null;
  useNotationOf(notation);
  const index = Math.max(
    0,
    sheets.findIndex(({ id }) => id === wanted),
  );
  const sheet = sheets[index]!;
  const stages = steppedStages(sheet);
  const [stageId, goTo] = useStageInAddress(sheet.id, stages);
  const at = stages.findIndex(({ id }) => id === stageId);
  const place = `${sheet.id}/${stageId}`;
  const [tries, setTries] = useStateOf(place, 0);
  const own = state?.own?.place === place ? state.own.figure : undefined;
  const host = useTriedHost(sheet, stageId, tries, own);
  const scene = useStagedScene(sheet.id, host, sheet.stages.length);
  const [strokes, setStrokes] = useStateOf<readonly Stroke[]>(place, []);
  const [tool, setTool] = useState<'none' | 'pointer' | 'pen'>('none');
  const [hasRail, setRail] = useState(false);
  // On a small screen larger marks would hide the figure.
  const [size, setSize] = useState(() => (innerWidth < 700 ? 0 : 2));
  const [problem, setProblem] = useState('');
  const [isDark, setDark] = useDarkRoom();
  const channel = useMemo(() => new PresentChannel(lesson), [lesson]);
  useEffect(() => () => channel.close(), [channel]);

  const step = (by: 1 | -1): void => {
    const stage = stages[at + by];
    const other = sheets[index + by];
    if (stage) goTo(stage.id);
    else if (other) {
      const [first, last] = [steppedStages(other)[0]!, steppedStages(other).at(-1)!];
      const to = by === 1 ? first : last;
      void navigate(`${addressOf(other.id)}${and(addressOf(other.id))}stage=${to.id}`, {
        replace: true,
        state,
      });
    }
  };
  const leave = (): void => {
    if (document.fullscreenElement) void document.exitFullscreen().catch(() => undefined);
    const back = backTo(sheet.id);
    void navigate(`${back}${and(back)}stage=${stageId}`);
  };
  const openNotes = (): void => {
    const opened = window.open(`/present-notes/${lesson}`, 'bogen-notes', 'popup,width=720,height=600');
    setProblem(opened ? '' : t('present.blocked'));
  };
  const nextStage = stages[at + 1];
  const nextSheet = sheets[index + 1];
  const shown = {
    sheet: sheet.id,
    title: sheet.title,
    number: at + 1,
    count: stages.length,
    caption: stages[at]!.caption,
    notes: stages[at]!.notes ?? '',
    next: nextStage
      ? { caption: nextStage.caption, figure: figureOfStage(sheet, nextStage.id) }
      : nextSheet
        ? { caption: nextSheet.title, figure: nextSheet.figure }
        : null,
  };
  const latest = useRef({ shown, step });
  latest.current = { shown, step };
  useEffect(() => channel.show(latest.current.shown), [channel, place, sheets]);
  useEffect(
    () =>
      channel.listen({
        step: (by) => latest.current.step(by),
        ask: () => channel.show(latest.current.shown),
      }),
    [channel],
  );

  const acts: Readonly<Record<string, () => void>> = {
    ArrowRight: () => step(1),
    PageDown: () => step(1),
    ' ': () => step(1),
    ArrowLeft: () => step(-1),
    PageUp: () => step(-1),
    Home: () => goTo(stages[0]!.id),
    End: () => goTo(stages.at(-1)!.id),
    Escape: leave,
    o: () => setTool(tool === 'pointer' ? 'none' : 'pointer'),
    e: () => setTool(tool === 'pen' ? 'none' : 'pen'),
    x: () => setStrokes([]),
    d: () => setDark(!isDark),
    r: () => setRail(!hasRail),
    ...(hasNotes && { n: openNotes }),
    '0': () => setTries(tries + 1),
    '+': () => setSize(Math.min(size + 1, scales.length - 1)),
    '-': () => setSize(Math.max(size - 1, 0)),
  };
  useKeys(acts);
  useEffect(() => {
    // A browser that does not let the page take the whole screen shows it in its window.
    void document.documentElement.requestFullscreen?.().catch(() => undefined);
  }, []);
  const button = (label: string, key: string, icon: ReactNode, isOn?: boolean, disabled = false) => (
    <button
      type="button"
      aria-label={label}
      title={label}
      aria-pressed={isOn}
      disabled={disabled}
      onClick={acts[key]}
      className={clsx(
        'grid size-10 place-items-center rounded-md hover:bg-tint disabled:opacity-35',
        isOn && 'bg-tint',
      )}
    >
      {icon}
    </button>
  );
  const isFirst = at === 0 && index === 0;
  const isLast = at === stages.length - 1 && index === sheets.length - 1;
  return (
    <main
      className={clsx('flex h-full flex-col bg-sheet', tool === 'pointer' && 'cursor-none **:cursor-none!')}
      data-present
    >
      <div className="relative flex min-h-0 flex-1 flex-col">
        <FigureView scene={scene} markScale={scales[size]} />
        <Pen
          key={place}
          strokes={strokes}
          isOn={tool === 'pen'}
          onStroke={(stroke) => setStrokes((before) => [...before, stroke])}
        />
      </div>
      {hasRail && <Rail scene={scene} />}
      <div className="flex min-h-[84px] shrink-0 flex-wrap items-center gap-x-6 gap-y-1 border-t border-line px-6 py-3">
        <div className="min-w-0 flex-1">
          <h1 className="font-mono text-[14px] text-soft">
            {stages.length > 1
              ? t('present.stageOf', { title: sheet.title, number: at + 1, count: stages.length })
              : t('present.sheetOf', { title: sheet.title })}
          </h1>
          <p role="status" className="font-serif text-[27px] leading-tight" data-caption>
            {stages[at]!.caption}
          </p>
          {problem && (
            <p role="alert" className="text-[14px] text-bad">
              {problem}
            </p>
          )}
        </div>
        <div role="toolbar" aria-label={t('present.controls')} className="flex flex-wrap items-center">
          {button(t('present.pointer'), 'o', <PointerIcon aria-hidden size={20} />, tool === 'pointer')}
          {button(t('present.pen'), 'e', <Pencil aria-hidden size={20} />, tool === 'pen')}
          {button(t('present.erase'), 'x', <Eraser aria-hidden size={20} />, undefined, strokes.length === 0)}
          {button(t('present.reset'), '0', <RotateCcw aria-hidden size={20} />)}
          {button(t('present.rail'), 'r', <PanelBottom aria-hidden size={20} />, hasRail)}
          {button(t('present.dark'), 'd', <Moon aria-hidden size={20} />, isDark)}
          {hasNotes && button(t('present.notes'), 'n', <NotebookText aria-hidden size={20} />)}
          {button(
            t('present.previous'),
            'ArrowLeft',
            <ChevronLeft aria-hidden size={24} />,
            undefined,
            isFirst,
          )}
          {button(t('present.next'), 'ArrowRight', <ChevronRight aria-hidden size={24} />, undefined, isLast)}
          {button(t('present.leave'), 'Escape', <X aria-hidden size={20} />)}
        </div>
      </div>
      {tool === 'pointer' && <Pointer />}
    </main>
  );
}

/** What leads on from an address to a search of it. */
const and = (address: string): string => (address.includes('?') ? '&' : '?');

/** A stage's figure in which everything can be moved before a class, and nothing is kept in the lesson. */
function useTriedHost(
  sheet: Sheet,
  stage: string,
  tries: number,
  own: FigureDocument | undefined,
): FigureHost {
  const hosts = useMemo(() => new Map<string, FigureHost>(), [sheet]);
  const key = `${stage} ${tries}`;
  let host = hosts.get(key);
  if (!host) {
    host = benchHost(editedFigure((tries === 0 && own) || figureOfStage(sheet, stage)));
    hosts.set(key, host);
  }
  return host;
}

/** Dark for as long as one presents; what the device shows otherwise stays as it is chosen. */
function useDarkRoom(): readonly [boolean, (dark: boolean) => void] {
  const theme = useTheme((state) => state.theme);
  const showFor = useTheme((state) => state.showFor);
  useEffect(() => () => showFor(null), [showFor]);
  return [theme === 'dark', (dark) => showFor(dark ? 'dark' : 'light')];
}

/** Keys of a presentation, wherever the focus is, except where something takes them itself. */
function useKeys(acts: Readonly<Record<string, () => void>>): void {
  const latest = useRef(acts);
  latest.current = acts;
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return;
      const target = event.target as HTMLElement;
      if (target.closest('input, textarea, select')) return;
      // A button that has the focus is pressed by the space bar.
      if (event.key === ' ' && target.closest('button')) return;
      const act = latest.current[event.key];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
