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
  const may = (tracks: readonly TrackName[]): boolean =>
    scene.host.may({ name: 'setRail', rail: { ...rail, tracks } });
  const toggled = (name: TrackName): readonly TrackName[] =>
    rail.tracks.includes(name) ? rail.tracks.filter((other) => other !== name) : [...rail.tracks, name];
  const moved = (index: number, by: number): readonly TrackName[] => {
    const tracks = rail.tracks.toSpliced(index, 1);
    tracks.splice(index + by, 0, rail.tracks[index]!);
    return tracks;
  };
  const others = trackNames.filter((name) => !rail.tracks.includes(name));
  // A reader sees those that may be switched.
  const offered = [...rail.tracks, ...others].filter((name) => may(toggled(name)));
  return (
    <ul className="w-64 p-1" data-track-list>
      {offered.map((name) => {
        const index = rail.tracks.indexOf(name);
        const on = index >= 0;
        const track = t(`rail.tracks.${name}.name`);
        return (
          <li key={name} className="flex h-7 items-center gap-1">
            <span className="flex-1">
              <Check label={track} value={on} onChange={() => set(toggled(name))} />
            </span>
            {on && (
              <>
                <IconButton
                  label={t('railHand.up', { track })}
                  disabled={index === 0 || !may(moved(index, -1))}
                  onPress={() => set(moved(index, -1))}
                >
                  <ArrowUp aria-hidden size={15} />
                </IconButton>
                <IconButton
                  label={t('railHand.down', { track })}
                  disabled={index === rail.tracks.length - 1 || !may(moved(index, 1))}
                  onPress={() => set(moved(index, 1))}
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
