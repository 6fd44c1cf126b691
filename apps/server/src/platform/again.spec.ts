import { describe, expect, it } from 'vitest';
import { again } from './again.js';
import { troubleOf } from './trouble.js';

const failing = (...codes: (string | null)[]) => {
  let calls = 0;
  const work = async (): Promise<number> => {
    const code = codes[calls++];
    if (code) throw Object.assign(new Error(code), { code });
    return calls;
  };
  return work;
};

describe('work that another node or another write was in the way of', () => {
  it('is done again, until it comes through', async () => {
    expect(await again(failing('ER_LOCK_DEADLOCK', 'ER_ERROR_DURING_COMMIT', 'ER_CHECKREAD', null))).toBe(4);
  });

  it('is not done again where it failed for another reason', async () => {
    for (const code of ['ER_DUP_ENTRY', 'ER_ROW_IS_REFERENCED_2', 'PROTOCOL_CONNECTION_LOST', 'ECONNREFUSED'])
      await expect(again(failing(code, null))).rejects.toThrow(code);
  });

  it('leaves a node that says that it is not ready, and goes on at the next one', async () => {
    let left = 0;
    expect(await again(failing('ER_UNKNOWN_COM_ERROR', null), () => void left++)).toBe(2);
    expect(left).toBe(1);
  });

  it('is told as a database that does not answer where it never came through, and never as our fault', () => {
    for (const code of ['ER_LOCK_DEADLOCK', 'ER_ERROR_DURING_COMMIT', 'ER_LOCK_WAIT_TIMEOUT'])
      expect(troubleOf(Object.assign(new Error('x'), { driverError: { code } }))).toBe('silent');
    expect(troubleOf({ code: 'ER_UNKNOWN_COM_ERROR' })).toBe('gone');
    expect(troubleOf({ code: 'ER_DUP_ENTRY' })).toBeNull();
  });
});
