import { cropOf, CROPS, type CropId, LEAST_PAIRS, likelyBuyerReading, type Tester, TESTER_PAIR } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { useFarm, useRefreshFarm } from '../../../data/farm';
import { SelectBox, TextBox } from '../../../ui';
import { oneOf } from '../../../ui/form/box';
import { useFields } from '../../../ui/form/use-fields';
import { FormDrawer } from '../../../ui/form-drawer';
import { moistureBox, textBox } from '../../../widgets/record-boxes';
import { moisture, number } from '../../../quantity/quantity';
import { TakeBack, useRecorded } from '../../../widgets/take-back';
import { day } from '../../../quantity/time';
import { logged } from '../../../data/records';
import { write } from '../../../data/outbox';

const points = (value: number): string =>
  `${number(Math.abs(value), 1)} ${Math.abs(Math.abs(value) - 1) < 0.05 ? 'point' : 'points'}`;

/** What a tester is worth, in one sentence. */
export function testerWords(tester: Tester | undefined, name: string, now: number): string {
  const pairs = tester?.pairs ?? [];
  if (pairs.length < LEAST_PAIRS)
    return `${name}: ${pairs.length === 0 ? 'never paired with the buyer’s test' : `${pairs.length} of ${LEAST_PAIRS} pairs`}. Too little to go on.`;
  const { offsetPoints, spreadPoints } = likelyBuyerReading(0.15, pairs);
  const days = Math.max(0, Math.round((now - Date.parse(tester!.newest)) / 86_400_000));
  return `${name} reads ${points(offsetPoints!)} ${offsetPoints! >= 0 ? 'under' : 'over'} the buyer (${pairs.length} pairs, scatter ${number(spreadPoints!, 1)}, newest ${days === 0 ? 'today' : `${days} d ago`}).`;
}

/** One more pair of the same grain: our tester's figure and the buyer's test. */
export function PairSheet({
  tester,
  crop,
  buyerId,
  pairs,
  onClose,
}: {
  tester: string;
  /** Of the field from which it is opened. */
  crop: string;
  /** Where the loads go; null where nobody said. */
  buyerId: string | null;
  pairs: Tester['pairs'];
  onClose: () => void;
}) {
  const farm = useFarm();
  const buyers = farm.data.places.filter((place) => place.kind === 'buyer');
  const crops = [...new Set([crop, ...farm.data.lots.map((lot) => lot.crop)])].filter((id) => id in CROPS);
  const refresh = useRefreshFarm(farm.id);
  const recorded = useRecorded();
  const [id] = useState(ulid);
  const { fields } = TESTER_PAIR;
  const form = useFields({
    keptAs: `pair.${farm.id}`,
    boxes: {
      tester: textBox(fields.tester, 'Which tester was it?'),
      testerMoisture: moistureBox('The tester’s reading is missing'),
      buyerMoisture: moistureBox('The buyer’s test is missing'),
      crop: oneOf<string>(),
      buyerId: oneOf<string>(),
    },
    start: () => ({ tester, testerMoisture: '', buyerMoisture: '', crop, buyerId: buyerId ?? '' }),
    close: onClose,
    save: async (values) => {
      const body = {
        id,
        at: new Date(farm.clock()).toISOString(),
        tester: values.tester,
        testerMoisture: values.testerMoisture!,
        buyerMoisture: values.buyerMoisture!,
        ...(values.crop in CROPS ? { crop: values.crop as CropId } : {}),
        ...(values.buyerId === '' ? {} : { buyerId: values.buyerId }),
      };
      await write(farm.id, logged(farm.id, 'testerPair', body), 'a tester beside the buyer');
      recorded('Pair recorded', 'testerPair', id);
      await refresh();
    },
  });
  return (
    <FormDrawer
      form={form}
      title="Tester against the buyer"
      button="Record the pair"
      after={
        <>
          {pairs.length > 0 && (
            <ul className="divide-y divide-rule border-y border-rule" aria-label="Pairs so far">
              {pairs.map((pair) => (
                <li key={pair.id} className="flex items-center justify-between gap-3">
                  <span>
                    {day(pair.at, farm.data.farm.timeZone)}: ours {moisture.figure(pair.tester)}, the buyer&rsquo;s{' '}
                    <b>{moisture.figure(pair.buyer)}</b>
                    <span className="text-sm text-muted">
                      {pair.crop === undefined ? '' : `, ${cropOf(pair.crop)?.short ?? pair.crop}`}
                      {pair.buyerId === undefined ? '' : `, ${farm.placeName(pair.buyerId)}`}
                    </span>
                  </span>
                  <TakeBack of="testerPair" id={pair.id} />
                </li>
              ))}
            </ul>
          )}
        </>
      }
    >
      <p className="text-muted">
        The same grain, read by your tester and tested by the buyer. Three pairs are the least that says anything. A
        tester reads each crop by its own curve: pairs of another crop do not count.
      </p>
      <TextBox label="Tester" {...form.box('tester')} />
      <div className="grid grid-cols-2 gap-3">
        <TextBox label="Ours" {...form.box('testerMoisture')} />
        <TextBox label="The buyer’s" {...form.box('buyerMoisture')} />
        <SelectBox label="Crop" {...form.box('crop')}>
          {crops.map((id) => (
            <option key={id} value={id}>
              {cropOf(id)?.short ?? id}
            </option>
          ))}
        </SelectBox>
        <SelectBox label="Tested by" {...form.box('buyerId')}>
          <option value="">not said</option>
          {buyers.map((buyer) => (
            <option key={buyer.id} value={buyer.id}>
              {buyer.name}
            </option>
          ))}
        </SelectBox>
      </div>
    </FormDrawer>
  );
}
