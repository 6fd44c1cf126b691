import { FEDERAL_RULES, KG_PER_LB, M_PER_FT, type TruckSetup } from '@fanega/core';
import { useState } from 'react';
import { toast } from '../../../ui/toast';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { useSend } from '../../../data/use-send';
import { Button, TextBox } from '../../../ui';
import { useKept } from '../../../ui/use-kept';
import { FormDrawer } from '../../../ui/form-drawer';
import { length, mass, parseNumber, percent, plain, share, system } from '../../../quantity/quantity';
import { setting } from '../../../data/records';
import { write } from '../../../data/outbox';

/** A tractor with a hopper trailer, as many are: to be put right for the truck that it is. */
export function usualSheet(name: string): TruckSetup {
  return {
    combination: name,
    axles: [0, 14, 18.3, 47, 51.3].map((feet, i) => ({
      at: feet * M_PER_FT,
      share: [0.04, 0.23, 0.23, 0.25, 0.25][i]!,
    })),
    singleLb: FEDERAL_RULES.single,
    tandemLb: FEDERAL_RULES.tandem,
    grossLb: FEDERAL_RULES.gross,
  };
}

export function VehicleForm({
  farm,
  truckId,
  revision,
  sheet,
  onClose,
}: {
  farm: Farm;
  truckId: string;
  revision: number;
  sheet: TruckSetup;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const sending = useSend();
  const number = (value: number): string => plain(value, 2);
  /** Limits are kept in pounds, as the law has them. */
  const limit = (pounds: number): string => mass.text(pounds * KG_PER_LB);
  const pounds = (typed: string, was: number): number => {
    const kg = mass.read(typed, { was: was * KG_PER_LB }).value;
    return kg === undefined ? NaN : Number((kg / KG_PER_LB).toPrecision(12));
  };
  const [text, setText, close] = useKept(
    `truck.${farm.id}.${truckId}.${system()}`,
    () => ({
      combination: sheet.combination,
      axles: sheet.axles.map((axle) => ({ at: length.text(axle.at), share: share.text(axle.share) })),
      single: limit(sheet.singleLb),
      tandem: limit(sheet.tandemLb),
      gross: limit(sheet.grossLb),
      permit: sheet.permit?.name ?? '',
      percentAxles: number(sheet.permit?.percentAxles ?? 0),
      percentGross: number(sheet.permit?.percentGross ?? 10),
      from: sheet.permit?.from ?? '',
      until: sheet.permit?.until ?? '',
    }),
    onClose,
  );
  const [tried, setTried] = useState(false);
  const set = (change: Partial<typeof text>) => setText({ ...text, ...change });
  const axles = text.axles.map((axle, i) => ({
    at: length.read(axle.at, { was: sheet.axles[i]?.at }).value ?? NaN,
    share: share.read(axle.share, { was: sheet.axles[i]?.share }).value ?? NaN,
  }));
  const sum = axles.reduce((total, axle) => total + axle.share, 0);
  const errors = {
    axles: axles.some(
      (axle, i) => Number.isNaN(axle.at) || (i === 0 ? axle.at !== 0 : axle.at < axles[i - 1]!.at + 0.5),
    )
      ? `Each axle stands behind the one before, at least ${length(0.5)}; the first at 0`
      : Math.abs(sum - 1) > 0.001
        ? `The parts of the load come to ${Number.isNaN(sum) ? 'no number' : percent(sum)}, not to 100`
        : undefined,
    permit:
      text.permit.trim() !== '' && (text.from === '' || text.until === '')
        ? 'A permit has a first and a last day'
        : undefined,
  };
  const save = async (): Promise<void> => {
    setTried(true);
    if (errors.axles || errors.permit) return;
    const next = {
      combination: text.combination.trim(),
      axles,
      singleLb: pounds(text.single, sheet.singleLb),
      tandemLb: pounds(text.tandem, sheet.tandemLb),
      grossLb: pounds(text.gross, sheet.grossLb),
      ...(text.permit.trim() === ''
        ? {}
        : {
            permit: {
              name: text.permit.trim(),
              percentAxles: parseNumber(text.percentAxles),
              percentGross: parseNumber(text.percentGross),
              from: text.from,
              until: text.until,
            },
          }),
    };
    if (!(await sending.send(() => write(farm.id, setting(farm.id, 'truckSetup', truckId, { revision, value: next })))))
      return;
    toast('The truck is kept');
    await refresh();
    close();
  };
  return (
    <FormDrawer
      title={farm.placeName(truckId)}
      button="Keep the truck"
      busy={sending.busy}
      problem={(tried && (errors.axles ?? errors.permit)) || sending.message}
      onSubmit={save}
      onClose={close}
    >
      <TextBox
        label="Tractor and trailer"
        maxLength={60}
        value={text.combination}
        error={sending.at.combination}
        onChange={(event) => set({ combination: event.target.value })}
      />
      <fieldset>
        <legend className="mb-1 text-sm font-semibold">Axles, from the front</legend>
        {text.axles.map((axle, i) => (
          <div key={i} className="mb-2 grid grid-cols-[2rem_1fr_1fr] items-end gap-3">
            <span className="pb-2 font-bold">{i + 1}</span>
            <TextBox
              label="behind the first"
              unit={length.unit}
              inputMode="decimal"
              value={axle.at}
              disabled={i === 0}
              onChange={(event) =>
                set({ axles: text.axles.map((one, j) => (j === i ? { ...one, at: event.target.value } : one)) })
              }
            />
            <TextBox
              label="of the load"
              unit="%"
              inputMode="decimal"
              value={axle.share}
              onChange={(event) =>
                set({ axles: text.axles.map((one, j) => (j === i ? { ...one, share: event.target.value } : one)) })
              }
            />
          </div>
        ))}
        <p className="flex gap-4">
          <Button
            look="quiet"
            className="!px-0"
            disabled={text.axles.length >= 12}
            onClick={() =>
              set({ axles: [...text.axles, { at: length.text((axles.at(-1)?.at ?? 0) + 4.3 * M_PER_FT), share: '0' }] })
            }
          >
            Another axle
          </Button>
          <Button
            look="quiet"
            className="!px-0"
            disabled={text.axles.length <= 2}
            onClick={() => set({ axles: text.axles.slice(0, -1) })}
          >
            One less
          </Button>
        </p>
      </fieldset>
      <div className="grid grid-cols-3 gap-3">
        <TextBox
          label="Single"
          unit={mass.unit}
          inputMode="decimal"
          value={text.single}
          error={sending.at.singleLb}
          onChange={(event) => set({ single: event.target.value })}
        />
        <TextBox
          label="Tandem"
          unit={mass.unit}
          inputMode="decimal"
          value={text.tandem}
          error={sending.at.tandemLb}
          onChange={(event) => set({ tandem: event.target.value })}
        />
        <TextBox
          label="Gross"
          unit={mass.unit}
          inputMode="decimal"
          value={text.gross}
          error={sending.at.grossLb}
          onChange={(event) => set({ gross: event.target.value })}
        />
      </div>
      <TextBox
        label="Permit, as it is headed"
        maxLength={80}
        hint="leave empty without one"
        value={text.permit}
        onChange={(event) => set({ permit: event.target.value })}
      />
      {text.permit.trim() !== '' && (
        <div className="grid grid-cols-2 gap-3">
          <TextBox
            label="On axles"
            unit="%"
            inputMode="decimal"
            value={text.percentAxles}
            error={sending.at.percentAxles}
            onChange={(event) => set({ percentAxles: event.target.value })}
          />
          <TextBox
            label="On the gross"
            unit="%"
            inputMode="decimal"
            value={text.percentGross}
            error={sending.at.percentGross}
            onChange={(event) => set({ percentGross: event.target.value })}
          />
          <TextBox
            label="From"
            type="date"
            value={text.from}
            error={sending.at.from}
            onChange={(event) => set({ from: event.target.value })}
          />
          <TextBox
            label="Until"
            type="date"
            value={text.until}
            error={sending.at.until}
            onChange={(event) => set({ until: event.target.value })}
          />
        </div>
      )}
      <p className="text-sm text-muted">
        Federal limits stand here first; put your state&rsquo;s and your permit&rsquo;s own figures in their place. They
        rule.
      </p>
    </FormDrawer>
  );
}
