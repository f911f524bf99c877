/** What a page writes down, kept as long as it is open. */
class MemoryStorage implements Storage {
  [name: string]: unknown;
  readonly #kept = new Map<string, string>();

  get length(): number {
    return this.#kept.size;
  }
  key(index: number): string | null {
    return [...this.#kept.keys()][index] ?? null;
  }
  getItem(key: string): string | null {
    return this.#kept.get(key) ?? null;
  }
  setItem(key: string, value: string): void {
    this.#kept.set(key, value);
  }
  removeItem(key: string): void {
    this.#kept.delete(key);
  }
  clear(): void {
    this.#kept.clear();
  }
}

/** Within another page a browser may refuse to keep anything: then it is kept as long as the page is open, and nothing fails. */
export function keepInMemoryWhereRefused(): void {
  try {
    void window.localStorage.length;
  } catch {
    Object.defineProperty(window, 'localStorage', { value: new MemoryStorage() });
  }
}
