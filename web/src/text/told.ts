import { useSyncExternalStore } from 'react';
import type { Problem } from '@bogen/contract';
import { ToldError, type Catalogue, type Told, type ToldValue } from '@bogen/core/lesson';
import { ApiProblem, NotConnected } from '../api/call.js';
import { addTexts } from './catalogue.js';
import { useTranslation } from './text.js';

/** Why something was refused, as it is kept on a device. */
export interface Reason extends Told {
  /** The same in English, for a page that has no words for it. */
  readonly detail?: string;
}

type Translate = ReturnType<typeof useTranslation>['t'];

/** The sentences of core and server. They are loaded after the page: when it opens, nothing has gone wrong yet. */
let known: Catalogue | undefined;
let isComing = false;
const listeners = new Set<() => void>();

async function fetchSentences(): Promise<void> {
  if (known || isComing) return;
  isComing = true;
  try {
    const { sentences } = await import('@bogen/contract/sentences');
    known = sentences;
    addTexts('en', { told: sentences });
    listeners.forEach((listener) => listener());
  } catch {
    // Without a connection they are asked for again with the next thing that is told.
  } finally {
    isComing = false;
  }
}

/** Fetches the sentences as soon as nothing else waits. */
export function fetchSentencesSoon(): void {
  const fetch = (): void => void fetchSentences();
  if (typeof requestIdleCallback === 'function') requestIdleCallback(fetch, { timeout: 3000 });
  else setTimeout(fetch, 500);
}

function inWords({ code, parameters, detail }: Reason, t: Translate): string {
  if (!known || !(code in known)) {
    void fetchSentences();
    return detail ?? t('failed.unexpected');
  }
  const values = Object.entries(parameters).map(([name, value]) => [name, shown(value, t)]);
  return (t as (key: string, values: object) => string)(`told.${code}`, Object.fromEntries(values) as object);
}

function shown(value: ToldValue, t: Translate): string {
  if (typeof value === 'string') return value;
  return typeof value === 'number' ? String(Number(value.toPrecision(10))) : inWords(value, t);
}

/** Why the server refused. */
export const reasonOf = ({ told, detail }: Problem): Reason => ({ ...told, detail });

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Puts into words what core or server tell, and why a request failed, in the present language. */
export function useTold(): (what: unknown) => string {
  const { t } = useTranslation();
  useSyncExternalStore(subscribe, () => known);
  return (what) => {
    if (typeof what === 'string') return what;
    if (what instanceof ToldError) return inWords(what.told, t);
    if (what instanceof ApiProblem) return inWords(reasonOf(what.problem), t);
    if (what instanceof NotConnected) return what.told ? inWords(what.told, t) : t('failed.unreachable');
    if (typeof what === 'object' && what !== null && 'code' in what) return inWords(what as Reason, t);
    return t('failed.unexpected');
  };
}
