/** A page on which a lesson is written. */
export interface PresentPage {
  readonly page: string;
  readonly name: string;
  readonly sheet: string;
}

/** How long a page counts as open after it was last heard of. */
const freshMs = 15_000;
/** The most pages of one lesson that are kept in mind. */
const mostPages = 20;
/** The most lessons that are kept in mind. */
const mostLessons = 2000;

/**
 * Who writes at which lesson just now. It is kept in the memory of this process alone: losing it loses nothing, and where
 * several processes run, each tells of its own.
 */
export class Presence {
  private readonly lessons = new Map<string, Map<string, PresentPage & { readonly at: number }>>();

  /** A page says where it is. @returns the others */
  tell(lesson: string, page: PresentPage, now = Date.now()): readonly PresentPage[] {
    const pages = this.pagesOf(lesson, now);
    if (pages.size < mostPages || pages.has(page.page)) pages.set(page.page, { ...page, at: now });
    // The lesson that was heard of last comes last, so that the first is the one to forget.
    this.lessons.delete(lesson);
    this.lessons.set(lesson, pages);
    const [oldest] = this.lessons.keys();
    if (this.lessons.size > mostLessons) this.lessons.delete(oldest!);
    return [...pages.values()]
      .filter((other) => other.page !== page.page)
      .map(({ at: _, ...other }) => other);
  }

  /** A page goes. */
  leave(lesson: string, page: string): void {
    const pages = this.lessons.get(lesson);
    pages?.delete(page);
    if (pages?.size === 0) this.lessons.delete(lesson);
  }

  private pagesOf(lesson: string, now: number): Map<string, PresentPage & { readonly at: number }> {
    const pages = this.lessons.get(lesson) ?? new Map<string, PresentPage & { readonly at: number }>();
    for (const [id, { at }] of pages) if (now - at > freshMs) pages.delete(id);
    return pages;
  }
}
