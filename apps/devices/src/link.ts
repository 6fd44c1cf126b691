import type { DeviceHello } from '@fanega/contract';

/** The wire to a farm, as any gateway has it: HTTP, a token, JSON. docs/devices.md */
export class Link {
  constructor(
    private readonly url: string,
    private readonly token: string,
  ) {}

  hello(): Promise<DeviceHello> {
    return this.call<DeviceHello>('GET', 'hello');
  }

  send<T>(what: string, body: object): Promise<T> {
    return this.call<T>('POST', what, body);
  }

  /** @throws Error in the server's words */
  private async call<T>(method: string, what: string, body?: object): Promise<T> {
    const response = await fetch(`${this.url.replace(/\/$/, '')}/api/device/${what}`, {
      method,
      headers: { Authorization: `Bearer ${this.token}`, ...(body ? { 'Content-Type': 'application/json' } : {}) },
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    const answer = (await response.json().catch(() => null)) as (T & { message?: string }) | null;
    if (!response.ok || answer === null) throw new Error(answer?.message ?? `the farm answered ${response.status}`);
    return answer;
  }
}
