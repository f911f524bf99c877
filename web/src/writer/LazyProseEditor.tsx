import { lazy, Suspense } from 'react';
import type { DraftSession } from './draft.js';

const ProseEditor = lazy(async () => ({ default: (await import('./ProseEditor.js')).ProseEditor }));

/** The prose editor, loaded beside the figure so that the figure does not wait for it. */
export function LazyProseEditor(props: { session: DraftSession; sheet: string }) {
  return (
    <Suspense fallback={<div className="min-h-[240px]" />}>
      <ProseEditor {...props} />
    </Suspense>
  );
}
