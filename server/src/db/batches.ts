/**
 * Puts what many ask of the database at the same moment into one question. Who asks alone is asked for at once; while as
 * many questions are on their way as may be, those who come wait together for the next. So the database is asked as
 * often as it can answer, and not as often as there are people.
 */
export class Batches<Given, Answer> {
  private waiting: {
    readonly given: Given;
    readonly resolve: (answer: Answer) => void;
    readonly reject: (error: unknown) => void;
  }[] = [];
  private running = 0;
  private isPlanned = false;

  /**
   * @param ask answers in the order of what was given
   * @param lanes how many questions are on their way at once
   * @param most how many are put into one
   */
  constructor(
    private readonly ask: (given: readonly Given[]) => Promise<readonly Answer[]>,
    private readonly lanes: number,
    private readonly most = 100,
  ) {}

  get(given: Given): Promise<Answer> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ given, resolve, reject });
      this.plan();
    });
  }

  /** What else comes in the same turn of the event loop goes along. */
  private plan(): void {
    if (this.isPlanned || this.running >= this.lanes || this.waiting.length === 0) return;
    this.isPlanned = true;
    setImmediate(() => {
      this.isPlanned = false;
      while (this.running < this.lanes && this.waiting.length > 0) void this.run();
    });
  }

  private async run(): Promise<void> {
    const batch = this.waiting.splice(0, this.most);
    this.running++;
    try {
      const answers = await this.ask(batch.map(({ given }) => given));
      batch.forEach(({ resolve }, index) => resolve(answers[index]!));
    } catch (error) {
      // One that can't be answered must not take the others along.
      if (batch.length === 1) batch[0]!.reject(error);
      else await Promise.all(batch.map((one) => this.alone(one)));
    } finally {
      this.running--;
      this.plan();
    }
  }

  private async alone({ given, resolve, reject }: (typeof this.waiting)[number]): Promise<void> {
    try {
      const [answer] = await this.ask([given]);
      resolve(answer!);
    } catch (error) {
      reject(error);
    }
  }
}

/** What belongs to one database, made when it is first asked for. */
export function perDatabase<Db extends object, T>(make: (db: Db) => T): (db: Db) => T {
  const made = new WeakMap<Db, T>();
  return (db) => {
    const known = made.get(db) ?? make(db);
    made.set(db, known);
    return known;
  };
}
