import {
  applyFigureCommand,
  emptyFigure,
  gripsOfItem,
  moveGrips,
  translation,
  type FigureDocument,
  type FigureItem,
} from '@bogen/core/figure';
import {
  FormatError,
  formatLimits,
  formatOfFile,
  formats,
  type FormatMember,
  type FormatName,
} from '@bogen/core/format';
import { CommandError, told } from '@bogen/core/lesson';
import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { Choice } from '../../ui/Choice.js';
import { ProblemText } from '../../ui/ProblemText.js';
import { exchange, type FileContent } from '../../worker/exchange.js';
import { pasteCommand } from '../clipboard/clipboard.js';

/** The formats that are read, and their names as a choice of them. */
const readable = Object.values<FormatMember>(formats).filter(({ read }) => read);
const readableNames = new Intl.ListFormat('en-GB', { type: 'disjunction' }).format(
  readable.map(({ name }) => name.toUpperCase()),
);

interface TakeInProps {
  readonly scene: FigureScene;
  /** A file that was dropped onto the figure. */
  readonly dropped: File | null;
  readonly onTaken: (name: string) => void;
}

type State =
  | { readonly is: 'idle' }
  | { readonly is: 'reading'; readonly name: string; readonly stop: () => void; readonly share?: number }
  | { readonly is: 'stopped' }
  | { readonly is: 'refused'; readonly problem: unknown }
  | {
      readonly is: 'read';
      readonly name: string;
      readonly content: FileContent;
      readonly at: 'file' | 'middle';
    };

/** A file that comes into the figure: first what is in it and how large, seen in the figure, and then in one step. */
export function TakeIn({ scene, dropped, onTaken }: TakeInProps) {
  const { t } = useTranslation();
  const [state, setState] = useState<State>({ is: 'idle' });
  const input = useRef<HTMLInputElement>(null);
  const { host } = scene;

  const take = (file: File): void => {
    if (state.is === 'reading') state.stop();
    host.preview(null);
    let format: FormatName;
    try {
      format = formatOfFile(file.name).name as FormatName;
      if (file.size > 2 * formatLimits.characters)
        throw new FormatError(
          told('fileTooLarge', {
            size: Math.ceil(file.size / 1e6),
            most: (2 * formatLimits.characters) / 1e6,
          }),
        );
    } catch (problem) {
      setState({ is: 'refused', problem });
      return;
    }
    let isStopped = false;
    let stopWork = (): void => undefined;
    const stop = (): void => {
      isStopped = true;
      stopWork();
      setState({ is: 'stopped' });
    };
    setState({ is: 'reading', name: file.name, stop });
    const read = async (): Promise<void> => {
      const text = textOf(await file.arrayBuffer());
      if (isStopped) return;
      const reached = (share: number): void =>
        setState((now) => (now.is === 'reading' && now.stop === stop ? { ...now, share } : now));
      const work = exchange('read', reached, format, text);
      stopWork = work.stop;
      const outcome = await work.result;
      if (!outcome || isStopped) return;
      if ('reason' in outcome) setState({ is: 'refused', problem: outcome.reason });
      else {
        const content = outcome.value;
        const at = isInView(content, scene.document) ? 'file' : 'middle';
        setState({ is: 'read', name: file.name, content, at });
      }
    };
    read().catch((problem: unknown) => !isStopped && setState({ is: 'refused', problem }));
  };

  const takeLatest = useRef(take);
  takeLatest.current = take;
  useEffect(() => {
    if (dropped) takeLatest.current(dropped);
  }, [dropped]);

  // What would come in is seen in the figure, until it comes or is left.
  const [misfit, setMisfit] = useState<unknown>(null);
  const shown = state.is === 'read' ? state : null;
  const document = useSyncExternalStore(scene.onRest, () => scene.restingDocument());
  const command = useMemo(() => shown && commandOf(document, shown), [document, shown]);
  useEffect(() => {
    setMisfit(null);
    if (!command) return undefined;
    try {
      host.preview(command);
    } catch (problem) {
      if (!(problem instanceof CommandError)) throw problem;
      setMisfit(problem);
    }
    return () => host.preview(null);
  }, [host, command]);

  return (
    <section aria-labelledby="exchange-in" className="flex flex-col gap-2" data-exchange-in>
      <h3 id="exchange-in" className="font-semibold">
        {t('exchange.in')}
      </h3>
      <p className="text-[12.5px] text-soft">{t('exchange.inLead', { formats: readableNames })}</p>
      <input
        ref={input}
        type="file"
        accept={readable.flatMap(({ endings }) => endings.map((ending) => `.${ending}`)).join()}
        aria-label={t('exchange.choose')}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) take(file);
        }}
      />
      <div className="flex items-center gap-2">
        <Button onClick={() => input.current?.click()}>{t('exchange.choose')}</Button>
        {state.is === 'reading' && <Button onClick={state.stop}>{t('exchange.stop')}</Button>}
      </div>
      <div role="status" className="flex flex-col gap-1 text-[13px]">
        {state.is === 'reading' && (
          <>
            {t('exchange.reading', { name: state.name })}
            <progress
              aria-label={t('exchange.reading', { name: state.name })}
              className="w-full"
              value={state.share}
            />
          </>
        )}
        {state.is === 'stopped' && t('exchange.stopped')}
        {state.is === 'read' && <Content name={state.name} content={state.content} />}
      </div>
      {state.is === 'refused' && <ProblemText error={state.problem} className="text-[13px]" />}
      <ProblemText error={misfit} className="text-[13px]" />
      {state.is === 'read' && (
        <>
          <Choice
            label={t('exchange.at')}
            value={state.at}
            choices={['file', 'middle'] as const}
            name={(place) => t(`exchange.places.${place}`)}
            onChange={(at) => setState({ ...state, at })}
          />
          <div className="flex gap-2">
            <Button
              primary
              disabled={misfit !== null}
              onClick={() => {
                host.preview(null);
                host.do(command!);
                setState({ is: 'idle' });
                onTaken(state.name);
              }}
            >
              {t('exchange.take')}
            </Button>
            <Button onClick={() => setState({ is: 'idle' })}>{t('exchange.cancel')}</Button>
          </div>
        </>
      )}
    </section>
  );
}

