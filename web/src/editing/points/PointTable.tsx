import { distinctPointCount, type Curve, exactForm } from '@bogen/core/curve';
import { boxOf, curveOf, type FigureItem } from '@bogen/core/figure';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { pointName } from '../../figure/scene/names.js';
import { typedOrExact } from '../../text/exact.js';
import { useExact } from '../../text/useExact.js';
import { ExactCheck } from '../../ui/ExactCheck.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTold } from '../../text/told.js';
import { useTranslation } from '../../text/text.js';
import { Panel } from '../../ui/Panel.js';
import { shownNumber } from '../../text/number.js';
import { Check, Choice } from '../../ui/Choice.js';
import { ReaderAway, readExpression } from '../../ui/expression.js';

/**
 * The control points of a curve as numbers, in step with the drawing both ways: what is dragged changes
 * here, what is typed moves there, and the point that one looks at lights up in both.
 */
export function PointTable({
  scene,
  item,
  onClose,
}: {
  scene: FigureScene;
  item: FigureItem;
  onClose: () => void;
}) {
  const { t } = useTranslation();
  const tell = useTold();
  useSyncExternalStore(scene.drawn.subscribe, () => scene.document);
  const [problem, setProblem] = useState('');
  const [unit, setUnit] = useState(false);
  // The box stays as it was found while its points move in it.
  const [box, setBox] = useState(() => frameOf(curveOf(scene.evaluation, item.id)));
  const picked = useSyncExternalStore(scene.pointed.subscribe, () => scene.pointed.picked);
  const curve = curveOf(scene.evaluation, item.id);
  if (!curve) return null;
  const given = item.kind === 'curve';
  const frame = unit ? box : wholeFrame;
  const points = curve.points.slice(0, distinctPointCount(curve));
  return (
    <Panel
      open
      onClose={onClose}
      title={t('table.title', { curve: item.name })}
      lead={t(given ? 'table.lead' : item.kind === 'shape' ? 'table.ofShape' : 'table.follows')}
    >
      <div className="flex flex-wrap items-center gap-2">
        <Choice
          label={t('table.coordinates')}
          value={unit ? 'unit' : 'lengths'}
          choices={['lengths', 'unit'] as const}
          name={(value) => t(`table.in.${value}`)}
          onChange={(value) => {
            setUnit(value === 'unit');
            setBox(frameOf(curve));
          }}
        />
        <ExactCheck />
      </div>
      {unit && (
        <p className="text-[12.5px] text-soft">
          {t('table.unitHelp', {
            x: shownNumber(box.x),
            y: shownNumber(box.y),
            size: shownNumber(box.size),
          })}
        </p>
      )}
      <table className="w-full text-[13px]" data-point-table>
        <thead>
          <tr className="text-left text-soft">
            <th scope="col" className="pr-3 font-normal">
              {t('table.point')}
            </th>
            <th scope="col" className="px-1.5 text-right font-normal">
              x
            </th>
            <th scope="col" className="px-1.5 text-right font-normal">
              y
            </th>
            <th scope="col" className="px-1.5 text-right font-normal">
              {t('table.weight')}
            </th>
          </tr>
        </thead>
        <tbody>
          {points.map((point, index) => {
            const name = pointName(scene.document, item.id, 'controlPoints', index);
            const lit = picked?.item === item.id && picked.of === 'controlPoints' && picked.index === index;
            const move = (axis: number, value: number): void =>
              scene.host.do({
                name: 'moveControlPoint',
                item: item.id,
                index,
                to: point.map((old, k) => (k === axis ? fromFrame(frame, axis, value) : old)),
              });
            return (
              <tr
                key={index}
                className={lit ? 'bg-tint' : undefined}
                data-lit={lit || undefined}
                onPointerEnter={() => scene.pointed.pick({ item: item.id, of: 'controlPoints', index })}
                onPointerLeave={() => scene.pointed.pick(null)}
              >
                <th scope="row" className="text-left font-normal">
                  {name}
                </th>
                {['x', 'y'].map((axis, k) => (
                  <td key={axis}>
                    <Cell
                      label={t('table.coordinate', { axis, point: name })}
                      value={toFrame(frame, k, point[k]!)}
                      disabled={!given}
                      onChange={(value) => move(k, value)}
                      onProblem={setProblem}
                    />
                  </td>
                ))}
                <td>
                  <Cell
                    label={t('table.weightOf', { point: name })}
                    value={curve.weights?.[index] ?? 1}
                    disabled={!given}
                    positive={!curve.signedWeights}
                    onProblem={setProblem}
                    onChange={(weight) => {
                      const command = { name: 'setWeight', item: item.id, index, weight } as const;
                      const refused = scene.attempt('do', command);
                      setProblem(refused ? tell(refused) : '');
                    }}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {given && (
        <Check
          label={t('table.signedWeights')}
          value={curve.signedWeights === true}
          onChange={(allowed) => {
            const { signedWeights: _, ...plain } = curve;
            const refused = scene.attempt('do', {
              name: 'setCurve',
              item: item.id,
              curve: allowed ? { ...plain, signedWeights: true } : plain,
            });
            setProblem(refused ? tell(refused) : '');
          }}
        />
      )}
      {curve.signedWeights && <p className="text-[12.5px] text-soft">{t('table.signedWeightsHelp')}</p>}
      {problem && (
        <p role="alert" className="text-[13px] text-bad">
          {problem}
        </p>
      )}
    </Panel>
  );
}

/** The square in which coordinates are read: its lower left corner and its side. */
interface Frame {
  readonly x: number;
  readonly y: number;
  readonly size: number;
}

const wholeFrame: Frame = { x: 0, y: 0, size: 1 };

/** The box of a curve's control points, as a square of its longer side: the proportion is kept. */
function frameOf(curve: Curve | undefined): Frame {
  const found = boxOf(curve?.points ?? []);
  if (!found) return wholeFrame;
  const { low, high } = found;
  const size = Math.max(high[0]! - low[0]!, high[1]! - low[1]!);
  return { x: low[0]!, y: low[1]!, size: size > 0 ? size : 1 };
}

const toFrame = ({ x, y, size }: Frame, axis: number, value: number): number =>
  (value - (axis === 0 ? x : y)) / size;
const fromFrame = ({ x, y, size }: Frame, axis: number, value: number): number =>
  (axis === 0 ? x : y) + size * value;

interface CellProps {
  readonly label: string;
  readonly value: number;
  readonly disabled: boolean;
  readonly positive?: boolean;
  readonly onChange: (value: number) => void;
  /** What is wrong with the text, or nothing. */
  readonly onProblem: (problem: string) => void;
}

/** One number of the table. What can't be read stays in the cell, marked, and changes nothing. */
function Cell({ label, value, disabled, positive = false, onChange, onProblem }: CellProps) {
  const { t } = useTranslation();
  const exact = useExact((state) => state.exact);
  // Read as it can be typed back.
  const shown = exact && exactForm(value) ? typedOrExact(value, true) : String(Math.round(value * 1e6) / 1e6);
  const [text, setText] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  useEffect(() => setText(null), [value]);
  const done = async (): Promise<void> => {
    if (text === null) return;
    let read: number | undefined;
    try {
      read = await readExpression(text);
    } catch (error) {
      if (!(error instanceof ReaderAway)) throw error;
      setWrong(true);
      onProblem(t('ui.readerAway'));
      return;
    }
    if (read === undefined || (positive && read <= 0)) {
      setWrong(true);
      onProblem(t(read === undefined ? 'ui.notANumber' : 'table.notPositive', { text }));
      return;
    }
    setWrong(false);
    onProblem('');
    setText(null);
    if (read !== value) onChange(read);
  };
  return (
    <input
      aria-label={label}
      aria-invalid={wrong || undefined}
      title={wrong ? t('ui.notANumber', { text: text ?? '' }) : String(value)}
      disabled={disabled}
      value={text ?? shown}
      onChange={(event) => {
        setText(event.target.value);
        setWrong(false);
      }}
      onBlur={() => void done()}
      onKeyDown={(event) => {
        if (event.key === 'Enter') void done();
        if (event.key === 'Escape' && text !== null) {
          event.stopPropagation();
          setText(null);
          setWrong(false);
        }
      }}
      className="h-6 w-full min-w-0 rounded border border-line bg-sheet px-1 text-right font-mono text-[12px] focus:border-strong disabled:opacity-60 aria-invalid:border-bad aria-invalid:text-bad"
    />
  );
}
