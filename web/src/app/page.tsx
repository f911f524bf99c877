import { fetchCode } from '../api/call.js';
import { lazy, type ComponentType, type LazyExoticComponent } from 'react';

/** What to do so that pages that could not be fetched are tried anew when they are next opened. */
const failed = new Set<() => void>();

/** A page that is fetched when it is first opened. */
export function page(fetch: () => Promise<ComponentType>): ComponentType {
  let kept: LazyExoticComponent<ComponentType> | undefined;
  const forget = () => {
    kept = undefined;
  };
  const open = async () => {
    try {
      return { default: await fetchCode(fetch) };
    } catch (error) {
      failed.add(forget);
      throw error;
    }
  };
  return function Page() {
    const Fetched = (kept ??= lazy(open));
    return <Fetched />;
  };
}

/** For when a failure stands on the screen: not before, since React renders what failed a second time at once. */
export function forgetFailedPages() {
  for (const forget of failed) forget();
  failed.clear();
}
