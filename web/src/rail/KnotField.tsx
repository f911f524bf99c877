import '../text/enRail.js';
import { useState, useSyncExternalStore } from 'react';
import type { FigureScene } from '../figure/scene/scene.js';
import { useTranslation } from '../text/text.js';
import { ProblemText } from '../ui/ProblemText.js';
import { ExpressionField } from '../ui/ExpressionField.js';
import { Choice } from '../ui/Choice.js';
import { outcomeOf } from './knotChange.js';
import { knotMarksOf } from './knotMarks.js';

/** The knot that was last focused on the rail, to type its value; nothing where it can't be moved. */
export default function KnotField({ scene }: { scene: FigureScene }) {
  const { t } = useTranslation();
  const knot = useSyncExternalStore(scene.pointed.subscribe, () => scene.pointed.knot);
  const curve = useSyncExternalStore(scene.onRest, () => scene.restingRailCurve());
  const [alone, setAlone] = useState(false);
  const [refused, setRefused] = useState<unknown>(null);
  const { item } = scene.document.rail;
  if (knot === null || !curve || item === null) return null;
  const mark = knotMarksOf(scene, curve).find(({ value }) => value === knot);
  if (!mark?.movable) return null;
  const [least, most] = mark.limits;
  const times = alone && mark.multiplicity > 1 ? 1 : undefined;
  return (
    <span className="mr-2 flex items-center gap-2" data-knot-field>
      <ExpressionField
        label={t('railHand.knotTyped')}
        value={knot}
        limits={{ least, most }}
        onChange={(to) => {
          const outcome = outcomeOf(curve, item, {
            kind: 'move',
            knot,
            to,
            ...(times === undefined ? {} : { times }),
          });
          if ('refused' in outcome) {
            setRefused(outcome.refused);
            return;
          }
          const told = scene.attempt('do', outcome.command);
          setRefused(told);
          if (!told) scene.pointed.pickKnot(to);
        }}
      />
      {mark.multiplicity > 1 && (
        <Choice
          label={t('railHand.howMany', { count: mark.multiplicity })}
          value={alone ? 'one' : 'all'}
          choices={['all', 'one'] as const}
          name={(value) => t(`railHand.${value}`)}
          onChange={(value) => setAlone(value === 'one')}
        />
      )}
      <ProblemText error={refused} />
    </span>
  );
}
