import { useExact } from '../text/useExact.js';
import { useTranslation } from '../text/text.js';
import { Check } from './Choice.js';

/** Whether exact numbers are read as such. */
export function ExactCheck() {
  const { t } = useTranslation();
  const { exact, setExact } = useExact();
  return <Check label={t('ui.exact')} value={exact} onChange={setExact} />;
}
