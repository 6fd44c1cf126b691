import { type Entry, likelyWitness, type Method, METHODS } from '@fanega/core';
import { useState } from 'react';
import { ulid } from 'ulid';
import { type Farm, useRefreshFarm } from '../data/farm';
import { write } from '../data/outbox';
import { bookCommand } from '../data/outbox/book-command';
import { mass, price, readWeight, scaleUnit, type WeightUnit, weightUnits } from '../quantity/quantity';
import { Choices, SelectBox, TextBox } from '../ui';
import { asTyped, oneOf, words } from '../ui/form/box';
import { Form } from '../ui/form/form';
import { useFields } from '../ui/form/use-fields';
import { toast } from '../ui/toast';
import { METHOD_WORDS } from './method-words';
import { moistureBox } from './record-boxes';
import { deviceName } from './record';

/** What is wrong with the weights of a ticket that came late; a moisture alone is one too. */
function ticketErrors(
  gross: string,
  tare: string,
  moisture: number | undefined,
  kgPerBu: number,
): Record<string, string> {
  const [full, empty] = [gross, tare].map((typed) => readWeight(typed ?? '', scaleUnit(), kgPerBu));
  if (full!.error) return { gross: full!.error };
  if (empty!.error) return { tare: empty!.error };
  const [grossKg, tareKg] = [full!.kg, empty!.kg];
  if (grossKg === undefined && tareKg === undefined)
    return moisture === undefined ? { gross: 'Gross and tare, or a moisture' } : {};
  if (grossKg === undefined) return { gross: 'Gross is missing' };
  if (tareKg === undefined) return { tare: 'Tare is missing' };
  return grossKg - tareKg > 0 ? {} : { tare: 'Tare is not less than gross' };
}

/** Another measurement of the same grain: the display's figure beside the cart's, the farm's own truck scale beside the ticket. Which one counts is the farm's rule. */
export function WeighAgain({
  farm,
  entry,
  crop,
  onDone,
  onSaved,
}: {
  farm: Farm;
  entry: Entry;
  crop: string | undefined;
  onDone: () => void;
  onSaved?: (witnessId: string) => Promise<void>;
}) {
  const refresh = useRefreshFarm(farm.id);
  const [id] = useState(ulid);
  const kgPerBu = farm.kgPerBu(crop);
  // A ticket that came late brings its number and its price with it.
  const isLate = (method: Method): boolean =>
    method === 'ticket' && entry.type === 'move' && farm.place(entry.to)?.kind === 'buyer';
  const form = useFields({
    boxes: {
      method: oneOf<Method>(),
      // Read by the unit that is chosen beside it.
      weight: asTyped(),
      unit: oneOf<WeightUnit>(),
      moisture: moistureBox(),
      gross: asTyped(mass.unit),
      tare: asTyped(mass.unit),
      ticket: words(40),
      pricePerBu: {
        read: (typed: string) => price.read(typed, { least: 0, most: 1000, per: kgPerBu }),
        control: { unit: price.unit, inputMode: 'decimal' as const },
      },
    },
    unasked: ({ method }) => (isLate(method) ? ['weight', 'unit'] : ['ticket', 'pricePerBu', 'gross', 'tare']),
    start: () => ({
      method: likelyWitness(entry, (place) => farm.place(place)?.kind),
      weight: '',
      unit: scaleUnit(),
      moisture: '',
      gross: '',
      tare: '',
      ticket: '',
      pricePerBu: '',
    }),
    together: ({ method, weight, unit, moisture, gross, tare }): Record<string, string> => {
      if (isLate(method)) return ticketErrors(gross, tare, moisture, kgPerBu);
      const { kg, error } = readWeight(weight, unit, kgPerBu);
      if (error) return { weight: error };
      return kg === undefined && moisture === undefined ? { weight: 'A weight, or a moisture' } : {};
    },
    boxOf: (field) => (field === 'wetKg' ? 'weight' : field),
    close: onDone,
    save: async ({ method, weight, unit, moisture, gross, tare, ticket, pricePerBu }) => {
      const late = isLate(method);
      const [grossKg, tareKg] = [gross, tare].map((typed) => readWeight(typed ?? '', scaleUnit(), kgPerBu).kg);
      const net = grossKg === undefined || tareKg === undefined ? undefined : grossKg - tareKg;
      const kg = late ? net : readWeight(weight, unit, kgPerBu).kg;
      const witness = {
        id,
        type: 'witness',
        of: entry.id,
        at: new Date(farm.clock()).toISOString(),
        method,
        device: deviceName(),
        ...(kg === undefined ? {} : { wetKg: kg }),
        ...(moisture === undefined ? {} : { moisture }),
        ...(late && grossKg !== undefined && tareKg !== undefined ? { grossKg, tareKg } : {}),
        ...(ticket ? { ticket } : {}),
        ...(pricePerBu === undefined ? {} : { pricePerBu }),
      };
      await write(farm.id, bookCommand(farm.id, [witness as Entry]), 'another measurement');
      await onSaved?.(id);
      toast('Beside the first measurement');
      await refresh();
    },
  });
  return (
    <Form
      form={form}
      label="Another measurement"
      button="Put it beside"
      small
      className="space-y-3 border-t border-rule pt-4"
    >
      <SelectBox label="Measured by" {...form.box('method')}>
        {METHODS.map((one) => (
          <option key={one} value={one}>
            {METHOD_WORDS[one]}
          </option>
        ))}
      </SelectBox>
      {isLate(form.texts.method) && (
        <div className="grid grid-cols-2 gap-3">
          <TextBox label="Gross" {...form.box('gross')} />
          <TextBox label="Tare" {...form.box('tare')} />
        </div>
      )}
      <div className={`grid grid-cols-[1fr_7.5rem] items-start gap-3 ${isLate(form.texts.method) ? 'hidden' : ''}`}>
        <TextBox label="Weight" {...form.box('weight')} />
        <Choices
          label="Unit"
          {...form.choice('unit')}
          choices={weightUnits().map((one) => ({ value: one, label: one }))}
        />
      </div>
      <TextBox label="Moisture, if measured" {...form.box('moisture')} />
      {isLate(form.texts.method) && (
        <div className="grid grid-cols-2 gap-3">
          <TextBox label="Ticket number" {...form.box('ticket')} />
          <TextBox label="Price" {...form.box('pricePerBu')} />
        </div>
      )}
    </Form>
  );
}
