import { CurveError } from '@bogen/core/curve';
import type { CalculationLine } from '@bogen/core/figure';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { ProblemText } from '../../ui/ProblemText.js';
import { CalculationView } from './CalculationView.js';

interface UnfoldingProps {
  readonly scene: FigureScene;
  readonly item: string;
  /** Asked for only while it is unfolded. */
  readonly lines: () => readonly CalculationLine[] | Promise<readonly CalculationLine[]>;
  readonly label?: string;
}

/** A button that unfolds the calculation behind something. */
export function Unfolding({ scene, item, lines, label }: UnfoldingProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const Icon = open ? ChevronDown : ChevronRight;
  return (
    <div className="col-span-2 flex flex-col gap-1">
      <Button
        quiet
        className="-ml-2 self-start"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        data-unfold
      >
        <Icon aria-hidden size={14} />
        {label ?? t(open ? 'calculation.fold' : 'calculation.unfold')}
      </Button>
      {open && <Lines scene={scene} item={item} lines={lines} />}
    </div>
  );
}

function Lines({ scene, item, lines }: UnfoldingProps) {
  const { t } = useTranslation();
  const [shown, setShown] = useState<readonly CalculationLine[] | null>(null);
  const [problem, setProblem] = useState<unknown>(null);
  // What is asked for is another with every change of the curve or of the numbers in the form, and comes soon.
  const asked = useRef(0);
  useEffect(() => {
    const turn = ++asked.current;
    new Promise<readonly CalculationLine[]>((resolve) => resolve(lines())).then(
      (next) => {
        if (turn !== asked.current) return;
        setProblem(null);
        setShown((before) => (isSame(before, next) ? before : next));
      },
      (error: unknown) => turn === asked.current && setProblem(error),
    );
  });
  // What the numbers forbid is said as it is; what could not be fetched is another matter.
  if (problem instanceof CurveError) return <ProblemText error={problem} className="text-[13px]" />;
  if (problem !== null) return <p className="text-[13px] text-bad">{t('calculation.away')}</p>;
  return shown && <CalculationView scene={scene} item={item} lines={shown} />;
}

const isSame = (a: readonly CalculationLine[] | null, b: readonly CalculationLine[]): boolean =>
  a?.length === b.length && a.every(({ tex }, k) => tex === b[k]!.tex);
