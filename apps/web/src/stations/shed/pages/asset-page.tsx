import {
  alternativesFor,
  type ItemStanding,
  type Machine,
  MACHINE_KINDS,
  type MachineItem,
  type MachineKind,
  type MachineView,
  type ShedRecords,
} from '@fanega/core';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Farm } from '../../../data/farm';
import { Button, Empty } from '../../../ui';
import { Status } from '../../../ui/status';
import { BreakdownSheet } from './breakdowns';
import { alternativeWords, cropWords, dayWords, days, farmDay } from '../words';
import { useSettingChange } from '../use-setting-change';
import { CountersSheet, ServiceSheet, WearSheet } from './asset-sheets';
import { isOpen, Item, ItemSheet } from './asset-item';
import { AssetFuel } from './asset-fuel';
import { AssetHeat } from './asset-heat';
import { Services, Wear } from './asset-hours';

/** One machine: its list, its services by the counter, what wears on it. */
export function AssetPage({
  farm,
  shed,
  assets,
  assetId,
}: {
  farm: Farm;
  shed: ShedRecords;
  assets: readonly MachineView[];
  assetId: string;
}) {
  const kept = shed.settings.machine[assetId];
  const sending = useSettingChange('machine', assetId);
  const [open, setOpen] = useState<
    'item' | 'counters' | 'service' | 'wear' | 'breakdown' | { readonly item: ItemStanding } | null
  >(null);
  const asset = assets.find(({ id }) => id === assetId);
  if (!kept || !asset)
    return <Empty title={kept ? 'This machine has left the shed.' : 'No such machine in the shed.'} />;
  const { machine: sheet, by, readiness } = asset;
  const today = farmDay(farm);
  const edit = (make: (sheet: Machine) => Machine): Promise<boolean> => sending.change(make, kept);
  const editOrThrow = (make: (sheet: Machine) => Machine): Promise<boolean> => sending.changeOrThrow(make, kept);
  const editItem = (id: string, change: Partial<MachineItem>): Promise<boolean> =>
    edit((now) => ({ ...now, items: now.items.map((item) => (item.id === id ? { ...item, ...change } : item)) }));
  const line = (standing: ItemStanding) => (
    <Item
      key={standing.item.id}
      standing={standing}
      before={`${sheet.name}: ${standing.item.what}`.slice(0, 120)}
      others={
        standing.daysShort > 0
          ? alternativesFor(asset, assets, standing, shed.settings.seasonPlan.farm?.value.firstDays ?? {}).map(
              alternativeWords,
            )
          : []
      }
      busy={sending.busy}
      onDone={(done) => void editItem(standing.item.id, { doneOn: done ? today : null, skipped: null })}
      onOpen={() => setOpen({ item: standing })}
    />
  );
  return (
    <div>
      <div className="flex flex-wrap items-start justify-between gap-4 px-5 py-5 lg:px-6">
        <div>
          <h2 className="text-3xl">
            {sheet.name}{' '}
            <span className="text-base font-normal text-muted">{MACHINE_KINDS[sheet.kind as MachineKind]}</span>
          </h2>
          <p className="text-xl">
            <b>
              {asset.down !== null && <Status state="bad">down: {asset.down}, </Status>}
              {readiness.daysShort > 0 ? (
                <Status state="bad">{days(readiness.daysShort)} short</Status>
              ) : asset.ready ? (
                <Status state="good">ready</Status>
              ) : asset.overdue.length > 0 && readiness.ready ? (
                <Status state="watch">
                  {asset.overdue[0]!.what.toLowerCase()} {Math.round(asset.overdue[0]!.hours)} h overdue
                </Status>
              ) : (
                <Status state="watch">{readiness.open} open</Status>
              )}
            </b>
            {', '}
            {by.crop === null ? 'harvest is on' : `${cropWords(by.crop)} from ${dayWords(by.day)}`}
          </p>
        </div>
        <div className="flex flex-wrap gap-3">
          {sheet.kind === 'combine' && (
            <Link
              to={`/shed/${assetId}/changeover`}
              className="inline-flex min-h-11 items-center rounded-[3px] border border-ink px-4 font-semibold hover:bg-sand"
            >
              Change of crop
            </Link>
          )}
          <Button onClick={() => setOpen('breakdown')}>It broke</Button>
          <Button onClick={() => setOpen('item')}>Add a line</Button>
        </div>
      </div>
      {sending.message && (
        <p role="alert" className="px-5 pb-3 font-semibold text-clay lg:px-6">
          {sending.message}
        </p>
      )}
      <ol aria-label="Readiness" className="border-t border-ink">
        {readiness.items.filter(isOpen).map(line)}
        {readiness.items.length === 0 && <li className="px-5 py-4 text-muted lg:px-6">Nothing stands on its list.</li>}
      </ol>
      {readiness.items.some((standing) => !isOpen(standing)) && (
        <details className="border-b border-rule" open={readiness.open === 0 && readiness.items.length < 4}>
          <summary className="min-h-11 cursor-pointer px-5 py-3 font-semibold lg:px-6">
            {readiness.items.length - readiness.open} done or left out
          </summary>
          <ol aria-label="Done">{readiness.items.filter((standing) => !isOpen(standing)).map(line)}</ol>
        </details>
      )}
      <div className="border-t border-ink lg:grid lg:grid-cols-2">
        <Services sheet={sheet} onEdit={edit} onAdd={() => setOpen('service')} onCounters={() => setOpen('counters')} />
        <Wear farm={farm} shed={shed} sheet={sheet} onEdit={edit} onAdd={() => setOpen('wear')} />
        {sheet.placeId !== undefined && <AssetFuel farm={farm} shed={shed} placeId={sheet.placeId} />}
        {sheet.placeId !== undefined && <AssetHeat farm={farm} shed={shed} placeId={sheet.placeId} />}
      </div>
      {(open === 'item' || (open !== null && typeof open === 'object')) && (
        <ItemSheet
          start={open === 'item' ? null : (sheet.items.find((item) => item.id === open.item.item.id) ?? null)}
          today={today}
          onClose={() => setOpen(null)}
          onSave={(item) =>
            editOrThrow((now) => ({
              ...now,
              items: now.items.some((one) => one.id === item.id)
                ? now.items.map((one) => (one.id === item.id ? item : one))
                : [...now.items, item],
            }))
          }
          onRemove={async (id) => {
            if (await edit((now) => ({ ...now, items: now.items.filter((one) => one.id !== id) }))) setOpen(null);
          }}
        />
      )}
      {open === 'counters' && <CountersSheet sheet={sheet} onClose={() => setOpen(null)} onEdit={editOrThrow} />}
      {open === 'service' && <ServiceSheet sheet={sheet} onClose={() => setOpen(null)} onEdit={editOrThrow} />}
      {open === 'wear' && <WearSheet sheet={sheet} onClose={() => setOpen(null)} onEdit={editOrThrow} />}
      {open === 'breakdown' && (
        <BreakdownSheet farm={farm} shed={shed} assetId={assetId} onClose={() => setOpen(null)} />
      )}
    </div>
  );
}
