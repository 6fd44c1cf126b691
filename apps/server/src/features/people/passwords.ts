import { passwordStrength } from '@fanega/contract/password';
import { Injectable } from '@nestjs/common';
import { hash, verify } from '@node-rs/argon2';
import { WorkQueue } from '../../platform/queue.js';
import { Refused } from '../../platform/refused.js';

/** Hash of a password nobody has, so that an unknown address costs as much time as a known one. */
const NOBODY = hash('no such password');

/** Passwords as they are chosen and compared. A hash costs a core half a second: all of them stand in one line. */
@Injectable()
export class Passwords {
  private readonly hashing = new WorkQueue(2, 40);

  /**
   * What is kept of a password that somebody chose.
   * @param own what others know of him
   * @throws Refused for one that is guessed soon
   */
  async choose(password: string, own: readonly string[]): Promise<string> {
    const { wrong } = passwordStrength(password, own);
    if (wrong !== null)
      throw new Refused('password_weak', `Another password: ${wrong}.`, [{ field: 'password', code: 'password_weak', message: wrong }]); // prettier-ignore
    return this.hashing.run(() => hash(password));
  }

  /** @param kept null for somebody who is not known or has none: it takes as long, and is never right */
  async isRight(kept: string | null | undefined, password: string): Promise<boolean> {
    const against = kept ?? (await NOBODY);
    return (await this.hashing.run(() => verify(against, password))) && against === kept;
  }
}
