import type { NewLink } from '@fanega/contract';
import { SMTPServer } from 'smtp-server';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Client, Harness } from './harness.js';

/** A mail server of somebody else, on loopback. */
const mails: { readonly to: string; readonly text: string }[] = [];
const smtp = new SMTPServer({
  authOptional: true,
  disabledCommands: ['STARTTLS'],
  onRcptTo: ({ address }, _, done) => done(address.startsWith('nobody') ? new Error('no such mailbox') : null),
  onData(stream, { envelope }, done) {
    const parts: Buffer[] = [];
    stream.on('data', (part: Buffer) => parts.push(part));
    stream.on('end', () => {
      mails.push({ to: envelope.rcptTo[0]!.address, text: Buffer.concat(parts).toString() });
      done();
    });
  },
});
let harness: Harness;
let owner: Client;
let farmId: string;

beforeAll(async () => {
  await new Promise<void>((resolve) => smtp.listen(0, '127.0.0.1', resolve));
  const { port } = smtp.server.address() as { port: number };
  harness = await Harness.start({ mail: { url: `smtp://127.0.0.1:${port}`, from: 'book@farm.example' } });
  ({ client: owner, farmId } = await harness.owner());
});
afterAll(async () => {
  await harness.stop();
  await new Promise<void>((resolve) => smtp.close(resolve));
});

const invite = (email?: string) =>
  owner.post<NewLink>(`/farms/${farmId}/members/invites`, { role: 'operator', givenTo: 'Dell', days: 7, ...(email === undefined ? {} : { email }) }); // prettier-ignore

describe('an invitation by mail', () => {
  it('brings the link that opens the farm, once', async () => {
    expect((await owner.get(`/farms/${farmId}/members/mail`)).body).toEqual({ on: true });
    const { body } = await invite('dell@farm.example');
    expect(body.mailed).toBe(true);
    const [mail] = mails;
    expect(mail!.to).toBe('dell@farm.example');
    // Long lines are broken by quoted-printable.
    const text = mail!.text.replace(/=\r\n/g, '').replace(/=3D/g, '=');
    const secret = /\/join\/([\w-]+)/.exec(text)![1]!;
    expect(secret).toBe(body.secret);
    expect(text).toContain('From: book@farm.example');
    const came = await harness.client().post(`/invites/${secret}/accept`, { name: 'Dell', email: 'dell@farm.example', password: 'a long enough one' }); // prettier-ignore
    expect(came.status).toBe(204);
  });

  it('is handed over by hand where it was not asked for, or the mail server does not take it', async () => {
    const before = mails.length;
    expect((await invite()).body.mailed).toBeUndefined();
    const { status, body } = await invite('nobody@farm.example');
    expect([status, body.mailed, typeof body.secret]).toEqual([201, false, 'string']);
    expect((await invite('no address')).status).toBe(400);
    expect(mails).toHaveLength(before);
  });
});
