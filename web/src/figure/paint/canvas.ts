import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

interface Size {
  readonly width: number;
  readonly height: number;
}

const sizeOf = (element: Element): Size => {
  const { width, height } = element.getBoundingClientRect();
  return { width: Math.floor(width), height: Math.floor(height) };
};

const same = (a: Size, b: Size): boolean => a.width === b.width && a.height === b.height;

/** Whether an element still has the size that `useSize` told; where not, it is about to tell another one. */
export function hasSize(element: Element | null, size: Size): boolean {
  return element !== null && same(sizeOf(element), size);
}

/**
 * The size of an element in whole CSS pixels, followed as it changes.
 * @param of what is shown in the element: with something else it is measured anew before the page is painted
 */
export function useSize<E extends HTMLElement>(of: unknown): [RefObject<E | null>, Size] {
  const ref = useRef<E | null>(null);
  const [size, setSize] = useState<Size>({ width: 0, height: 0 });
  // What depends on it is there in the first picture already, and not one later.
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return;
    const measure = (): void => {
      const now = sizeOf(element);
      setSize((size) => (same(size, now) ? size : now));
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, [of]);
  return [ref, size];
}

/** Pixels of the screen to a dot. */
export const resolution = (dot: number): number => (window.devicePixelRatio || 1) * dot;

/**
 * The context of a canvas of this size in CSS pixels, at the screen's resolution, to draw in dots; `null` while it
 * has no size. It is opaque unless `alpha` is asked for, which spares the browser blending it with what lies below.
 * @param dot CSS pixels to a dot
 */
export function prepare(
  canvas: HTMLCanvasElement,
  width: number,
  height: number,
  alpha = false,
  dot = 1,
): CanvasRenderingContext2D | null {
  if (width === 0 || height === 0) return null;
  const ratio = resolution(1);
  const [w, h] = [Math.round(width * ratio), Math.round(height * ratio)];
  if (canvas.width !== w || canvas.height !== h) {
    canvas.width = w;
    canvas.height = h;
  }
  const context = canvas.getContext('2d', { alpha });
  const perDot = resolution(dot);
  context?.setTransform(perDot, 0, 0, perDot, 0, 0);
  return context;
}
