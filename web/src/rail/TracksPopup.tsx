import '../text/enRail.js';
import type { FigureScene } from '../figure/scene/scene.js';
import { useTranslation } from '../text/text.js';
import { Popup } from '../ui/Popup.js';
import { TrackList } from './TrackList.js';

/** The button that opens the list of tracks: for whoever draws the figure, and loaded for nobody else. */
export default function TracksPopup({ scene, className }: { scene: FigureScene; className: string }) {
  const { t } = useTranslation();
  return (
    <Popup
      label={t('railHand.choose')}
      trigger={
        <button type="button" className={className}>
          {t('railHand.choose')}
        </button>
      }
    >
      <TrackList scene={scene} />
    </Popup>
  );
}
