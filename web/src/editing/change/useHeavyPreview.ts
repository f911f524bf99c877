import type { Told } from '@bogen/core/lesson';
import type { FigureDocument, Operation, Preview } from '@bogen/core/figure';
import { useEffect, useState } from 'react';
import { heavy } from '../../worker/heavy.js';

/**
 * What an operation would come to, calculated beside the page. The last preview stays until the next has
 * come, so that nothing flickers while a number is typed; an operation that is not the last one asked for
 * is passed over.
 * @param refusal why it can't be asked at all
 * @returns `null` while the first one is calculated
 */
export function useHeavyPreview(
  document: FigureDocument,
  operation: Operation,
  refusal: Told | null,
): Preview | null {
  const [shown, setShown] = useState<{ preview: Preview; of: string } | null>(null);
  useEffect(() => {
    if (refusal !== null) return undefined;
    let stale = false;
    void heavy.preview(document, operation).then((preview) => {
      if (!stale) setShown({ preview, of: operation.name });
    });
    return () => {
      stale = true;
    };
  }, [document, operation, refusal]);
  if (refusal !== null) return { status: 'failed', reason: refusal };
  return shown?.of === operation.name ? shown.preview : null;
}
