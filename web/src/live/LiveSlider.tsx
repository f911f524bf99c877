import { unlessPole } from '@bogen/core/curve';
import {
  controlCommand,
  controlRange,
  curveOf,
  type Control,
  type ControlRange,
  type Measured,
} from '@bogen/core/figure';
import { useEffect, useId, useRef } from 'react';
import { driftAtKnots, driftDistance } from '../figure/apart/drift.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { shownNumber } from '../text/number.js';
import { useTranslation } from '../text/text.js';
import { useAtEnd } from '../ui/useAtEnd.js';
import { controlText } from './controlText.js';
import { sizeOf } from '../text/notation.js';

const steps = 500;

const toStep = ({ least, most, isLogarithmic }: ControlRange, value: number): number =>
  isLogarithmic
    ? (steps * Math.log(value / least)) / Math.log(most / least)
    : (steps * (value - least)) / (most - least);

function fromStep({ least, most, isLogarithmic, isWhole }: ControlRange, step: number): number {
  const share = step / steps;
  const value = isLogarithmic ? least * (most / least) ** share : least + share * (most - least);
  return isWhole ? Math.round(value) : Math.min(most, Math.max(least, Number(value.toPrecision(4))));
}

const shown = (control: Control, { isWhole }: ControlRange, value: number): string =>
  control.of === 'apart'
    ? `${Math.round(100 * value)} %`
    : isWhole
      ? String(control.of === 'degree' ? sizeOf(value) : value)
      : shownNumber(value, 1);

/** What is drawn of a curve's pieces that are apart, as the figure is in this frame. */
function driftNow({ document, evaluation }: FigureScene, item: string, share: number) {
  const curve = curveOf(evaluation, item);
  return (curve && unlessPole(() => driftAtKnots(curve, share, driftDistance(document)))) ?? null;
}

/** A value of the figure on a line in the text: pulled, everything follows in the same frame; let go, it is one step. */
export function LiveSlider({ control, scene }: { control: Control; scene: FigureScene }) {
  const { t } = useTranslation();
  const id = useId();
  const line = useRef<HTMLInputElement>(null);
  const number = useRef<HTMLOutputElement>(null);
  /** The figure as it was when the control was taken, and where it is pulled to. */
  const held = useRef<{ readonly of: Measured; value: number } | null>(null);
  const drift = useRef(0);

  const now = (): Measured => ({
    document: scene.document,
    evaluation: scene.evaluation,
    cursor: scene.cursor,
  });
  useEffect(
    () =>
      scene.addPainter(() => {
        const [input, output] = [line.current, number.current];
        if (!input || !output) return;
        const range = controlRange(control, held.current?.of ?? now());
        const value = control.of === 'apart' ? drift.current : (held.current?.value ?? range?.value);
        const command = range && controlCommand(control, range.value, now());
        const isOpen =
          range !== undefined &&
          (control.of === 'cursor' ||
            control.of === 'apart' ||
            (command !== undefined && scene.host.may(command)));
        input.disabled = !isOpen;
        input.title = isOpen ? '' : t('live.notHere');
        if (!range || value === undefined) {
          output.textContent = t('live.gone');
          return;
        }
        input.step = String(range.isWhole ? steps / (range.most - range.least) : 1);
        input.value = String(toStep(range, value));
        const words = shown(control, range, value);
        input.setAttribute('aria-valuetext', words);
        if (output.textContent !== words) output.textContent = words;
      }),
    [scene, control, t],
  );
  const pull = (step: number): void => {
    const of = held.current?.of ?? now();
    const range = controlRange(control, of);
    if (!range) return;
    const value = fromStep(range, step);
    if (control.of === 'cursor') {
      scene.axis.moveCursor(value);
      return;
    }
    if (control.of === 'apart') {
      drift.current = value;
      scene.previews.show('apart', value === 0 ? null : () => driftNow(scene, control.item, value));
      return;
    }
    held.current = { of, value };
    scene.attempt('preview', controlCommand(control, value, of) ?? null);
  };
  const letGo = (): void => {
    const taken = held.current;
    if (!taken) return;
    held.current = null;
    scene.attempt('preview', null);
    const range = controlRange(control, taken.of);
    if (range && taken.value !== range.value)
      scene.attempt('do', controlCommand(control, taken.value, taken.of) ?? null);
    scene.invalidate();
  };
  // Gone while it is pulled, with its text, it is let go; and pieces are together again.
  useAtEnd(() => {
    letGo();
    if (drift.current > 0) scene.previews.show('apart', null);
  });
  return (
    <span
      className="inline-flex items-center gap-1.5 rounded-sm bg-tint px-1.5 align-baseline font-sans text-[0.85em] whitespace-nowrap"
      data-live-control={control.of}
    >
      <label htmlFor={id}>{controlText(control, scene.document, t)}</label>
      <input
        ref={line}
        id={id}
        type="range"
        min={0}
        max={steps}
        defaultValue={0}
        onInput={(event) => pull(Number(event.currentTarget.value))}
        onPointerUp={letGo}
        onKeyUp={letGo}
        onBlur={letGo}
        className="w-24 accent-accent"
      />
      <output ref={number} htmlFor={id} className="min-w-10 font-mono">
        …
      </output>
    </span>
  );
}
