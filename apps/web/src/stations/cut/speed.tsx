import type { MachineProfile, SheetOf } from '@fanega/contract';
import { bushelsPerAcreToKgPerHa, cropOf, CROPS, metresPerSecondToMph, metresToFeet, rateAt, speedForRate, tankFill } from '@fanega/core';
import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import { put } from '../../data/api';
import { useRefreshFarm } from '../../data/farm';
import { fieldFacts } from '../../data/field-facts';
import { useSend } from '../../data/use-send';
import { Button, Problem, SelectBox, TextBox } from '../../ui';
import { formatBushels, formatBushelsFine, formatMoney, parseNumber } from '../../widgets/quantity';
import { day } from '../../widgets/time';
import { type CutGiven, checksOf, farmDay, likelyLot, NO_PROFILE } from './machine';
import { ProfileSheet } from './profile-sheet';

/** The speed to drive, large; the tank under it; and what the rate costs in loss, from the farm's own counts. */
export function Speed({ farm, notebook, rows, machineId }: CutGiven) {
  const kept = notebook.machines[machineId];
  const [lotId, setLotId] = useState(() => likelyLot(farm, notebook, rows, machineId));
  const [editing, setEditing] = useState(false);
  const facts = useMemo(() => fieldFacts(farm, rows, notebook), [farm, rows, notebook]);
  const here = facts.find((f) => f.row.lot.id === lotId);
  const crop = here?.crop ?? CROPS.corn;
  const profile = (kept ?? NO_PROFILE).sheet;
  const [yieldText, setYieldText] = useState<string | null>(null);
  const [rateText, setRateText] = useState<string | null>(null);
  const shownYield = yieldText ?? (here?.expected ? String(Math.round(here.expected)) : '');
  const shownRate = rateText ?? (profile.goodRate > 0 ? formatBushels(profile.goodRate / farm.kgPerBu(crop.id)) : '');
  const [bushels, rate] = [parseNumber(shownYield), parseNumber(shownRate)];
  const errors = {
    yield: shownYield !== '' && !(bushels >= 0 && bushels <= 400) ? 'Bushels an acre, from 0 to 400' : undefined,
    rate: shownRate !== '' && !(rate >= 0 && rate <= 20_000) ? 'Bushels an hour, from 0 to 20,000' : undefined,
  };
  const today = farmDay(farm);
  const confirmed = kept !== undefined && profile.headConfirmed === today;
  const usable = kept !== undefined && !errors.yield && !errors.rate && !Number.isNaN(bushels) && !Number.isNaN(rate) && rate > 0;
  const kgPerHa = usable ? bushelsPerAcreToKgPerHa(bushels, crop.legalPounds) : 0;
  const kgPerBu = farm.kgPerBu(crop.id);
  const advice = usable
    ? speedForRate({ rate: rate * kgPerBu, width: profile.headWidth, yieldKgPerHa: kgPerHa, limits: [{ name: 'limit', speed: profile.speedLimit }], headConfirmed: confirmed })
    : null;
  return (
    <div>
      <div className="lg:grid lg:grid-cols-[1.2fr_1fr]">
        <section aria-label="Speed to drive" className="px-5 py-5 lg:px-6">
          {kept === undefined ? (
            <div className="max-w-md space-y-3">
              <p className="text-lg">Nobody said yet what this machine is: its heads, its tank, the rate at which it does good work.</p>
              <Button look="do" onClick={() => setEditing(true)}>
                Write its profile
              </Button>
            </div>
          ) : (
            <>
              <p className="text-7xl leading-none font-bold" aria-label="Drive">
                {advice?.kind === 'speed' ? (
                  <>
                    {metresPerSecondToMph(advice.speed).toFixed(1)} <span className="text-3xl font-normal text-muted">mph{advice.limitedBy ? ` (${advice.limitedBy})` : ''}</span>
                  </>
                ) : (
                  <span className="text-muted">–</span>
                )}
              </p>
              <p className="mt-3 text-lg">
                {advice?.kind === 'speed' ? (
                  advice.limitedBy ? (
                    <>
                      {formatBushels(advice.rate / kgPerBu)} bu/h there; the rate alone would ask for {metresPerSecondToMph(advice.byRate).toFixed(1)} mph.
                    </>
                  ) : (
                    <>
                      for {formatBushels(advice.rate / kgPerBu)} bu/h in {formatBushels(bushels)} bu/ac on {metresToFeet(profile.headWidth).toFixed(1)} ft.
                    </>
                  )
                ) : advice?.because === 'head not confirmed today' ? (
                  <b>No speed until somebody confirms for today which head is on.</b>
                ) : advice?.because === 'no crop' ? (
                  'Nothing to cut at that yield.'
                ) : (
                  'Yield and rate are wanted.'
                )}
              </p>
              <Heads farm={farm} machineId={machineId} kept={kept} confirmed={confirmed} today={today} />
            </>
          )}
        </section>
        <section aria-label="What it is in" className="space-y-3 border-t border-rule px-5 py-5 lg:border-t-0 lg:border-l lg:px-6">
          <SelectBox
            label="Field"
            value={lotId}
            onChange={(event) => {
              setLotId(event.target.value);
              setYieldText(null);
              setRateText(null);
            }}
          >
            {[...facts]
              .sort((a, b) => Number(b.cuttingToday) - Number(a.cuttingToday))
              .map(({ row, crop: own }) => (
                <option key={row.lot.id} value={row.lot.id}>
                  {row.lot.fieldName}, {own.short}
                </option>
              ))}
          </SelectBox>
          <div className="grid grid-cols-2 gap-3">
            <TextBox
              label="Yield here"
              unit="bu/ac"
              className="pr-20"
              inputMode="decimal"
              value={shownYield}
              error={errors.yield}
              onChange={(event) => setYieldText(event.target.value)}
            />
            <TextBox label="Good rate" unit="bu/h" inputMode="decimal" value={shownRate} error={errors.rate} onChange={(event) => setRateText(event.target.value)} />
          </div>
          {kept && (
            <Button look="quiet" className="!px-0" onClick={() => setEditing(true)}>
              Machine profile
            </Button>
          )}
        </section>
      </div>
      {kept && <Tank farm={farm} machineId={machineId} profile={profile} rate={advice?.kind === 'speed' ? advice.rate : usable ? rate * kgPerBu : 0} kgPerBu={kgPerBu} />}
      <RateLoss farm={farm} notebook={notebook} rows={rows} machineId={machineId} crop={crop.id} />
      {editing && <ProfileSheet farm={farm} machineId={machineId} kept={kept ?? NO_PROFILE} kgPerBu={kgPerBu} onClose={() => setEditing(false)} />}
    </div>
  );
}

