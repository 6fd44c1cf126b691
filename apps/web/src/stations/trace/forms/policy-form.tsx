import { calendarDay, CROPS, type CropId, INSURANCE_POLICY, type InsurancePolicy } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../../../data/farm';
import { write } from '../../../data/outbox';
import { setting } from '../../../data/records';
import { count, price, share } from '../../../quantity/quantity';
import { dayTyped } from '../../../quantity/time';
import { Labelled, SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { DayBox, dayBox } from '../../../widgets/day-box';
import { figureBox, figureOrNone, recordErrors, textBox } from '../../../widgets/record-boxes';
import { factorBox, factorText } from './factor-table';

interface Typed {
  readonly number: string;
  readonly crop: CropId;
  readonly coverage: number;
  readonly price: number;
  readonly base: number;
  readonly perTenth?: number | undefined;
  readonly moistures: readonly { readonly of: number; readonly factor: number }[];
  readonly testWeights: readonly { readonly of: number; readonly factor: number }[];
  readonly noticeDays: number;
  readonly noticeAfterEnd: number;
  readonly periodEnds: string;
  readonly agent: string;
  readonly phone: string;
}

/** A crop's policy with its own tables. What is entered here is what counts: nothing is guessed for it. */
export function PolicyForm({
  farm,
  season,
  kept,
  onClose,
}: {
  farm: Farm;
  season: number;
  kept: { readonly id: string; readonly revision: number; readonly value: InsurancePolicy } | null;
  onClose: () => void;
}) {
  const refresh = useRefreshFarm(farm.id);
  const [id] = useState(() => kept?.id ?? ulid());
  const { fields } = INSURANCE_POLICY;
  const was = kept?.value;
  const today = calendarDay(farm.clock(), farm.data.farm.timeZone);
  const own = farm.data.lots.find((lot) => lot.season === season)?.crop as CropId | undefined;
  const policyOf = ({ moistures, testWeights, perTenth, agent, phone, ...values }: Typed): InsurancePolicy => ({
    ...values,
    season,
    ...(perTenth === undefined ? {} : { perTenth }),
    ...(moistures.length === 0 ? {} : { moistureFactors: moistures.map(({ of, factor }) => ({ moisture: of / 100, factor })) }), // prettier-ignore
    ...(testWeights.length === 0 ? {} : { testWeightFactors: testWeights.map(({ of, factor }) => ({ testWeight: of, factor })) }), // prettier-ignore
    ...(agent === '' ? {} : { agent }),
    ...(phone === '' ? {} : { phone }),
  });
  const form = useFields({
    keptAs: `policy.${farm.id}.${kept?.id ?? `new.${season}`}`,
    boxes: {
      number: textBox(fields.number, 'Its number'),
      crop: oneOf<CropId>(),
      coverage: figureBox(fields.coverage, share, { was: was?.coverage }),
      price: figureBox(fields.price, price, { per: farm.kgPerBu(was?.crop ?? own), was: was?.price }),
      base: figureBox(fields.base, share, { was: was?.base }),
      perTenth: figureOrNone(fields.perTenth, share, { was: was?.perTenth }),
      moistures: factorBox('moisture in percent'),
      testWeights: factorBox('pounds a bushel'),
      noticeDays: figureBox(fields.noticeDays, count),
      noticeAfterEnd: figureBox(fields.noticeAfterEnd, count),
      periodEnds: dayBox(today, 'When does the insurance period end?'),
      agent: textBox(fields.agent),
      phone: textBox(fields.phone),
    },
    start: () => {
      const crop = was?.crop ?? own ?? 'corn';
      return {
        number: was?.number ?? '',
        crop,
        coverage: share.text(was?.coverage),
        price: price.text(was?.price, farm.kgPerBu(crop)),
        base: share.text(was?.base ?? CROPS[crop].baseMoisture),
        perTenth: share.text(was?.perTenth),
        moistures: factorText((was?.moistureFactors ?? []).map(({ moisture, factor }) => ({ of: Number((100 * moisture).toPrecision(6)), factor }))), // prettier-ignore
        testWeights: factorText((was?.testWeightFactors ?? []).map(({ testWeight, factor }) => ({ of: testWeight, factor }))), // prettier-ignore
        noticeDays: count.text(was?.noticeDays ?? 3),
        noticeAfterEnd: count.text(was?.noticeAfterEnd ?? 15),
        periodEnds: dayTyped(was?.periodEnds ?? `${season}-12-10`),
        agent: was?.agent ?? '',
        phone: was?.phone ?? '',
      };
    },
    together: (values) => recordErrors(INSURANCE_POLICY, policyOf(values)),
    close: onClose,
    save: async (values) => {
      await write(farm.id, setting(farm.id, 'insurancePolicy', id, { revision: kept?.revision ?? 0, value: policyOf(values) }), `policy ${values.number}`); // prettier-ignore
      await refresh();
    },
  });
  const { texts, set } = form;
  const area = (name: 'moistures' | 'testWeights', label: string, hint: string, like: string) => (
    <Labelled label={label} hint={hint} error={form.box(name).error}>
      {(aria) => (
        <textarea
          {...aria}
          rows={4}
          value={texts[name]}
          placeholder={like}
          className="w-full rounded-[3px] border border-ink px-3 py-2 text-lg"
          onChange={(event) => set(name, event.target.value)}
        />
      )}
    </Labelled>
  );
  return (
    <FormDrawer form={form} title={kept ? 'A policy' : `A policy for ${season}`} button="Keep it">
      <TextBox label="Policy number" {...form.box('number')} />
      <SelectBox label="Crop" {...form.box('crop')}>
        {farm.crops.map((crop) => (
          <option key={crop.id} value={crop.id}>
            {crop.name}
          </option>
        ))}
      </SelectBox>
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Coverage" hint="as 75" {...form.box('coverage')} />
        <TextBox label="Price" {...form.box('price')} />
        <TextBox label="Moisture it counts from" {...form.box('base')} />
        <TextBox label="Off for each tenth above" hint="0.12 where nothing is entered" {...form.box('perTenth')} />
      </div>
      {area(
        'moistures',
        'The policy’s own moisture table',
        'copied out of it: moisture in percent and factor, a line each',
        '15.1 0.9988\n15.2 0.9976',
      )}
      {area(
        'testWeights',
        'Its test weight table',
        'pounds a bushel and factor; blank: actual over legal',
        '50 0.893\n54 0.964',
      )}
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Days to tell of a loss" {...form.box('noticeDays')} />
        <TextBox label="Days after harvest ends" {...form.box('noticeAfterEnd')} />
      </div>
      <DayBox
        label="The period ends"
        value={texts.periodEnds}
        error={form.box('periodEnds').error}
        onChange={(day) => set('periodEnds', day)}
      />
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Agent" {...form.box('agent')} />
        <TextBox label="Phone" {...form.box('phone')} />
      </div>
    </FormDrawer>
  );
}
