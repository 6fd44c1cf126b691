import { modelCables, type Random } from '@fanega/core';
import { STAND_IN_CABLES, toldOf } from '../cables.js';
import type { Dryer } from './dryer.js';
import type { Yard } from './truck.js';
import type { World } from './world.js';

const DAY = 86_400_000;
const HOUR = 3_600_000;
/** Seconds between two figures of the dryer's control. */
const EVERY = 600;
/** A pit runs empty before its leg is stopped, s. */
const RUNS_EMPTY = 20;

/** What reports by itself at the bin site: the dryer's control, the motors of pit and leg, the cables of one bin. */
export class Site {
  private readonly random: Random;
  private meter = 4160;
  private burned = false;
  private fed = false;
  private legStopsMs: number | null = null;

  constructor(
    private readonly world: World,
    private readonly dryer: Dryer,
    private readonly yard: Yard,
  ) {
    this.random = world.chance();
  }

  /** One second of the day. */
  step(second: number): void {
    this.control(second);
    this.motors();
    if (second % 3600 === 0) this.cables();
  }

  private control(second: number): void {
    const { world, dryer } = this;
    const { control } = dryer;
    if (!control || (control.running === this.burned && !(control.running && second % EVERY === 0))) return;
    this.burned = control.running;
    const out = world.plan.dryTo + 0.004 * (this.random() - 0.5);
    this.meter += 1.2 * Math.max(0, 100 * (control.moistureIn - out));
    world.tell({
      atMs: world.now,
      wire: 'dryer',
      what: 'dryer',
      sample: {
        id: world.id(),
        placeId: control.id,
        at: new Date(world.now).toISOString(),
        running: control.running,
        ...(control.running
          ? {
              moistureIn: Math.round(1e4 * control.moistureIn) / 1e4,
              moistureOut: Math.round(1e4 * out) / 1e4,
              plenum: Math.round(10 * (93 + 4 * this.random())) / 10,
              fuelMeter: Math.round(10 * this.meter) / 10,
            }
          : {}),
      },
    });
  }

  /** Last machine first, feeders stop first: as the card at the switchboard says. */
  private motors(): void {
    const { world, yard } = this;
    const [pit, leg] = world.plan.motors;
    const at = new Date(world.now).toISOString();
    const say = (machineId: string, running: boolean): void =>
      world.tell({
        atMs: world.now,
        wire: 'motors',
        what: 'motors',
        motors: [
          { machineId, at, running, ...(running ? { load: Math.round(100 * (0.6 + 0.3 * this.random())) / 100 } : {}) },
        ],
      });
    if (yard.dumping > 0 && !this.fed) {
      if (this.legStopsMs === null) say(leg, true);
      this.legStopsMs = null;
      say(pit, true);
      this.fed = true;
    } else if (yard.dumping === 0 && this.fed) {
      say(pit, false);
      this.fed = false;
      this.legStopsMs = world.now + 1000 * RUNS_EMPTY;
    }
    if (this.legStopsMs !== null && world.now >= this.legStopsMs) {
      say(leg, false);
      this.legStopsMs = null;
    }
  }

  private cables(): void {
    const { world } = this;
    const { name, levelM, celsius, days, spot } = world.plan.cables;
    const bin = world.names.places.find((place) => place.name === name);
    if (!bin) return;
    const readings = modelCables({
      cables: STAND_IN_CABLES.map((cable) => ({ ...cable, spacing: 1.1 })),
      diameter: 10.97,
      levelM,
      celsius,
      putInMs: world.midnightMs - days * DAY,
      airAt: (ms) => 26 + 7 * Math.cos(((ms / HOUR - 21) * Math.PI) / 12),
      hours: [world.now],
      seed: world.seed,
      spot: { cable: 1, height: spot.height, fromMs: world.midnightMs - spot.days * DAY, perDay: spot.perDay },
    });
    world.tell({
      atMs: world.now,
      wire: 'cables',
      what: 'cables',
      readings: readings.map(toldOf(bin.id)),
    });
  }
}