function Heads({ farm, machineId, kept, confirmed, today }: { farm: CutGiven['farm']; machineId: string; kept: SheetOf<MachineProfile>; confirmed: boolean; today: string }) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [open, setOpen] = useState(false);
  const { sheet } = kept;
  const heads = sheet.heads && sheet.heads.length > 0 ? sheet.heads : [{ name: 'The head', width: sheet.headWidth }];
  const confirm = async (head: { name: string; width: number }): Promise<void> => {
    const saved = await sending.send(() =>
      put<{ revision: number }>(`/farms/${farm.id}/sheets/machine/${machineId}`, {
        revision: kept.revision,
        sheet: { ...sheet, headOn: head.name, headWidth: head.width, headConfirmed: today },
      }),
    );
    if (!saved) return;
    toast(`${head.name} is on`);
    setOpen(false);
    await refresh();
  };
  return (
    <div className="mt-4">
      {confirmed && !open ? (
        <p>
          ● {sheet.headOn ?? 'The head'}, {metresToFeet(sheet.headWidth).toFixed(1)} ft, confirmed today.{' '}
          <Button look="quiet" className="!px-1" onClick={() => setOpen(true)}>
            Another head
          </Button>
        </p>
      ) : (
        <div className="flex flex-wrap gap-3">
          {heads.map((head) => (
            <Button
              key={head.name}
              look={head.name === sheet.headOn || heads.length === 1 ? 'do' : 'plain'}
              className="min-h-16"
              disabled={sending.busy}
              onClick={() => void confirm(head)}
            >
              {head.name}, {metresToFeet(head.width).toFixed(1)} ft, is on
            </Button>
          ))}
        </div>
      )}
      <Problem className="mt-2">{sending.message}</Problem>
    </div>
  );
}

