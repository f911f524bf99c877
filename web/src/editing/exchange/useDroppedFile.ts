import { useEffect, useRef } from 'react';

/** Takes a file that is dropped onto the figure; elsewhere on the page nothing is done with it. */
export function useDroppedFile(onFile: (file: File) => void): void {
  const latest = useRef(onFile);
  latest.current = onFile;
  useEffect(() => {
    const isFile = (event: DragEvent): boolean => event.dataTransfer?.types.includes('Files') ?? false;
    const isOnFigure = (event: DragEvent): boolean =>
      event.target instanceof Element && event.target.closest('[data-figure]') !== null;
    const onOver = (event: DragEvent): void => {
      if (!isFile(event)) return;
      // The browser would leave the page for the file.
      event.preventDefault();
      event.dataTransfer!.dropEffect = isOnFigure(event) ? 'copy' : 'none';
    };
    const onDrop = (event: DragEvent): void => {
      if (!isFile(event)) return;
      event.preventDefault();
      const [file] = event.dataTransfer!.files;
      if (file && isOnFigure(event)) latest.current(file);
    };
    window.addEventListener('dragover', onOver);
    window.addEventListener('drop', onDrop);
    return () => {
      window.removeEventListener('dragover', onOver);
      window.removeEventListener('drop', onDrop);
    };
  }, []);
}
