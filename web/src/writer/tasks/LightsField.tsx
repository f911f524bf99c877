import type { Target } from '@bogen/core/figure';
import { Lightbulb, LightbulbOff } from 'lucide-react';
import type { FigureScene } from '../../figure/scene/scene.js';
import { highlightOf } from '../../live/lit.js';
import { useTranslation } from '../../text/text.js';
import { IconButton } from '../../ui/IconButton.js';
import { targetText } from '../prose/measureText.js';
import { targetOffers, withTarget } from '../prose/offers.js';
import { PickList } from '../prose/PickList.js';

interface LightsFieldProps {
  readonly scene: FigureScene;
  readonly lights: readonly Target[] | undefined;
  readonly onChange: (lights: readonly Target[] | undefined) => void;
}

/** So many things light up with the same words. */
const mostLights = 10;

/** What lights up in the figure with some words: picked there or in a list one after the other, and taken away again. */
export function LightsField({ scene, lights, onChange }: LightsFieldProps) {
  const { t } = useTranslation();
  const light = (targets: readonly Target[] | null): void =>
    scene.pointed.setHighlight(targets && highlightOf(targets, scene));
  return (
    <>
      {lights && (
        <span onPointerEnter={() => light(lights)} onPointerLeave={() => light(null)}>
          <IconButton
            label={t('task.lightsOff', {
              what: lights.map((target) => targetText(target, scene.document, t)).join(', '),
            })}
            onPress={() => {
              light(null);
              onChange(undefined);
            }}
          >
            <LightbulbOff size={14} />
          </IconButton>
        </span>
      )}
      <PickList<Target>
        label={t(lights ? 'task.lightsMore' : 'task.lights')}
        lead={t('task.lightsLead')}
        icon={<Lightbulb size={14} />}
        disabled={lights !== undefined && lights.length >= mostLights}
        scene={scene}
        offers={targetOffers}
        text={(target) => targetText(target, scene.document, t)}
        onPoint={(target) => light(target && withTarget(lights ?? [], target))}
        onChoose={(target) => onChange(withTarget(lights ?? [], target))}
      />
    </>
  );
}
