import type { AddressInfo } from 'node:net';
import type { INestApplication } from '@nestjs/common';
import { createConnection } from 'mysql2/promise';
import { ulid } from 'ulid';
import { DataSource } from 'typeorm';
import { closeApp, createApp } from '../src/app.js';
import type { Config } from '../src/platform/config.js';
import { newToken, hashToken } from '../src/platform/tokens.js';
import type {
  CutRecords,
  DryRecords,
  FarmHeaderAnswer,
  FarmNow,
  FieldsRecords,
  HaulRecords,
  ShedRecordsAnswer,
} from '@fanega/contract';
import { CHAIN_START, type FieldRecords } from '@fanega/core';
import { FarmRow, FarmTopicRow } from '../src/platform/entities/farm.entity.js';
import { VersionsRepository } from '../src/platform/versions.js';
import { MembershipRow, SessionRow, UserRow } from '../src/platform/entities/identity.entity.js';

export const SET_UP_CODE = 'the code of the tests';
const base = process.env.FANEGA_TEST_DATABASE_URL;

export interface Answer<T = never> {
  readonly status: number;
  // Tests look into answers of every shape.
  readonly body: T;
  readonly headers: Headers;
}

/** A caller with a cookie of its own. */
export class Client {
  cookie = '';
  constructor(
    readonly address: string,
    readonly origin: string | null = address,
  ) {}

