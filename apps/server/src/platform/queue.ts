import { Refused } from './refused.js';

/** Work that takes a whole core: a few at a time, and no more in line than will come to their turn soon. */
export class WorkQueue {
  private running = 0;
  private readonly line: (() => void)[] = [];

  constructor(
    private readonly atOnce: number,
    private readonly mostInLine: number,
  ) {}

  /** @throws Refused where the line is full */
  async run<T>(work: () => Promise<T>): Promise<T> {
    if (this.running >= this.atOnce) {
      if (this.line.length >= this.mostInLine)
        throw new Refused('busy', 'Too many sign in at this moment. Try again in a minute.', [], 30);
      await new Promise<void>((resolve) => this.line.push(resolve));
    }
    this.running++;
    try {
      return await work();
    } finally {
      this.running--;
      this.line.shift()?.();
    }
  }
}
