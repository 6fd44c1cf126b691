import {
  acceptedLoss,
  bushelsPerAcreToKgPerHa,
  countedRatesOf,
  type CombineProfile,
  cropOf,
  CROPS,
  fieldFacts,
  GROUND_SPEED,
  kgPerHaToBushelsPerAcre,
  likelyLot,
  LOSS_BY_RATE,
  lossAtRate,
  machineRate,
  type SettingEntry,
  speedForRate,
  tankFill,
  USUAL_PROFILE,
  fillsFirst,
  heapedKg,
} from '@fanega/core';
import { useMemo, useState } from 'react';
import { toast } from '../../../ui/toast';
import { useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, Problem, SelectBox, TextBox } from '../../../ui';
import { Verdict } from '../../../ui/verdict';
import {
  bushels,
  cropYield,
  grain,
  grainRate,
  length,
  loss,
  moneyOfArea,
  percent,
  speed,
  mass,
  space,
  testWeight,
} from '../../../quantity/quantity';
import { type Column, DataTable } from '../../../ui/table';
import { figureColumn, momentColumn, wordColumn } from '../../../widgets/columns';
import { ProfileDrawer } from '../forms/profile-drawer';
import { type CutGiven, farmDay } from '../words';
import { setting } from '../../../data/records';
import { write } from '../../../data/outbox';
import { Section } from '../../../ui/page';
import { Working } from '../../../widgets/working';

