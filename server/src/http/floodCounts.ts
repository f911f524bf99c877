import { createHash, randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { Store } from 'express-rate-limit';
import type { Db } from '../db/connect.js';

const minute = 60_000;
/** From which part of what may come it is told to the other processes. */
const much = 0.1;

/**
 * Counts what comes in a minute, so that one ceiling holds for all processes on a database. Each counts in its own memory,
 * so that no request waits for a count; only of those from whom much comes it tells the others, every so often, and adds
 * what they counted. Without the database each goes by its own.
 */
export class FloodCounts implements Store {
  /** For the library: the same key is another one in another of these. */
  readonly localKeys = true;
  private current = 0;
  private readonly own = new Map<string, number>();
  private readonly others = new Map<string, number>();
  private readonly process = randomUUID();
  private timer: NodeJS.Timeout | undefined;
  /** Whether something came while it was told. */
  private isMore = false;

  /**
   * @param name tells these counts from others
   * @param most how much may come in a minute
   * @param every how often the processes tell each other, in ms
   * @param now the time, in ms
   */
  constructor(
    private readonly db: Db,
    private readonly name: string,
    private readonly most: number,
    private readonly every = 2000,
    private readonly now: () => number = Date.now,
  ) {}

  increment(key: string): { totalHits: number; resetTime: Date } {
    this.turn();
    const count = (this.own.get(key) ?? 0) + 1;
    this.own.set(key, count);
    if (count >= much * this.most) this.tellSoon();
    return {
      totalHits: count + (this.others.get(key) ?? 0),
      resetTime: new Date((this.current + 1) * minute),
    };
  }

  decrement(key: string): void {
    const count = this.own.get(key);
    if (count !== undefined) this.own.set(key, count - 1);
  }

  resetKey(key: string): void {
    this.own.delete(key);
    this.others.delete(key);
  }

  /** The minutes are those of the clock, the same for all; with each, everything is forgotten. */
  private turn(): void {
    const current = Math.floor(this.now() / minute);
    if (current === this.current) return;
    this.current = current;
    this.own.clear();
    this.others.clear();
  }

  private tellSoon(): void {
    if (this.timer) {
      this.isMore = true;
      return;
    }
    this.isMore = false;
    this.timer = setTimeout(() => {
      void this.tell()
        .catch(() => undefined)
        .finally(() => {
          this.timer = undefined;
          if (this.isMore) this.tellSoon();
        });
    }, this.every);
    this.timer.unref();
  }

  private async tell(): Promise<void> {
    this.turn();
    const { current } = this;
    const at = new Date(current * minute);
    const counted = [...this.own].filter(([, count]) => count >= much * this.most);
    if (counted.length === 0) return;
    const keys = new Map(counted.map(([key]) => [this.written(key), key]));
    const { rows } = await sql<{ key: string; count: number }>`
      with told as (
        insert into flood (minute, key, process, count)
        select ${at}, key, ${this.process}, count
        from unnest(${[...keys.keys()]}::text[], ${counted.map(([, count]) => count)}::integer[]) as given (key, count)
        on conflict (minute, key, process) do update set count = excluded.count
      ), swept as (
        delete from flood where minute < ${new Date((current - 1) * minute)}
      )
      select key, sum(count)::integer as count from flood
      where minute = ${at} and key = any(${[...keys.keys()]}::text[]) and process <> ${this.process}
      group by key`.execute(this.db);
    if (current !== this.current) return;
    for (const { key, count } of rows) this.others.set(keys.get(key)!, count);
  }

  /** Nobody's address is written down. */
  private written(key: string): string {
    return createHash('sha256').update(`${this.name} ${key}`).digest('base64url');
  }
}
