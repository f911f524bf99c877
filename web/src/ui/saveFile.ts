/** Hands something to the browser to be saved as a file. Signs that some systems do not take in names are left out. */
export function saveFile(content: Blob, name: string): void {
  const dot = name.lastIndexOf('.');
  const plain = name
    .slice(0, dot)
    .replace(/[^\p{L}\p{N} _-]+/gu, ' ')
    .trim()
    .slice(0, 80);
  const link = document.createElement('a');
  link.href = URL.createObjectURL(content);
  link.download = `${plain || 'bogen'}${name.slice(dot)}`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}
