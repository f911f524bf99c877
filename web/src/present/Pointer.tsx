import { useEffect, useRef } from 'react';

/** A ring about the pointer that is seen from the last row. */
export function Pointer() {
  const ring = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const move = (event: PointerEvent): void => {
      const element = ring.current;
      if (!element) return;
      element.style.transform = `translate(${event.clientX}px, ${event.clientY}px)`;
      element.style.opacity = '1';
    };
    const hide = (): void => {
      if (ring.current) ring.current.style.opacity = '0';
    };
    window.addEventListener('pointermove', move);
    document.addEventListener('pointerleave', hide);
    return () => {
      window.removeEventListener('pointermove', move);
      document.removeEventListener('pointerleave', hide);
    };
  }, []);
  return (
    <div
      ref={ring}
      aria-hidden
      className="pointer-events-none fixed top-0 left-0 z-50 opacity-0"
      data-pointer-ring
    >
      <div className="-mt-8 -ml-8 size-16 rounded-full border-[5px] border-accent bg-accent/15" />
    </div>
  );
}