/** The speed to drive, large; the tank under it; and what the rate costs in loss, from the farm's own counts. */
export function Speed({ farm, notebook, rows, machineId }: CutGiven) {
  const kept = notebook.settings.combineProfile[machineId];
  const [lotId, setLotId] = useState(() => likelyLot(farm, notebook, rows, machineId));
  const [editing, setEditing] = useState(false);
  const facts = useMemo(() => fieldFacts(farm, rows, notebook), [farm, rows, notebook]);
  const here = facts.find((f) => f.row.lot.id === lotId);
  const crop = here?.crop ?? CROPS.corn;
  const profile = (kept ?? USUAL_PROFILE).value;
  const kgPerBu = farm.kgPerBu(crop.id);
  const [yieldText, setYieldText] = useState<string | null>(null);
  const [rateText, setRateText] = useState<string | null>(null);
  const shownYield = yieldText ?? (here?.expected ? cropYield.text(Math.round(here.expected), kgPerBu) : '');
  const shownRate = rateText ?? (profile.goodRate > 0 ? grainRate.text(profile.goodRate / kgPerBu, kgPerBu) : '');
  const readYield = cropYield.read(shownYield, { least: 0, most: 400, per: kgPerBu });
  const readRate = grainRate.read(shownRate, { least: 0, most: 20_000, per: kgPerBu });
  const [bringing, rate] = [readYield.value ?? NaN, readRate.value ?? NaN];
  const errors = { yield: readYield.error, rate: readRate.error };
  const today = farmDay(farm);
  const confirmed = kept !== undefined && profile.headConfirmed === today;
  const usable =
    kept !== undefined && !errors.yield && !errors.rate && !Number.isNaN(bringing) && !Number.isNaN(rate) && rate > 0;
  const kgPerHa = usable ? bushelsPerAcreToKgPerHa(bringing, crop.legalPounds) : 0;
  const machine = useMemo(
    () => machineRate(farm, notebook, rows, machineId, crop.id),
    [farm, notebook, rows, machineId, crop.id],
  );
  const accepted = acceptedLoss(kept?.value, crop);
  const byLoss = machine?.byLoss ?? null;
  // Where even the slowest count is above what is accepted, that count is the most to drive; faster than that was never counted.
  const mostByLoss = byLoss === null || byLoss.uncountedBeyond ? null : (byLoss.most ?? byLoss.course[0]!.rate);
  const speedOf = (one: number): number => (one * 10_000) / (3600 * profile.headWidth * kgPerHa);
  const advice = usable
    ? speedForRate({
        rate: rate * kgPerBu,
        width: profile.headWidth,
        yieldKgPerHa: kgPerHa,
        limits: [
          { name: 'limit', speed: profile.speedLimit },
          ...(mostByLoss !== null && kgPerHa > 0 ? [{ name: 'loss', speed: Math.min(8, speedOf(mostByLoss)) }] : []),
        ],
        headConfirmed: confirmed,
      })
    : null;
  const counted = byLoss && advice?.kind === 'speed' ? lossAtRate(byLoss, advice.rate) : null;
  const lossText = (kgPerHaLost: number): string =>
    loss(kgPerHaToBushelsPerAcre(kgPerHaLost, crop.legalPounds), kgPerBu).text;
  return (
    <div>
      <div className="lg:grid lg:grid-cols-[1.2fr_1fr]">
        <Section label="Speed to drive">
          {kept === undefined ? (
            <div className="max-w-md space-y-3">
              <p className="text-lg">
                This machine has no profile yet: its heads, its tank, and the rate at which it does good work.
              </p>
              <Button look="do" onClick={() => setEditing(true)}>
                Write its profile
              </Button>
            </div>
          ) : (
            <>
              <Verdict
                label="Drive"
                figure={advice?.kind === 'speed' ? speed.figure(advice.speed) : <span className="text-muted">–</span>}
                unit={advice?.kind === 'speed' && `${speed.unit}${advice.limitedBy ? ` (${advice.limitedBy})` : ''}`}
              >
                {advice?.kind === 'speed' ? (
                  advice.limitedBy === 'loss' ? (
                    <>
                      {byLoss!.most === null ? (
                        <b>Every count here is above the {lossText(accepted)} you accept; this is the slowest one.</b>
                      ) : (
                        <>
                          The loss passes the {lossText(accepted)} you accept above{' '}
                          <b>{grainRate(advice.rate / kgPerBu, kgPerBu).text}</b>.
                        </>
                      )}{' '}
                      The good rate alone would ask for {speed(advice.byRate).text}.
                    </>
                  ) : advice.limitedBy ? (
                    <>
                      {grainRate(advice.rate / kgPerBu, kgPerBu).text} there; the rate alone would ask for{' '}
                      {speed(advice.byRate).text}.
                    </>
                  ) : (
                    <>
                      for {grainRate(advice.rate / kgPerBu, kgPerBu).text} in {cropYield(bringing, kgPerBu).text} on{' '}
                      {length(profile.headWidth).text}.
                    </>
                  )
                ) : advice?.because === 'head not confirmed today' ? (
                  <b>Confirm which head is on today, and the speed stands here.</b>
                ) : advice?.because === 'no crop' ? (
                  'Nothing to cut at that yield.'
                ) : (
                  'Yield and rate are wanted.'
                )}
              </Verdict>
              {advice?.kind === 'speed' && (
                <p className="mt-1">
                  {advice.limitedBy === 'loss' ? null : counted !== null ? (
                    <>
                      Loss counted at that rate: <b>{lossText(counted)}</b>, {lossText(accepted)} accepted.
                    </>
                  ) : byLoss === null ? (
                    `No loss was counted in ${crop.short} yet.`
                  ) : (
                    `No loss was counted at that rate: the counts lie between ${grainRate.figure(byLoss.course[0]!.rate / kgPerBu, kgPerBu)} and ${grainRate(byLoss.course.at(-1)!.rate / kgPerBu, kgPerBu).text}.`
                  )}{' '}
                  {machine && (
                    <>
                      With turns that is <b>{grainRate(machine.inField / kgPerBu, kgPerBu).text}</b> over the day: the
                      rate by which Haul and Fields plan.
                    </>
                  )}
                </p>
              )}
              {advice?.kind === 'speed' && (
                <Working
                  what={`Drive ${speed(advice.speed).text}`}
                  formulas={[GROUND_SPEED, LOSS_BY_RATE]}
                  inputs={[
                    { name: 'Yield here', value: cropYield(bringing, kgPerBu).text, from: 'expected, or typed' },
                    { name: 'Head', value: length(profile.headWidth).text, from: 'confirmed today' },
                    {
                      name: 'Good rate',
                      value: grainRate(rate, kgPerBu).text,
                      from: rateText === null ? 'the machine’s profile' : 'typed',
                    },
                    {
                      name: 'Accepted loss',
                      value: lossText(accepted),
                      from:
                        profile.acceptedLoss?.[crop.id as never] === undefined
                          ? 'a bushel an acre, assumed'
                          : 'the machine’s profile',
                      ...(profile.acceptedLoss?.[crop.id as never] === undefined ? { enter: '/cut' } : {}),
                    },
                    {
                      name: 'Counts',
                      value: byLoss === null ? 'none' : String(machine!.counts),
                      from: 'loss counts whose speed is known',
                      ...(byLoss === null ? { enter: '/cut/loss' } : {}),
                    },
                  ]}
                  worked={[
                    `${grainRate(advice.rate / kgPerBu, kgPerBu).text} ÷ (${cropYield(bringing, kgPerBu).text} × ${length(profile.headWidth).text}) = ${speed(advice.speed).text}`,
                    ...(machine
                      ? [
                          `${grainRate(machine.cutting / kgPerBu, kgPerBu).text} × ${percent(profile.fieldEfficiency, 0)} of the time cutting = ${grainRate(machine.inField / kgPerBu, kgPerBu).text}`,
                        ]
                      : []),
                  ]}
                  not="other settings: they moved too between the counts."
                />
              )}
              <Heads farm={farm} machineId={machineId} kept={kept} confirmed={confirmed} today={today} />
            </>
          )}
        </Section>
        <section
          aria-label="What it is in"
          className="space-y-3 border-t border-rule px-5 py-5 lg:border-t-0 lg:border-l lg:px-6"
        >
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
              unit={cropYield.unit}
              className="pr-20"
              inputMode="decimal"
              value={shownYield}
              error={errors.yield}
              onChange={(event) => setYieldText(event.target.value)}
            />
            <TextBox
              label="Good rate"
              unit={grainRate.unit}
              inputMode="decimal"
              value={shownRate}
              error={errors.rate}
              onChange={(event) => setRateText(event.target.value)}
            />
          </div>
          {kept && (
            <Button look="quiet" className="!px-0" onClick={() => setEditing(true)}>
              Machine profile
            </Button>
          )}
        </section>
      </div>
      {kept && (
        <Tank
          farm={farm}
          machineId={machineId}
          profile={profile}
          rate={advice?.kind === 'speed' ? advice.rate : usable ? rate * kgPerBu : 0}
          kgPerBu={kgPerBu}
          usualTestWeight={crop.testWeight}
        />
      )}
      <RateLoss farm={farm} notebook={notebook} rows={rows} machineId={machineId} crop={crop.id} />
      {editing && (
        <ProfileDrawer
          farm={farm}
          machineId={machineId}
          kept={kept ?? USUAL_PROFILE}
          kgPerBu={kgPerBu}
          onClose={() => setEditing(false)}
        />
      )}
    </div>
  );
}