function Tank({ farm, machineId, profile, rate, kgPerBu }: { farm: CutGiven['farm']; machineId: string; profile: MachineProfile; rate: number; kgPerBu: number }) {
  const [text, setText] = useState<string | null>(null);
  const inBook = farm.bushels(farm.held(machineId).wetLots);
  const shown = text ?? formatBushels(inBook);
  const bushels = parseNumber(shown);
  const error = Number.isNaN(bushels) || bushels < 0 || bushels > 2000 ? 'Bushels in the tank, from 0 to 2,000' : undefined;
  const tankKg = profile.tankBu * kgPerBu;
  const carts = farm.data.places.filter((place) => place.kind === 'cart' && place.capacityBu !== null);
  const fill = error ? null : tankFill({ inTankKg: bushels * kgPerBu, tankKg, rate });
  return (
    <section aria-label="Tank" className="grid gap-x-10 gap-y-3 border-t border-ink px-5 py-5 sm:grid-cols-[11rem_auto_1fr] lg:px-6">
      <TextBox
        label="In the tank now"
        unit="bu"
        inputMode="decimal"
        value={shown}
        error={error}
        hint={text === null ? 'as the book has it' : undefined}
        onChange={(event) => setText(event.target.value)}
      />
      {fill && (
        <p>
          <span className="block text-4xl font-bold">{fill.secondsToFull === null ? '–' : fill.secondsToFull < 30 ? 'full' : `${Math.round(fill.secondsToFull / 60)} min`}</span>
          <span className="text-muted">
            until {formatBushels(profile.tankBu)} bu{rate > 0 ? ` at ${formatBushels(rate / kgPerBu)} bu/h` : ''}
          </span>
        </p>
      )}
      {fill && (
        <ul className="self-center">
          {carts.map((cart) => {
            // A cart of the book may be any vessel on wheels; what no tank fills is room enough.
            const room = Math.min(3000, Math.max(0, cart.capacityBu! - farm.bushels(farm.held(cart.id).wetLots)));
            const fits = tankFill({ inTankKg: bushels * kgPerBu, tankKg, rate, cartRoomKg: room * kgPerBu });
            return (
              <li key={cart.id}>
                <b>
                  {fits.fitsCart ? '●' : '◐'} {cart.name}
                </b>{' '}
                has room for {formatBushels(room)} bu: {fits.fitsCart ? 'it fits' : `${formatBushels(fits.overCartKg / kgPerBu)} bu stay in the tank`}
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}

/** Loss against the rate, from this farm's own checks in this crop. */
function RateLoss({ farm, notebook, rows, machineId, crop }: CutGiven & { crop: string }) {
  const facts = new Map(fieldFacts(farm, rows, notebook).map((f) => [f.row.lot.id, f]));
  const sheets = new Map(notebook.notes.flatMap((note) => (note.kind === 'settings' ? [[note.body.id, note.body] as const] : [])));
  const profile = notebook.machines[machineId]?.sheet;
  const lines = checksOf(farm, notebook, machineId)
    .flatMap(({ body, check }) => {
      const own = facts.get(body.lotId);
      const speed = sheets.get(body.settingsId ?? '')?.values.speed;
      if (!profile || own?.crop.id !== crop || own.expected === null || speed === undefined) return [];
      const kgPerHa = bushelsPerAcreToKgPerHa(own.expected, own.crop.legalPounds);
      return [{ id: body.id, at: body.at, field: own.row.lot.fieldName, speed, rate: rateAt(speed, profile.headWidth, kgPerHa) / farm.kgPerBu(crop), loss: check.parts.machine! }];
    })
    .sort((a, b) => b.rate - a.rate);
  if (lines.length === 0) return null;
  return (
    <section aria-label="What the rate costs" className="border-t border-ink px-5 py-5 lg:px-6">
      <h2 className="text-xl">What the rate costs in loss</h2>
      <p className="text-muted">
        {lines.length} counts of this machine in {cropOf(crop)?.short ?? crop}. Other settings moved too: it shows, it does not prove.
      </p>
      <div className="overflow-x-auto">
        <table className="mt-2 w-full min-w-[36rem]">
          <thead className="border-y border-ink text-left text-sm">
            <tr>
              <th className="py-1.5 pr-2">Rate</th>
              <th className="px-2">Loss</th>
              <th className="px-2 text-right">$ an acre</th>
              <th className="px-2 text-right">Speed</th>
              <th className="py-1.5 pl-2">Counted</th>
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr key={line.id} className="border-b border-rule">
                <td className="py-1 pr-2 font-semibold whitespace-nowrap">{formatBushels(line.rate)} bu/h</td>
                <td className="px-2">
                  <span className="flex items-center gap-2 whitespace-nowrap">
                    <span className="inline-block h-3 bg-ink" style={{ width: `${Math.min(10, 3 * line.loss.bushelsPerAcre)}rem` }} aria-hidden="true" />
                    {formatBushelsFine(line.loss.bushelsPerAcre)} bu/ac
                  </span>
                </td>
                <td className="px-2 text-right">{formatMoney(line.loss.moneyPerAcre)}</td>
                <td className="px-2 text-right">{metresPerSecondToMph(line.speed).toFixed(1)} mph</td>
                <td className="py-1 pl-2 text-sm text-muted">
                  {line.field}, {day(line.at, farm.data.farm.timeZone)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
