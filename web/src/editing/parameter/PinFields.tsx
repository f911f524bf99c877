import { domainOf } from '@bogen/core/curve';
import { Pin as PinIcon, X } from 'lucide-react';
import { useEffect } from 'react';
import { heldValue, type Pin } from '../../figure/scene/pins.js';
import type { FigureScene } from '../../figure/scene/scene.js';
import { shownNumber } from '../../text/number.js';
import { useTranslation } from '../../text/text.js';
import { Button } from '../../ui/Button.js';
import { ExpressionField } from '../../ui/ExpressionField.js';
import { IconButton } from '../../ui/IconButton.js';

interface PinFieldsProps {
  readonly label: string;
  readonly scene: FigureScene;
  readonly pins: readonly Pin[];
  readonly onChange: (pins: readonly Pin[]) => void;
  /** Whether they are about the rail's curve, and can be pulled on it. */
  readonly pulled: boolean;
}

/** The held values of a form: each place with the value that it gets, typed here or pulled on the curve and on the rail. */
export function PinFields({ label, scene, pins, onChange, pulled }: PinFieldsProps) {
  const { t } = useTranslation();
  useEffect(() => {
    if (pulled) scene.pins.show(pins, onChange);
  });
  useEffect(() => () => scene.pins.show(null), [scene]);
  const curve = scene.railCurve;
  const [start, end] = curve ? domainOf(curve.knots, curve.degree) : [];
  const limits = start === undefined || end === undefined ? {} : { least: start, most: end };
  return (
    <fieldset className="flex w-full flex-col gap-1" data-pins>
      <legend className="mb-1 text-[13px] text-soft">{label}</legend>
      {pins.map((pin, index) => (
        <div key={index} className="flex items-center gap-2">
          <ExpressionField
            label={t('pins.at')}
            value={Number(pin.at.toFixed(4))}
            limits={limits}
            onChange={(at) => onChange(pins.with(index, { at, value: heldValue(pin) }))}
          />
          <ExpressionField
            label={t('pins.value')}
            value={Number(heldValue(pin).toFixed(4))}
            limits={limits}
            onChange={(value) => onChange(pins.with(index, { ...pin, value }))}
          />
          <IconButton
            label={t('pins.remove', { value: shownNumber(heldValue(pin), 1) })}
            onPress={() => onChange(pins.toSpliced(index, 1))}
          >
            <X size={14} />
          </IconButton>
        </div>
      ))}
      {pulled && (
        <Button
          quiet
          className="-ml-2.5 self-start"
          onClick={() => {
            const at = Number(scene.cursor.toFixed(3));
            if (!pins.some((pin) => pin.at === at)) onChange([...pins, { at }]);
          }}
        >
          <PinIcon size={14} /> {t('pins.hold')}
        </Button>
      )}
    </fieldset>
  );
}