/** What a file holds, before it comes in. */
function Content({ name, content }: { name: string; content: FileContent }) {
  const { t } = useTranslation();
  const { items, left, millimetres, box } = content;
  const points = items.filter(({ kind }) => kind === 'point').length;
  const curves = items.length - points;
  return (
    <>
      <p className="font-medium">{t('exchange.holds', { name })}</p>
      <ul className="list-disc pl-4" data-exchange-content>
        {curves > 0 && <li>{t('exchange.curves', { count: curves })}</li>}
        {points > 0 && <li>{t('exchange.points', { count: points })}</li>}
        {box && (
          <li>
            {t('exchange.size', {
              width: shownNumber(box.high[0]! - box.low[0]!),
              height: shownNumber(box.high[1]! - box.low[1]!),
            })}
          </li>
        )}
      </ul>
      {millimetres !== 1 && <p>{t('exchange.unit', { millimetres: shownNumber(millimetres) })}</p>}
      {left.length > 0 && (
        <>
          <p>{t('exchange.left')}</p>
          <ul className="max-h-24 list-disc overflow-y-auto pl-4" data-exchange-left tabIndex={0}>
            {left.map(({ what, count }) => (
              <li key={what}>{t('exchange.leftOne', { what, count })}</li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

/** A file's text; whatever is not UTF-8 is refused rather than read as something else. */
function textOf(bytes: ArrayBuffer): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new FormatError(told('fileEncoding'));
  }
}

/** Whether something of it would be seen. */
function isInView({ box }: FileContent, { view }: FigureDocument): boolean {
  if (!box) return true;
  const { low, high } = box;
  return low[0]! < view.right && high[0]! > view.left && low[1]! < view.top && high[1]! > view.bottom;
}

function commandOf(document: FigureDocument, { content, at }: Extract<State, { is: 'read' }>) {
  const { items, box } = content;
  if (at === 'file' || !box) return pasteCommand(document, items);
  const { left, right, bottom, top } = document.view;
  return pasteCommand(
    document,
    moved(
      items,
      (left + right) / 2 - (box.low[0]! + box.high[0]!) / 2,
      (bottom + top) / 2 - (box.low[1]! + box.high[1]!) / 2,
    ),
  );
}

/** Items moved by a way, as far as they have places of their own. */
function moved(items: readonly FigureItem[], dx: number, dy: number): readonly FigureItem[] {
  const figure: FigureDocument = { ...emptyFigure(), items };
  const command = moveGrips(figure, items.flatMap(gripsOfItem), translation(dx, dy));
  return command ? applyFigureCommand(figure, command).document.items : items;
}
