import '../text/enRail.js';
import { trackNames, type TrackName } from '@bogen/core/figure';
import { ArrowDown, ArrowUp } from 'lucide-react';
import type { FigureScene } from '../figure/scene/scene.js';
import { useParts } from '../figure/scene/useScene.js';
import { useTranslation } from '../text/text.js';
import { Check } from '../ui/Choice.js';
import { IconButton } from '../ui/IconButton.js';

/** Which tracks the rail has, in which order. */
export function TrackList({ scene }: { scene: FigureScene }) {
  const { t } = useTranslation();
  useParts(scene.structured);
  const { rail } = scene.document;
  const set = (tracks: readonly TrackName[]): void =>
    scene.host.do({ name: 'setRail', rail: { ...rail, tracks } });
  const move = (index: number, by: number): void => {
    const tracks = rail.tracks.toSpliced(index, 1);
    tracks.splice(index + by, 0, rail.tracks[index]!);
    set(tracks);
  };
  const others = trackNames.filter((name) => !rail.tracks.includes(name));
  return (
    <ul className="w-64 p-1" data-track-list>
      {[...rail.tracks, ...others].map((name, index) => {
        const on = index < rail.tracks.length;
        const track = t(`rail.tracks.${name}.name`);
        return (
          <li key={name} className="flex h-7 items-center gap-1">
            <span className="flex-1">
              <Check
                label={track}
                value={on}
                onChange={() =>
                  set(on ? rail.tracks.filter((other) => other !== name) : [...rail.tracks, name])
                }
              />
            </span>
            {on && (
              <>
                <IconButton
                  label={t('railHand.up', { track })}
                  disabled={index === 0}
                  onPress={() => move(index, -1)}
                >
                  <ArrowUp aria-hidden size={15} />
                </IconButton>
                <IconButton
                  label={t('railHand.down', { track })}
                  disabled={index === rail.tracks.length - 1}
                  onPress={() => move(index, 1)}
                >
                  <ArrowDown aria-hidden size={15} />
                </IconButton>
              </>
            )}
          </li>
        );
      })}
    </ul>
  );
}
