import { saveFile } from '../ui/saveFile.js';

/**
 * Fetches what is kept of somebody and saves it as a file. It is taken as it comes and not read, since it may be long.
 * @throws where it could not be made whole
 */
export async function saveData(path: string, name: string): Promise<void> {
  const response = await fetch(`/api${path}`);
  if (!response.ok) throw new Error(String(response.status));
  saveFile(await response.blob(), name);
}
