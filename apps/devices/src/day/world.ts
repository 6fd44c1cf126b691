import type { DeviceNames, EntryBody } from '@fanega/contract';
import { M2_PER_ACRE, kilogramsPerBushel, type Random, seededRandom } from '@fanega/core';
import { monotonicFactory, type ULIDFactory } from 'ulid';
import type { DayEvent } from './events.js';
import type { DayPlan, FieldPlan } from './plan.js';

/** Grain as it truly lies: its weight and the water in it. */
export class Heap {
  private waterKg = 0;
  kg = 0;

  get moisture(): number {
    return this.kg > 0 ? this.waterKg / this.kg : 0;
  }

  add(kg: number, moisture: number): void {
    this.kg += kg;
    this.waterKg += kg * moisture;
  }

  /** Takes up to so much of the mixture; what it was. */
  take(kg: number): { readonly kg: number; readonly moisture: number } {
    const taken = Math.min(kg, this.kg);
    const { moisture } = this;
    this.kg -= taken;
    this.waterKg -= taken * moisture;
    return { kg: taken, moisture };
  }
}

export interface StandingField {
  readonly plan: FieldPlan;
  readonly lotId: string;
  readonly fieldId: string;
  /** the corners of its edge; none: nobody drew it */
  readonly edge: readonly { readonly lon: number; readonly lat: number }[];
  kg: number;
  /** m² that were cut before the day */
  readonly cutM2: number;
}

/** An entry as a device writes it; id, instant and stamps are added. */
export type Said = Omit<EntryBody, 'id' | 'at' | 'recordedAt' | 'by' | 'device'>;

/** The clock, the chance and the wires of a simulated day. Each thing draws from a stream of its own, so that one changes no other. */
export class World {
  now: number;
  readonly kgPerBu: number;
  readonly fields: readonly StandingField[];
  /** Rising within a millisecond too: what was written later is later in the book. */
  private readonly ids: ULIDFactory;
  private streams = 0;
  private said: DayEvent[] = [];

  /** @param midnightMs the day's first instant on the farm @throws Error where the plan names a field that the farm does not have */
  constructor(
    readonly names: DeviceNames,
    readonly plan: DayPlan,
    readonly midnightMs: number,
    readonly seed: number,
  ) {
    this.now = midnightMs + plan.begins * 60_000;
    this.kgPerBu = kilogramsPerBushel(plan.legalPounds);
    this.ids = monotonicFactory(seededRandom((seed * 7919 + 17) % 2 ** 32));
    this.fields = plan.fields.map((field) => {
      const lot = names.lots.find(({ tag }) => tag === field.tag);
      if (!lot) throw new Error(`the farm has no field with the tag ${field.tag}`);
      return {
        plan: field,
        lotId: lot.id,
        fieldId: lot.fieldId,
        edge: lot.edge ?? [],
        kg: field.bushels * this.kgPerBu,
        cutM2: Math.max(0, lot.acres - field.bushels / field.yieldBu) * M2_PER_ACRE,
      };
    });
  }

  /** Minutes of the farm's day. */
  get minute(): number {
    return (this.now - this.midnightMs) / 60_000;
  }

  /** The field that is cut: the first with anything left. */
  get field(): StandingField | undefined {
    return this.fields.find((field) => field.kg > 1);
  }

  /** Is anything cut from now on? */
  get cutting(): boolean {
    return this.field !== undefined && this.minute < this.plan.cutUntil;
  }

  chance(): Random {
    return seededRandom((this.seed * 1_000_003 + 7 * ++this.streams) % 2 ** 32);
  }

  id(): string {
    return this.ids(this.now);
  }

  tell(event: DayEvent): void {
    this.said.push(event);
  }

  /** Writes an entry at this moment. @returns its id */
  write(wire: string, device: string, entry: Said): string {
    const id = this.id();
    this.tell({
      atMs: this.now,
      wire,
      what: 'entry',
      entry: {
        ...entry,
        id,
        at: new Date(this.now).toISOString(),
        recordedAt: new Date(this.now + 4000).toISOString(),
        by: device,
        device: wire,
      },
    });
    return id;
  }

  /** What was said since it was asked last. */
  drain(): DayEvent[] {
    const { said } = this;
    this.said = [];
    return said;
  }
}
