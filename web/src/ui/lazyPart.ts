import { lazy, type ComponentType } from 'react';

/**
 * A part of the page that is fetched when it is first wanted. Without a connection the page is seen without it and goes
 * on; loaded again, it tries anew.
 */
export function lazyPart<P extends object>(fetch: () => Promise<ComponentType<P>>): ComponentType<P> {
  return lazy(async () => {
    try {
      return { default: await fetch() };
    } catch {
      return { default: (() => null) as ComponentType<P> };
    }
  }) as unknown as ComponentType<P>;
}
