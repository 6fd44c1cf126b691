import type { DeviceHello, DeviceNames } from '@fanega/contract';

/** The farm's answer to a device, when it is no. */
export class DeviceRefused extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
    this.name = 'DeviceRefused';
  }
}

const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** The wire to a farm, as any gateway has it: HTTP, a token, JSON. docs/devices.md */
export class Link {
  /** @param patience how often a call is made again that found no answer, or came too often; everything here may be sent twice */
  constructor(
    private readonly url: string,
    private readonly token: string,
    private readonly patience = 0,
  ) {}

  hello(): Promise<DeviceHello> {
    return this.call<DeviceHello>('GET', 'hello');
  }

  names(): Promise<DeviceNames> {
    return this.call<DeviceNames>('GET', 'names');
  }

  send<T>(what: string, body: object): Promise<T> {
    return this.call<T>('POST', what, body);
  }

  /** @throws DeviceRefused in the server's words; a TypeError where nobody answers */
  private async call<T>(method: string, what: string, body?: object): Promise<T> {
    for (let left = this.patience; ; left--) {
      try {
        return await this.once<T>(method, what, body);
      } catch (error) {
        const again = !(error instanceof DeviceRefused) || error.status === 429 || error.status >= 500;
        if (left <= 0 || !again) throw error;
        await wait(250);
      }
    }
  }

  private async once<T>(method: string, what: string, body?: object): Promise<T> {
    const response = await fetch(`${this.url.replace(/\/$/, '')}/api/device/${what}`, {
      method,
      headers: { Authorization: `Bearer ${this.token}`, ...(body ? { 'Content-Type': 'application/json' } : {}) },
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    const answer = (await response.json().catch(() => null)) as (T & { message?: string }) | null;
    if (!response.ok || answer === null)
      throw new DeviceRefused(response.status, answer?.message ?? `the farm answered ${response.status}`);
    return answer;
  }
}
