import { curveFormulas, curveIndex } from '@bogen/core/figure';
import { aboutCurve, notationDescription, usualNotation, type Notation } from '@bogen/core/lesson';
import type { FigureScene } from '../figure/scene/scene.js';
import { DescribedField } from '../editing/fields/DescribedField.js';
import { useEdited } from '../saving/useEdited.js';
import { Formula } from '../sheet/Formula.js';
import { useTranslation } from '../text/text.js';
import { Button } from '../ui/Button.js';
import { Panel } from '../ui/Panel.js';
import type { EditedDraft } from './draft.js';

interface NotationPanelProps {
  readonly edited: EditedDraft;
  readonly scene: FigureScene;
  readonly onClose: () => void;
}

const keys = Object.keys(usualNotation) as (keyof Notation)[];

/** How the lesson writes down what its figures show; every sheet, and what readers see of it, follows at once. */
export function NotationPanel({ edited, scene, onClose }: NotationPanelProps) {
  const { t } = useTranslation();
  const own = useEdited(edited, (state) => state.history.document.notation);
  const now = own ?? usualNotation;
  const isUsual = (notation: Notation): boolean => keys.every((key) => notation[key] === usualNotation[key]);
  const set = (notation: Notation): void => {
    if (keys.some((key) => notation[key] !== now[key]))
      edited.do({ name: 'setNotation', ...(!isUsual(notation) && { notation }) });
  };
  const item = scene.document.rail.item;
  const curve = scene.railCurve;
  return (
    <Panel open onClose={onClose} title={t('writer.notation')} lead={t('writer.notationLead')}>
      <div className="flex flex-col gap-2" data-notation>
        {keys.map((key) => (
          <DescribedField
            key={key}
            label={t(`writer.notations.${key}`)}
            field={notationDescription.fields[key]}
            value={now[key]}
            onChange={(value) => set({ ...now, [key]: value })}
            wordFor={(word) => t(`writer.sizes.${word as Notation['size']}`)}
          />
        ))}
        <p className="text-[12.5px] text-soft">{t('writer.decimalsHelp')}</p>
        {curve && item !== null && (
          <div className="overflow-x-auto rounded-md border border-line p-2 text-[13px]" data-notation-sample>
            {curveFormulas(curve)
              .filter(({ step }) => step === 'definition' || step === 'knotVector')
              .map(({ step, tex }) => (
                <Formula key={step} latex={aboutCurve(tex, curveIndex(scene.document, item))} block />
              ))}
          </div>
        )}
        <Button disabled={own === undefined} onClick={() => set(usualNotation)}>
          {t('writer.usualNotation')}
        </Button>
      </div>
    </Panel>
  );
}
