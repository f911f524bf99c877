/**
 * Puts a text on the clipboard, also where the page came by plain HTTP and browsers offer no clipboard to it.
 * @returns whether it was taken
 */
export async function copyText(text: string): Promise<boolean> {
  if (navigator.clipboard) {
    try {
      await navigator.clipboard.writeText(text);
      return true;
    } catch {
      // Refused, for instance since the page has not the focus; the old way may still do.
    }
  }
  const area = document.createElement('textarea');
  area.value = text;
  area.style.position = 'fixed';
  area.style.opacity = '0';
  const dialog = document.querySelector('[role="dialog"]') ?? document.body;
  dialog.append(area);
  area.select();
  const taken = document.execCommand('copy');
  area.remove();
  return taken;
}
