import { Injectable } from '@nestjs/common';

/** The only place that asks what time it is. */
@Injectable()
export class Clock {
  now(): number {
    return Date.now();
  }
}
