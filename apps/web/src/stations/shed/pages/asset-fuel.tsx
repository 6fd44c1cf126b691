import { fieldFacts, FUEL_TANK, fuelPerAcre, living, type ShedRecords } from '@fanega/core';
import { useState } from 'react';
import { type Farm, useFields as useFieldRows, useFuel, useNotebook, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { anArea, area, bushels, count, gaugeText, minutes, number, volume } from '../../../quantity/quantity';
import { clock, dated } from '../../../quantity/time';
import { Button, TextBox } from '../../../ui';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { Section } from '../../../ui/page';
import { figureBox, figureOrNone } from '../../../widgets/record-boxes';
import { TakeBack } from '../../../widgets/take-back';

const SHOWN = 8;

/** A machine's fuel: what is left and until when, what it burns by its own fills, and the fills. */
export function AssetFuel({ farm, shed, placeId }: { farm: Farm; shed: ShedRecords; placeId: string }) {
  const kept = shed.settings.fuelTank[placeId];
  const info = useFuel().data?.find((one) => one.placeId === placeId);
  const [telling, setTelling] = useState(false);
  const { timeZone } = farm.data.farm;
  const fills = living(shed.logs.fuelFill).filter(({ body }) => body.placeId === placeId);
  const state = info?.state;
  const rows = useFieldRows().data;
  const notebook = useNotebook().data;
  const cut = rows && notebook ? fieldFacts(farm, rows, notebook) : [];
  const sum = (figure: (one: (typeof cut)[number]) => number): number => cut.reduce((all, one) => all + figure(one), 0);
  const acres = sum(({ row, acresLeft }) => (row.cutWetKg > 0 ? row.lot.acres - acresLeft : 0));
  const wet = sum(({ row, crop }) => row.cutWetKg / farm.kgPerBu(crop.id));
  const anAcre = fuelPerAcre(info?.perBushel ?? null, acres > 1 ? wet / acres : null);
  return (
    <Section label="Fuel" className="border-t border-ink lg:col-span-2">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h3 className="text-xl">Fuel</h3>
        <Button look="quiet" className="!px-0" onClick={() => setTelling(true)}>
          {kept ? `Tank of ${gaugeText(kept.value.gallons)}` : 'Tell its tank'}
        </Button>
      </div>
      {kept === undefined ? (
        <p className="mt-1 text-muted">With the size of its tank the cab says by when to fill it.</p>
      ) : state ? (
        <>
          <p className="mt-1 text-2xl font-bold">
            {state.hoursLeft <= 0
              ? kept.value.homeMin
                ? 'Fill it now: what is left is for the road home'
                : 'Fill it now: it is on the reserve'
              : `Fill by ${clock(state.fillByMs, timeZone)} if it works on`}
          </p>
          <p>
            About {gaugeText(state.leftGallons)} left, {number(Math.max(0, state.hoursLeft), 1)} h of work to the
            reserve. It burns {gaugeText(state.burnPerHour, 1)} an hour{' '}
            {state.burnBy === 'fills'
              ? `by its own fills, the middle of ${state.pairs === 1 ? 'one pair' : `${state.pairs} pairs`} of full tanks`
              : 'as you told; two full tanks say it better'}
            . It worked {number(state.workedHours, 1)} h since it was full on {dated(state.fullAtMs, timeZone)}, by its
            loads in the book; breaks of more than 45 minutes are left out.
          </p>
        </>
      ) : (
        <p className="mt-1">
          {fills.some(({ body }) => body.full)
            ? 'What does it burn an hour? Tell it with the tank, or fill it full a second time.'
            : 'Record a full tank in its cab (Not the usual, Fuel): from there on it says until when it lasts.'}
        </p>
      )}
      {info && info.gallons > 0 && (
        <p className="mt-1">
          This season {gaugeText(info.gallons)}
          {info.perBushel !== null &&
            `, ${gaugeText(info.perBushel * 1000, 1)} for every ${bushels(1000, farm.kgPerBu(undefined)).text} cut`}
          {anAcre !== null && `, about ${gaugeText(anAcre / area.shown(1), 1)} ${anArea()}`}.
        </p>
      )}
      {fills.length > 0 && (
        <ul aria-label="Fills" className="mt-2 max-w-2xl divide-y divide-rule">
          {fills.slice(0, SHOWN).map(({ body, by }) => (
            <li key={body.id} className="flex flex-wrap items-center gap-x-4 py-1.5">
              <span className="min-w-48 flex-1">
                <b>{gaugeText(body.gallons)}</b>
                {body.full ? ', full' : ''}{' '}
                <span className="text-sm text-muted">
                  {dated(body.at, timeZone)}, {by}
                </span>
              </span>
              <TakeBack of="fuelFill" id={body.id} />
            </li>
          ))}
        </ul>
      )}
      {fills.length > SHOWN && <p className="text-sm text-muted">and {fills.length - SHOWN} before</p>}
      {telling && <TankForm farm={farm} placeId={placeId} kept={kept} onClose={() => setTelling(false)} />}
    </Section>
  );
}

function TankForm({
  farm,
  placeId,
  kept,
  onClose,
}: {
  farm: Farm;
  placeId: string;
  kept: ShedRecords['settings']['fuelTank'][string] | undefined;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const { fields } = FUEL_TANK;
  const was = kept?.value;
  const form = useFields({
    keptAs: `fuel.${farm.id}.${placeId}`,
    boxes: {
      gallons: figureBox(fields.gallons, volume, { was: was?.gallons, missing: 'How much does it hold?' }),
      burnPerHour: figureOrNone(fields.burnPerHour, volume, { was: was?.burnPerHour }),
      homeMin: figureOrNone(fields.homeMin, minutes, { was: was?.homeMin }),
      reserve: figureBox(fields.reserve, count, { times: 0.01, was: was?.reserve, missing: 'Which part stays?' }),
    },
    start: () => ({
      gallons: volume.text(was?.gallons),
      burnPerHour: volume.text(was?.burnPerHour),
      homeMin: minutes.text(was?.homeMin),
      reserve: count.text(Math.round((was?.reserve ?? 0.1) * 100)),
    }),
    close: onClose,
    save: async ({ gallons, burnPerHour, reserve, homeMin }) => {
      const value = {
        gallons,
        reserve,
        ...(burnPerHour === undefined ? {} : { burnPerHour }),
        ...(homeMin === undefined ? {} : { homeMin }),
      };
      await write(farm.id, setting(farm.id, 'fuelTank', placeId, { revision: kept?.revision ?? 0, value }));
      await refresh();
    },
  });
  return (
    <FormDrawer form={form} title={`Fuel of ${farm.placeName(placeId)}`} button="Keep it">
      <TextBox label="The tank holds" {...form.box('gallons')} />
      <TextBox label="It burns an hour" hint="until two full tanks say it" {...form.box('burnPerHour')} />
      <TextBox label="Road home" hint="driven on what is left; blank: none" {...form.box('homeMin')} />
      <TextBox label="Reserve" hint="of the tank, not to be burned" {...form.box('reserve')} unit="%" />
    </FormDrawer>
  );
}