  async call<T = never>(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Answer<T>> {
    const response = await fetch(`${this.address}/api${path}`, {
      method,
      headers: {
        ...(this.origin ? { Origin: this.origin } : {}),
        ...(this.cookie ? { Cookie: this.cookie } : {}),
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...headers,
      },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    const set = response.headers.get('set-cookie');
    if (set) this.cookie = set.split(';')[0]!;
    const text = await response.text();
    let parsed: unknown = text;
    try {
      parsed = JSON.parse(text);
    } catch {
      // not every answer is JSON
    }
    return { status: response.status, body: parsed as T, headers: response.headers };
  }

  get<T = never>(path: string): Promise<Answer<T>> {
    return this.call<T>('GET', path);
  }

  post<T = never>(path: string, body: unknown = {}): Promise<Answer<T>> {
    return this.call<T>('POST', path, body);
  }

  put<T = never>(path: string, body: unknown): Promise<Answer<T>> {
    return this.call<T>('PUT', path, body);
  }
}

/** A server on a free port over a database of its own. */
export class Harness {
  private readonly apps: INestApplication[] = [];
  private constructor(readonly config: Config) {}

  /** @param sql what the database has in it before the server first opens it */
  static async start(config: Partial<Config> = {}, sql = ''): Promise<Harness> {
    if (!base) throw new Error('FANEGA_TEST_DATABASE_URL is not set: run npm run test:server');
    const url = new URL(base);
    url.pathname = `/fanega_test_${ulid().toLowerCase()}`;
    const harness = new Harness({
      databaseUrl: url.toString(),
      host: '127.0.0.1',
      port: 0,
      signInLimit: 0,
      strangerLimit: 0,
      deviceLimit: 10,
      farmLimit: 50,
      setUpCode: SET_UP_CODE,
      hosts: [],
      proxies: 0,
      logLevel: 'silent',
      webRoot: null,
      backups: null,
      tls: null,
      mail: null,
      ...config,
    });
    if (sql !== '') {
      const connection = await createConnection({ uri: base, multipleStatements: true });
      const name = url.pathname.slice(1);
      await connection.query(
        `CREATE DATABASE \`${name}\` CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci; USE \`${name}\`; ${sql}`,
      );
      await connection.end();
    }
    await harness.another();
    return harness;
  }

  /** One more server over the same database. */
  async another(): Promise<string> {
    const app = await createApp(this.config);
    await app.listen(0, '127.0.0.1');
    this.apps.push(app);
    return `http://127.0.0.1:${(app.getHttpServer().address() as AddressInfo).port}`;
  }

  address(n = 0): string {
    return `http://127.0.0.1:${(this.apps[n]!.getHttpServer().address() as AddressInfo).port}`;
  }

  get db(): DataSource {
    return this.apps[0]!.get(DataSource);
  }

  app(n = 0): INestApplication {
    return this.apps[n]!;
  }

  client(n = 0): Client {
    return new Client(this.address(n));
  }

  /** A signed-in owner of a new farm. */
  async owner(): Promise<{ client: Client; farmId: string }> {
    const client = this.client();
    await client.post('/auth/set-up', {
      code: SET_UP_CODE,
      farm: 'Test Levee',
      name: 'Oona',
      email: 'oona@example.invalid',
      password: 'a long password',
      timeZone: 'America/Chicago',
    });
    const me = await client.get<{ farms: { id: string }[] }>('/auth/me');
    return { client, farmId: me.body.farms[0]!.id };
  }

  /** Another farm on the same server, with an owner of its own. */
  async otherFarm(): Promise<{ client: Client; farmId: string }> {
    const farmId = ulid();
    await this.db.getRepository(FarmRow).insert({ id: farmId, name: `Farm ${farmId.slice(-4)}`, timeZone: 'America/Chicago', seq: 0, chain: CHAIN_START, demo: false, defaultMoisture: 0.15, units: 'us', clock: '12' }); // prettier-ignore
    await this.db.getRepository(FarmTopicRow).insert(VersionsRepository.rows(farmId));
    return { client: await this.member(farmId, 'owner'), farmId };
  }

  /** Somebody else with a role on the farm, or with none. */
  async member(farmId: string | null, role: MembershipRow['role'] = 'viewer'): Promise<Client> {
    const userId = ulid();
    const token = newToken();
    await this.db
      .getRepository(UserRow)
      .insert({ id: userId, email: `${userId}@example.invalid`.toLowerCase(), name: role, passwordHash: null });
    if (farmId) await this.db.getRepository(MembershipRow).insert({ farmId, userId, role });
    await this.db.getRepository(SessionRow).insert({
      tokenHash: hashToken(token),
      userId,
      expiresAt: Date.now() + 3_600_000,
      id: ulid(),
      madeMs: Date.now(),
    });
    const client = this.client();
    client.cookie = `fanega=${token}`;
    return client;
  }

  async stop(): Promise<void> {
    for (const app of this.apps) {
      (app.getHttpServer() as { closeAllConnections(): void }).closeAllConnections();
      await closeApp(app);
    }
    const name = new URL(this.config.databaseUrl).pathname.slice(1);
    const connection = await createConnection({ uri: base! });
    await connection.query(`DROP DATABASE IF EXISTS \`${name}\``);
    await connection.end();
  }
}

/** A small farm: two fields, a cart, a truck, a flat bin and a buyer. */
export async function smallFarm(
  client: Client,
  farmId: string,
): Promise<Record<'hs' | 'pt' | 'cart' | 'truck' | 'bin' | 'mill', string>> {
  const field = async (name: string, tag: string) =>
    (
      await client.post<{ lotId: string }>(`/farms/${farmId}/fields`, {
        name,
        acres: 62.5,
        crop: 'corn',
        tag,
        season: 2026,
      })
    ).body.lotId;
  const place = async (name: string, kind: string, withdrawal = 'mixed') =>
    (await client.post<{ placeId: string }>(`/farms/${farmId}/places`, { name, kind, withdrawal })).body.placeId;
  return {
    hs: await field('Heron Slough', 'HS'),
    pt: await field('Pecan Turn', 'PT'),
    cart: await place('Cart 1', 'cart'),
    truck: await place('Truck 2', 'truck'),
    bin: await place('Bin A', 'bin', 'lastIn'),
    mill: await place('Redbud', 'buyer'),
  };
}

/** What a page has of a farm: its names and its present. */
export async function farmNow(client: Client, farmId: string): Promise<FarmHeaderAnswer & FarmNow> {
  const [header, now] = await Promise.all([
    client.get<FarmHeaderAnswer>(`/farms/${farmId}/header`),
    client.get<FarmNow>(`/farms/${farmId}/now`),
  ]);
  return { ...header.body, ...now.body };
}

/** Records of the field stations together, as the pages have them. */
export async function fieldRecords(client: Client, farmId: string): Promise<FieldRecords> {
  const of = async <T>(station: string): Promise<T> =>
    (await client.get<T>(`/farms/${farmId}/${station}/records`)).body;
  const [fields, cut, haul, dry] = [
    await of<FieldsRecords>('fields'),
    await of<CutRecords>('cut'),
    await of<HaulRecords>('haul'),
    await of<DryRecords>('dry'),
  ];
  return {
    logs: { ...fields.logs, ...cut.logs, ...haul.logs, ...dry.logs },
    settings: { ...fields.settings, ...cut.settings, ...haul.settings, ...dry.settings },
  };
}
export const shedRecords = async (client: Client, farmId: string): Promise<ShedRecordsAnswer> =>
  (await client.get<ShedRecordsAnswer>(`/farms/${farmId}/shed/records`)).body;

let minute = 0;
/** An entry as a device sends it, a minute after the one before. */
export function entry(fields: Record<string, unknown>): Record<string, unknown> & { id: string } {
  const at = new Date(Date.UTC(2026, 8, 8, 0, minute++)).toISOString();
  return { id: ulid(), at, device: 'test', ...fields };
}