function Heads({
  farm,
  machineId,
  kept,
  confirmed,
  today,
}: {
  farm: CutGiven['farm'];
  machineId: string;
  kept: SettingEntry<'combineProfile'>;
  confirmed: boolean;
  today: string;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const [open, setOpen] = useState(false);
  const { value: sheet } = kept;
  const heads = sheet.heads && sheet.heads.length > 0 ? sheet.heads : [{ name: 'The head', width: sheet.headWidth }];
  const confirm = async (head: { name: string; width: number }): Promise<void> => {
    const saved = await sending.send(() =>
      write(
        farm.id,
        setting(farm.id, 'combineProfile', machineId, {
          revision: kept.revision,
          value: { ...sheet, headOn: head.name, headWidth: head.width, headConfirmed: today },
        }),
      ),
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
          ● {sheet.headOn ?? 'The head'}, {length(sheet.headWidth).text}, confirmed today.{' '}
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
              {head.name}, {length(head.width).text}, is on
            </Button>
          ))}
        </div>
      )}
      <Problem className="mt-2">{sending.message}</Problem>
    </div>
  );
}

function Tank({
  farm,
  machineId,
  profile,
  rate,
  kgPerBu,
  usualTestWeight,
}: {
  farm: CutGiven['farm'];
  machineId: string;
  profile: CombineProfile;
  rate: number;
  kgPerBu: number;
  usualTestWeight: number;
}) {
  const [text, setText] = useState<string | null>(null);
  const shown = text ?? bushels.text(farm.held(machineId).wetKg / kgPerBu, kgPerBu);
  const { value: inTank = 0, error } = bushels.read(shown, { least: 0, most: 2000, per: kgPerBu, wanted: true });
  const tankKg = profile.tankBu * kgPerBu;
  const carts = farm.data.places.filter((place) => place.kind === 'cart' && place.capacityBu !== null);
  const fill = error ? null : tankFill({ inTankKg: inTank * kgPerBu, tankKg, rate });
  // The tank's bushels are space: heaped it weighs what the grain's test weight says.
  const heaped = heapedKg(profile.tankBu, usualTestWeight);
  const rated = profile.ratedKg === undefined ? null : fillsFirst(inTank * kgPerBu, [{ name: 'box', kg: heaped }, { name: 'rating', kg: profile.ratedKg }], rate); // prettier-ignore
  return (
    <section
      aria-label="Tank"
      className="grid gap-x-10 gap-y-3 border-t border-ink px-5 py-5 sm:grid-cols-[11rem_auto_1fr] lg:px-6"
    >
      <TextBox
        label="In the tank now"
        unit={bushels.unit}
        inputMode="decimal"
        value={shown}
        error={error}
        hint={text === null ? 'as the book has it' : undefined}
        onChange={(event) => setText(event.target.value)}
      />
      {fill && (
        <p>
          <span className="block text-4xl font-bold">
            {fill.secondsToFull === null
              ? '–'
              : fill.secondsToFull < 30
                ? 'full'
                : `${Math.round(fill.secondsToFull / 60)} min`}
          </span>
          <span className="text-muted">
            until {bushels(profile.tankBu, kgPerBu).text}
            {rate > 0 ? ` at ${grainRate(rate / kgPerBu, kgPerBu)}` : ''}
          </span>
        </p>
      )}
      <p className="sm:col-span-3">
        Full to {space(profile.tankBu).text} at {testWeight(usualTestWeight).text} it weighs {mass(heaped).text}, that
        is {grain(heaped, kgPerBu).text} by weight.{' '}
        {rated?.by === 'rating' && (
          <b className="text-clay">
            ■ Over what it may weigh: stop at {grain(profile.ratedKg!, kgPerBu).text}
            {rated.seconds === null ? '' : `, ${Math.round(rated.seconds / 60)} min from now`}.
          </b>
        )}
      </p>
      {fill && (
        <ul className="self-center sm:col-span-3">
          {carts.map((cart) => {
            // A cart of the book may be any vessel on wheels; what no tank fills is room enough.
            const room = Math.min(3000, Math.max(0, cart.capacityBu! - farm.bushels(farm.held(cart.id).wetLots)));
            const fits = tankFill({ inTankKg: inTank * kgPerBu, tankKg, rate, cartRoomKg: room * kgPerBu });
            return (
              <li key={cart.id}>
                <b>
                  {fits.fitsCart ? '●' : '◐'} {cart.name}
                </b>{' '}
                has room for {bushels(room, kgPerBu).text}:{' '}
                {fits.fitsCart ? 'it fits' : `${grain(fits.overCartKg, kgPerBu)} stay in the tank`}
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
  const lines = countedRatesOf(farm, notebook, rows, machineId, crop)
    .map(({ id, at, lotId, speed: driven, rate, check }) => ({
      id,
      at,
      field: farm.lot(lotId)?.fieldName ?? '',
      speed: driven,
      rate: rate / farm.kgPerBu(crop),
      loss: check.parts.machine!,
    }))
    .sort((a, b) => b.rate - a.rate);
  if (lines.length === 0) return null;
  const per = (): number => farm.kgPerBu(crop);
  const columns: Column<(typeof lines)[number]>[] = [
    figureColumn('rate', 'Rate', grainRate, (line) => line.rate, {
      per,
      right: false,
      phone: 'title',
      show: (line) => <b className="whitespace-nowrap">{grainRate(line.rate, per()).text}</b>,
    }),
    figureColumn('loss', 'Loss', loss, (line) => line.loss.bushelsPerAcre, {
      per,
      right: false,
      phone: 'verdict',
      show: (line) => (
        <span className="flex items-center gap-2 whitespace-nowrap">
          <span
            className="inline-block h-3 bg-ink"
            style={{ width: `${Math.min(10, 3 * line.loss.bushelsPerAcre)}rem` }}
            aria-hidden="true"
          />
          {loss(line.loss.bushelsPerAcre, per()).text}
        </span>
      ),
    }),
    figureColumn('money', 'Costs', moneyOfArea, (line) => line.loss.moneyPerAcre),
    figureColumn('speed', 'Speed', speed, (line) => line.speed),
    wordColumn('field', 'Field', (line) => line.field, { choice: true }),
    momentColumn('at', 'Counted', (line) => line.at, farm.data.farm.timeZone),
  ];
  return (
    <section aria-label="What the rate costs" className="border-t border-ink px-5 py-5 lg:px-6">
      <h2 className="text-xl">What the rate costs in loss</h2>
      <p className="text-muted">
        {lines.length} counts of this machine in {cropOf(crop)?.short ?? crop}. Other settings moved too: it shows, it
        does not prove.
      </p>
      <div className="-mx-5 mt-2 lg:-mx-6">
        <DataTable
          name="Loss by rate"
          one="count"
          many="counts"
          rows={lines}
          columns={columns}
          rowId={({ id }) => id}
          sortedBy={{ id: 'rate', down: true }}
        />
      </div>
    </section>
  );
}
