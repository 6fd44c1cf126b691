import type { KeptShareInfo, NewLink, OwnerLinkBody, OwnerLinkInfo, SharedGrain } from '@fanega/contract';
import { grainOfOwner, landOwners } from '@fanega/core';
import { Inject, Injectable } from '@nestjs/common';
import { ulid } from 'ulid';
import type { Caller } from '../../platform/access.js';
import { Clock } from '../../platform/clock.js';
import { FarmWrites } from '../../platform/farm-write.js';
import { isOpen, linkInfo, newLink } from '../../platform/links.js';
import { Refused } from '../../platform/refused.js';
import { FarmClock, LedgerService } from '../ledger/index.js';
import { SharesRepository } from './shares.repository.js';
import type { OwnerLinkRow } from './store.entity.js';

const MOST_KEPT = 50;

/** A shared bin site: whoever owns a part of what lies there sees that part, and nothing else of the farm. */
@Injectable()
export class SharesService {
  constructor(
    @Inject(SharesRepository) private readonly shares: SharesRepository,
    @Inject(LedgerService) private readonly ledgers: LedgerService,
    @Inject(FarmWrites) private readonly writes: FarmWrites,
    @Inject(FarmClock) private readonly farmClock: FarmClock,
    @Inject(Clock) private readonly clock: Clock,
  ) {}

  async links(farmId: string): Promise<OwnerLinkInfo[]> {
    return (await this.shares.list(farmId)).map((row) => ({ ...linkInfo(row), owner: row.owner }));
  }

  async add(farmId: string, body: OwnerLinkBody, caller: Caller): Promise<NewLink> {
    const { owner } = body;
    const { lots } = await this.ledgers.open(farmId);
    if (!landOwners(lots).includes(owner))
      throw new Refused('not_found', `No field of this farm has an owner “${owner}”.`, [
        { field: 'owner', code: 'not_found', message: 'no field of this farm has this owner' },
      ]);
    const { secret, row } = newLink(farmId, body, caller, this.clock.now());
    await this.writes.run(farmId, async ({ tx, changed }) => {
      await this.shares.add(tx, { ...row, owner });
      changed('store');
    });
    return { id: row.id, secret };
  }

  revoke(farmId: string, id: string): Promise<{ id: string }> {
    return this.writes.run(farmId, async ({ tx, changed }) => {
      await this.shares.revoke(tx, farmId, id);
      changed('store');
      return { id };
    });
  }

  /** What a link shows, as the book stands now. */
  async shared(secret: string): Promise<SharedGrain> {
    const link = await this.shares.open(secret, this.clock.now());
    const shown = await this.grainOf(link);
    await this.shares.wasOpened(link, this.clock.now());
    return shown;
  }

  private async grainOf({ farmId, owner, givenTo }: OwnerLinkRow): Promise<SharedGrain> {
    const at = new Date(await this.farmClock.now(farmId)).toISOString();
    const { farm } = (await this.ledgers.open(farmId)).header;
    const grain = await this.ledgers.answer(farmId, `grain of ${owner}`, (book) => grainOfOwner(book, owner));
    return { farm: farm.name, givenTo, at, timeZone: farm.timeZone, units: farm.units, clock: farm.clock, grain };
  }

  /** This farm keeps a link of another one, and shows among its own bins what is its own there. */
  async keep(farmId: string, secret: string, caller: Caller): Promise<{ id: string }> {
    const link = await this.shares.open(secret, this.clock.now());
    if (link.farmId === farmId) throw new Refused('body_wrong', 'This is a link of this farm itself.');
    const { name } = (await this.ledgers.open(link.farmId)).header.farm;
    return this.writes.run(farmId, async ({ tx, changed }) => {
      const kept = await this.shares.kept(farmId, tx);
      const known = kept.find(({ ofFarmId, linkId }) => ofFarmId === link.farmId && linkId === link.id);
      if (known) return { id: known.id };
      if (kept.length >= MOST_KEPT) throw new Refused('body_wrong', `A farm keeps at most ${MOST_KEPT} links.`);
      const id = ulid();
      await this.shares.keep(tx, { farmId, id, ofFarmId: link.farmId, linkId: link.id, farmName: name, owner: link.owner, byName: caller.name, keptMs: this.clock.now() }); // prettier-ignore
      changed('store');
      return { id };
    });
  }

  async kept(farmId: string): Promise<KeptShareInfo[]> {
    const rows = await this.shares.kept(farmId);
    return Promise.all(
      rows.map(async ({ id, ofFarmId, linkId, farmName, owner }) => {
        const link = await this.shares.link(ofFarmId, linkId);
        return { id, farm: farmName, owner, share: isOpen(link, this.clock.now()) ? await this.grainOf(link) : null };
      }),
    );
  }

  drop(farmId: string, id: string): Promise<{ id: string }> {
    return this.writes.run(farmId, async ({ tx, changed }) => {
      if (!(await this.shares.drop(tx, farmId, id))) throw new Refused('not_found', 'There is no such link.');
      changed('store');
      return { id };
    });
  }
}
