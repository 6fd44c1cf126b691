import { setBounded } from './bounded.js';

/** More callers than that are not remembered one by one: the one that was quiet longest is forgotten. */
const MOST = 10_000;

/** How often each of many callers may come: so many at once, and so many more each second. */
export class Buckets {
  private readonly buckets = new Map<string, { left: number; at: number }>();

  constructor(
    private readonly burst: number,
    private readonly perSecond: number,
    /** processes that this one shares it with */
    private readonly among: () => number = () => 1,
  ) {}

  /** Takes one; @returns false where nothing is left */
  take(key: string, nowMs: number): boolean {
    const burst = this.burst / this.among();
    const perSecond = this.perSecond / this.among();
    const bucket = this.buckets.get(key) ?? { left: burst, at: nowMs };
    bucket.left = Math.min(burst, bucket.left + (perSecond * Math.max(0, nowMs - bucket.at)) / 1000);
    bucket.at = nowMs;
    setBounded(this.buckets, key, bucket, MOST);
    if (bucket.left < 1) return false;
    bucket.left -= 1;
    return true;
  }
}
